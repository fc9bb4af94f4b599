// The section through the middle, drawn at right angles to the strip: depth downwards, temperature
// to the right, at the pull and after the rest.
import { Box, chakra, Text } from "@chakra-ui/react";
import type { Plan } from "../../api/types";
import { SvgPath, SvgRect, SvgText } from "../../components/Svg";
import { useWidth } from "../../lib/hooks";
import { degrees, temperature, type Units } from "../../lib/units";

const HEIGHT = 190;
const TOP = 20;
const BOTTOM = 24;
const LEFT = 44;
const RIGHT = 10;

type Outcomes = NonNullable<Plan["outcomes"]>;

export function Section({ outcomes, units }: { outcomes: Outcomes; units: Units }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { at_pull_c: pull, after_rest_c: rested, done } = outcomes;
  const most = Math.max(110, ...pull) * 1.03;
  const least = Math.max(0, Math.min(...pull, ...rested) - 12);
  const x = (celsius: number) =>
    LEFT + ((celsius - least) / (most - least)) * Math.max(0, width - LEFT - RIGHT);
  const y = (n: number) => TOP + (n / (pull.length - 1)) * (HEIGHT - TOP - BOTTOM);
  const path = (values: number[]) =>
    values.map((c, n) => `${n ? "L" : "M"}${x(c).toFixed(1)} ${y(n).toFixed(1)}`).join("");
  const middle = (values: number[]) => values[(values.length - 1) / 2] ?? 0;
  return (
    <Box
      ref={ref}
      role="img"
      aria-label={`Section: at the pull ${temperature(pull[0] ?? 0, units)} above, ${temperature(middle(pull), units)} in the middle; after the rest ${temperature(middle(rested), units)} in the middle`}
    >
      <chakra.svg width="100%" style={{ height: HEIGHT }} display="block" overflow="visible">
        <SvgRect
          x={LEFT}
          y={TOP}
          width={Math.max(0, width - LEFT - RIGHT)}
          height={HEIGHT - TOP - BOTTOM}
          fill="well"
        />
        {done.map((texture, n) => (
          <g key={texture.name}>
            <SvgPath
              d={`M${x(texture.core_c)} ${TOP}V${HEIGHT - BOTTOM}`}
              stroke="ink.soft"
              strokeWidth="1"
              strokeDasharray="3 3"
            />
            <SvgText
              x={x(texture.core_c)}
              // Neighbours a few degrees apart would lie on one another.
              y={HEIGHT - 8 + (n % 2) * 14}
              textAnchor="middle"
              textStyle="tiny"
              fill="ink.soft"
            >
              {degrees(texture.core_c, units)}
            </SvgText>
          </g>
        ))}
        <SvgPath d={path(rested)} stroke="amber" strokeWidth="3" strokeDasharray="7 3" />
        <SvgPath d={path(pull)} stroke="ember" strokeWidth="3" />
        {["upper", "core", "lower"].map((name, n) => (
          <SvgText
            key={name}
            x={LEFT - 8}
            y={TOP + 10 + (n / 2) * (HEIGHT - TOP - BOTTOM - 14)}
            textAnchor="end"
            textStyle="tiny"
            fill="ink.soft"
          >
            {name}
          </SvgText>
        ))}
        <SvgText x={LEFT} y={12} textStyle="tiny" fill="ink">
          ― out of the machine · - - after the rest
        </SvgText>
      </chakra.svg>
      <Text srOnly>Temperatures through the middle of the piece.</Text>
    </Box>
  );
}
