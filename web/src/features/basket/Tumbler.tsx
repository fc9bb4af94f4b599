// How full a tumbling basket is.
import { Box, chakra, Text } from "@chakra-ui/react";
import { useId } from "react";
import type { Loading } from "../../api/types";
import { SvgCircle, SvgRect } from "../../components/Svg";
import { share } from "../../lib/units";

const Svg = chakra("svg");
const RADIUS = 60;

export function Tumbler({ load }: { load: NonNullable<Loading["tumbler"]> }) {
  const drum = useId();
  const top = RADIUS - 2 * RADIUS * level(Math.min(1, load.fill));
  return (
    <Box>
      <Svg
        viewBox={`${-RADIUS - 4} ${-RADIUS - 4} ${2 * RADIUS + 8} ${2 * RADIUS + 8}`}
        maxH="basketSmall"
        width="100%"
        display="block"
        role="img"
        aria-label={`The tumbling basket is ${share(load.fill)} full and ${load.words}`}
      >
        <defs>
          <clipPath id={drum}>
            <circle r={RADIUS} />
          </clipPath>
        </defs>
        <SvgCircle cx={0} cy={0} r={RADIUS} fill="well" />
        <g clipPath={`url(#${drum})`}>
          <SvgRect x={-RADIUS} y={top} width={2 * RADIUS} height={2 * RADIUS} fill="brown.blond" />
        </g>
        <SvgCircle cx={0} cy={0} r={RADIUS} fill="none" stroke="ink.soft" strokeWidth="2" />
      </Svg>
      <Text textStyle="small" mt="2">
        The basket is <b>{share(load.fill)} full</b> and {load.words}. Wings and cubes tumble well
        up to half full. There is nothing to turn.
      </Text>
    </Box>
  );
}

/** How high a share of a round cross-section stands, as a share of its diameter. */
function level(fill: number): number {
  let [low, high] = [0, 1];
  for (let n = 0; n < 24; n++) {
    const middle = (low + high) / 2;
    const angle = Math.acos(1 - 2 * middle);
    const area = (angle - Math.sin(angle) * Math.cos(angle)) / Math.PI;
    if (area < fill) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
