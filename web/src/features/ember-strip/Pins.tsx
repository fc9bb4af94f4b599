// The moments pinned on the strip: load, turn, sauce, the window to check, eat.
import type { Plan } from "../../api/types";
import { SvgPath, SvgRect, SvgText } from "../../components/Svg";
import type { Frame } from "./frame";

interface PinsProps {
  plan: Plan;
  frame: Frame;
  clockOf: (seconds: number) => string;
}

interface Pin {
  name: string;
  at: number;
}

/** A line of a neighbour does not cross out a word. */
const HALO = {
  stroke: "paper",
  strokeWidth: "4",
  strokeLinejoin: "round",
  paintOrder: "stroke",
} as const;

export function Pins({ plan, frame, clockOf }: PinsProps) {
  const { x, top, height, narrow } = frame;
  const end = plan.pull_at_s + plan.rest_s;
  const sauce = plan.steps.find((step) => step.kind === "sauce" && step.batch === 1);
  const pins: Pin[] = [{ name: "Load", at: 0 }];
  if (plan.turn_at_s) pins.push({ name: "Turn", at: plan.turn_at_s });
  if (sauce) pins.push({ name: "Sauce", at: sauce.at_s });
  pins.push({ name: plan.batches.length > 1 ? "Rested" : "Eat", at: end });
  // A window, not a false minute: eight cooks in ten are out inside it.
  const [early = plan.check_from_s, late = plan.pull_at_s] = plan.pull_band_s ?? [];
  if (plan.pull_band_s) pins.splice(-1, 0, { name: "Check", at: plan.check_from_s });
  const [from, to] = [x(early / 60), Math.min(x(late / 60), x(end / 60))];
  const label = narrow ? "out" : `out ${clockOf(early)}–${clockOf(late).slice(-5)}`;
  const wide = narrow ? 52 : Math.max(to - from, label.length * 8.2 + 16);
  const middle = Math.min(
    Math.max((from + to) / 2, frame.left + wide / 2),
    frame.left + frame.inner - wide / 2,
  );
  const taken: [number, number][] = [[middle - wide / 2 - 4, middle + wide / 2 + 4]];
  const marks = pins.map((pin) => {
    const at = x(pin.at / 60);
    const last = at > frame.left + frame.inner - 48;
    const span: [number, number] = last ? [at - 46, at] : [at + 4, at + 50];
    const clash = taken.some(([a, b]) => span[0] < b && span[1] > a);
    taken.push(span);
    return { pin, at, last, clash };
  });

  return (
    <g>
      {marks.map(({ pin, at, clash }) => (
        <g key={pin.name}>
          <SvgPath
            d={`M${at} ${clash ? 10 : 34}V${top + height}`}
            stroke="mark.ink"
            strokeWidth="1.5"
          />
          <SvgPath d={`M${at} ${clash ? 10 : 34}V${top}`} stroke="ink" strokeWidth="1.5" />
        </g>
      ))}
      {marks.map(({ pin, at, last, clash }) => (
        <g key={pin.name}>
          <SvgText
            x={last ? at - 6 : at + 6}
            // A name that would lie under another stands above it.
            y={clash ? 14 : 32}
            textAnchor={last ? "end" : "start"}
            textStyle="section"
            fill="ink"
            {...HALO}
          >
            {pin.name}
          </SvgText>
          {narrow || clash ? null : (
            <SvgText
              x={last ? at - 6 : at + 6}
              y={50}
              textAnchor={last ? "end" : "start"}
              textStyle="small"
              fill="ink.soft"
              {...HALO}
            >
              {clockOf(pin.at)}
            </SvgText>
          )}
        </g>
      ))}
      <SvgRect
        x={from}
        y={top}
        width={Math.max(2, to - from)}
        height={height}
        fill="none"
        stroke="zest"
        strokeWidth="3"
        rx={2}
      />
      <SvgPath
        d={`M${x(plan.pull_at_s / 60)} ${top}V${top + height}`}
        stroke="mark.ink"
        strokeWidth="2"
        strokeDasharray="5 4"
      />
      <SvgRect x={middle - wide / 2} y={top - 39} width={wide} height={28} rx={6} fill="zest" />
      <SvgText x={middle} y={top - 20} textAnchor="middle" textStyle="section" fill="zest.ink">
        {label}
      </SvgText>
    </g>
  );
}
