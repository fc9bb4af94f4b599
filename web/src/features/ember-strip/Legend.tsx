// Which colour is how hot.
import type { Plan } from "../../api/types";
import { SvgText } from "../../components/Svg";
import { css, ember } from "../../domain/ember";
import { roundTemperatures } from "../../lib/ticks";
import { degrees, type Units } from "../../lib/units";
import type { Frame } from "./frame";

interface LegendProps {
  plan: Plan;
  frame: Frame;
  units: Units;
}

const TOP = 170;

export function Legend({ plan, frame, units }: LegendProps) {
  const x = frame.left + frame.inner + 26;
  const y = (celsius: number) => frame.top + frame.height * (1 - celsius / TOP);
  const target = plan.core_target_c;
  const marks = roundTemperatures(0, 150, 4, units).filter((mark) => Math.abs(mark - target) > 16);
  const stops = Array.from({ length: 18 }, (_, n) => n * 10);
  return (
    <g>
      <defs>
        <linearGradient id="ember-legend" x1="0" y1="1" x2="0" y2="0">
          {stops.map((celsius) => (
            <stop key={celsius} offset={celsius / TOP} stopColor={css(ember(celsius))} />
          ))}
        </linearGradient>
      </defs>
      <rect x={x} y={frame.top} width={13} height={frame.height} fill="url(#ember-legend)" />
      {[...marks, target].map((celsius) => (
        <SvgText
          key={celsius}
          x={x + 20}
          y={y(celsius) + 4}
          textStyle="tiny"
          fontWeight={celsius === target ? "700" : "400"}
          fill={celsius === target ? "ink" : "ink.soft"}
        >
          {degrees(celsius, units)}
        </SvgText>
      ))}
    </g>
  );
}
