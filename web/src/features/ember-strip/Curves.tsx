// Core, faces and air as curves: the temperature at each minute.
import { Box, chakra, Text } from "@chakra-ui/react";
import type { Plan } from "../../api/types";
import { SvgPath, SvgText } from "../../components/Svg";
import { useWidth } from "../../lib/hooks";
import { roundTemperatures } from "../../lib/ticks";
import { degrees, temperature, type Units } from "../../lib/units";

interface CurvesProps {
  plan: Plan;
  units: Units;
}

const HEIGHT = 190;
const TOP = 6;
const BOTTOM = 22;
const LEFT = 40;
const RIGHT = 74;

export function Curves({ plan, units }: CurvesProps) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { minutes, core_c, upper_c, lower_c, air_c, core_low_c, core_high_c } = plan.picture;
  const end = minutes[minutes.length - 1] ?? 1;
  const most = Math.max(120, ...air_c) * 1.04;
  const x = (minute: number) => LEFT + (minute / end) * Math.max(0, width - LEFT - RIGHT);
  const y = (celsius: number) => TOP + (HEIGHT - TOP - BOTTOM) * (1 - celsius / most);
  const path = (values: number[]) =>
    values
      .map((c, n) => `${n ? "L" : "M"}${x(minutes[n] ?? 0).toFixed(1)} ${y(c).toFixed(1)}`)
      .join("");
  const pull = plan.pull_at_s / 60;
  /** The band of the core, until it comes out. */
  const between = (low: number[], high: number[]) => {
    // Where all cooks have got there the members say no more.
    const going = (n: number) => (low[n] ?? 0) < plan.core_target_c - 0.5;
    const shown = minutes.flatMap((minute, n) => (minute <= pull && going(n) ? [n] : []));
    const point = (values: number[]) => (n: number) =>
      `${x(minutes[n] ?? 0).toFixed(1)} ${y(values[n] ?? 0).toFixed(1)}`;
    if (low.length === 0 || shown.length < 2) return "";
    return `M${[...shown.map(point(high)), ...shown.reverse().map(point(low))].join("L")}Z`;
  };
  const atPull = (values: number[]) => values[minutes.findLastIndex((m) => m <= pull + 0.001)] ?? 0;
  const curves = [
    { name: "air", values: air_c, dash: "2 4", stroke: "ink.soft", weight: 1.5 },
    { name: "upper", values: upper_c, dash: "none", stroke: "amber", weight: 2 },
    { name: "lower", values: lower_c, dash: "7 3", stroke: "amber", weight: 2 },
    { name: "core", values: core_c, dash: "none", stroke: "ember", weight: 3 },
  ];
  const labels = spread(curves.map((curve) => y(atPull(curve.values))));
  return (
    <Box
      ref={ref}
      role="img"
      aria-label={`At the pull the core is ${temperature(atPull(core_c), units)}, the upper face ${temperature(atPull(upper_c), units)}, the lower face ${temperature(atPull(lower_c), units)}, the air ${temperature(atPull(air_c), units)}`}
    >
      <chakra.svg width="100%" style={{ height: HEIGHT }} display="block" overflow="visible">
        {roundTemperatures(0, most, 4, units).map((celsius) => (
          <g key={celsius}>
            <SvgPath d={`M${LEFT} ${y(celsius)}H${width - RIGHT}`} stroke="line" strokeWidth="1" />
            <SvgText
              x={LEFT - 6}
              y={y(celsius) + 4}
              textAnchor="end"
              textStyle="tiny"
              fill="ink.soft"
            >
              {degrees(celsius, units)}
            </SvgText>
          </g>
        ))}
        <SvgPath d={`M${x(pull)} ${TOP}V${HEIGHT - BOTTOM}`} stroke="ink" strokeWidth="1" />
        <SvgText x={x(pull)} y={HEIGHT - 6} textAnchor="middle" textStyle="tiny" fill="ink.soft">
          out
        </SvgText>
        <SvgPath d={between(core_low_c ?? [], core_high_c ?? [])} fill="ember" fillOpacity="0.2" />
        {curves.map((curve, n) => (
          <g key={curve.name}>
            <SvgPath
              d={path(curve.values)}
              fill="none"
              stroke={curve.stroke}
              strokeWidth={curve.weight}
              strokeDasharray={curve.dash}
            />
            <SvgText x={width - RIGHT + 8} y={(labels[n] ?? 0) + 4} textStyle="tiny" fill="ink">
              {curve.name} {degrees(atPull(curve.values), units)}
            </SvgText>
          </g>
        ))}
      </chakra.svg>
      <Text srOnly>Curves of core, faces and air over the cook.</Text>
    </Box>
  );
}

/** Moves labels apart that would lie on one another, keeping their order. */
function spread(places: number[]): number[] {
  const GAP = 15;
  const order = places.map((place, n) => ({ place, n })).sort((a, b) => a.place - b.place);
  order.forEach((label, k) => {
    const before = order[k - 1];
    if (before && label.place - before.place < GAP) label.place = before.place + GAP;
  });
  const out = [...places];
  for (const { place, n } of order) out[n] = place;
  return out;
}
