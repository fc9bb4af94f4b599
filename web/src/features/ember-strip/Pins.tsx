// The moments pinned on the strip, minutes first: load, what is planned on the way, the window to check,
// when it is ready.
import type { Plan } from "../../api/types";
import { SvgPath, SvgRect, SvgText } from "../../components/Svg";
import type { Pin as Planned } from "../../domain/pins";
import { minutes } from "../../lib/units";
import type { Frame } from "./frame";
import { placed } from "./places";

interface PinsProps {
  plan: Plan;
  /** The planned actions. */
  pins: Planned[];
  frame: Frame;
  clockOf: (seconds: number) => string;
}

/** A line of a neighbour does not cross out a word. */
const HALO = {
  stroke: "paper",
  strokeWidth: "4",
  strokeLinejoin: "round",
  paintOrder: "stroke",
} as const;

const NAMES: Partial<Record<Planned["action"]["kind"], string>> = {
  turn: "Turn",
  sauce: "Sauce",
  spray: "Spray",
  baste: "Baste",
  set: "Set dial",
  add_side: "Side in",
  stir_side: "Stir",
  take_side: "Side out",
  move: "Move",
  take_out: "Out",
  put_back: "Back in",
};
/** A letter of a name and of a clock, px. */
const LETTER = 8.2;
const SMALL = 7;
/** Where the two lines of names stand, px. */
const ROWS = [32, 14];

const whole = (seconds: number) => Math.round(seconds / 60);

export function Pins({ plan, pins, frame, clockOf }: PinsProps) {
  const { x, top, height, narrow } = frame;
  const end = plan.pull_at_s + plan.rest_s;
  // A window, not a false minute: eight cooks in ten are out inside it.
  const [early = plan.check_from_s, late = plan.pull_at_s] = plan.pull_band_s ?? [];
  const marks = [
    { name: "Load", at: 0 },
    ...pins.map((pin) => ({ name: NAMES[pin.action.kind] ?? "Do", at: pin.at })),
    ...(plan.pull_band_s ? [{ name: "Check", at: plan.check_from_s }] : []),
    { name: plan.batches.length > 1 ? "Rested" : "Eat", at: end },
  ];
  const [from, to] = [x(early / 60), Math.min(x(late / 60), x(end / 60))];
  const label = narrow
    ? `out ${whole(early)}–${whole(late)}`
    : `out ${whole(early)}–${whole(late)} min`;
  const wide = Math.max(narrow ? 0 : to - from, label.length * LETTER + 14);
  const middle = Math.min(
    Math.max((from + to) / 2, frame.left + wide / 2),
    frame.left + frame.inner - wide / 2,
  );
  const shown = placed(
    marks.map((mark) => {
      const words = mark.at > 0 ? `${mark.name} ${whole(mark.at)}` : mark.name;
      const small = narrow ? "" : clockOf(mark.at);
      const width = Math.max(words.length * LETTER, small.length * SMALL) + 8;
      const at = x(mark.at / 60);
      return { words, small, at, width, last: at + width > frame.left + frame.inner };
    }),
    [middle - wide / 2 - 4, middle + wide / 2 + 4],
  );

  return (
    <g>
      {shown.map(({ at, row }, n) => (
        <g key={n}>
          <SvgPath d={`M${at} ${top}V${top + height}`} stroke="mark.ink" strokeWidth="1.5" />
          <SvgPath
            d={`M${at} ${(ROWS[row ?? 0] ?? 0) - 8}V${top}`}
            stroke="ink"
            strokeWidth="1.5"
          />
        </g>
      ))}
      {shown.map(({ words, small, at, last, row }, n) =>
        row === null ? null : (
          <g key={n}>
            <SvgText
              x={last ? at - 6 : at + 6}
              // A name that would lie under another stands above it.
              y={ROWS[row] ?? 0}
              textAnchor={last ? "end" : "start"}
              textStyle="section"
              fill="ink"
              {...HALO}
            >
              {words}
            </SvgText>
            {small && row === 0 ? (
              <SvgText
                x={last ? at - 6 : at + 6}
                y={50}
                textAnchor={last ? "end" : "start"}
                textStyle="tiny"
                fill="ink.soft"
                {...HALO}
              >
                {small}
              </SvgText>
            ) : null}
          </g>
        ),
      )}
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
      <title>{`Out after ${minutes(early)} to ${minutes(late)}`}</title>
    </g>
  );
}
