// Both faces' browning as edges of the strip: from pale to burnt as the minutes go.
import type { Plan } from "../../api/types";
import { SvgRect } from "../../components/Svg";
import type { Frame } from "./frame";

const THICK = 7;
const GAP = 2;

/** One word of the scale after the other, pale to burnt. */
const WORDS = ["pale", "blond", "golden", "brown", "dark", "burnt"] as const;

export function Edges({ plan, frame }: { plan: Plan; frame: Frame }) {
  const { minutes, upper_colour, lower_colour } = plan.picture;
  const { x, top, height } = frame;
  const faces: [number[] | undefined, number][] = [
    [upper_colour, top - THICK - GAP],
    [lower_colour, top + height + GAP],
  ];
  return (
    <g>
      {faces.map(([colours, y]) =>
        runs(colours ?? []).map(({ word, from, to }) => {
          const [a, b] = [x(minutes[from] ?? 0), x(minutes[to] ?? 0)];
          return (
            <SvgRect
              key={`${y} ${from}`}
              x={a}
              y={y}
              width={Math.max(0, b - a)}
              height={THICK}
              fill={`brown.${WORDS[word]}`}
            />
          );
        }),
      )}
    </g>
  );
}

/** Stretches of one word; each reaches to where the next begins. */
function runs(colours: number[]): { word: number; from: number; to: number }[] {
  const out: { word: number; from: number; to: number }[] = [];
  colours.forEach((colour, n) => {
    const word = Math.min(WORDS.length - 1, Math.floor(colour));
    const last = out[out.length - 1];
    if (last) last.to = n;
    if (last?.word !== word) out.push({ word, from: n, to: n });
  });
  return out;
}
