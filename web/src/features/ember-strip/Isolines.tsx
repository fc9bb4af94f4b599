// Where the temperature wanted has got to, and where water boils.
import { useMemo } from "react";
import type { Plan } from "../../api/types";
import { SvgPath, SvgText } from "../../components/Svg";
import { isolines, type Point } from "../../domain/field";
import { degrees, type Units } from "../../lib/units";
import type { Frame } from "./frame";

interface IsolinesProps {
  plan: Plan;
  frame: Frame;
  units: Units;
}

const BOILING = 100;
/** Width of a temperature, px. */
const LABEL = 36;

export function Isolines({ plan, frame, units }: IsolinesProps) {
  const { picture, core_target_c: target } = plan;
  const wanted = useMemo(() => isolines(picture, target), [picture, target]);
  const boiling = useMemo(() => isolines(picture, BOILING), [picture]);
  const path = (line: Point[]) =>
    line
      .map(({ minute, depth }, n) => {
        const y = frame.top + depth * frame.height;
        return `${n === 0 ? "M" : "L"}${frame.x(minute).toFixed(1)} ${y.toFixed(1)}`;
      })
      .join("");
  const deepest = wanted.flat().reduce<Point | null>((best, point) => {
    const inside = (p: Point) => Math.min(p.depth, 1 - p.depth);
    return !best || inside(point) > inside(best) ? point : best;
  }, null);
  // Beside the lines of the pins, never on one.
  const pins = [plan.turn_at_s, plan.check_from_s, plan.pull_at_s].flatMap((at) =>
    at == null ? [] : [frame.x(at / 60)],
  );
  const labelled = (point: Point) =>
    pins.reduce(
      (x, pin) => (x < pin + 4 && x + LABEL > pin ? pin + 6 : x),
      frame.x(point.minute) + 10,
    );
  return (
    <g>
      {boiling.map((line, n) => (
        <SvgPath
          key={n}
          d={path(line)}
          fill="none"
          stroke="mark.paper"
          strokeWidth="1.4"
          strokeDasharray="4 4"
        />
      ))}
      {wanted.map((line, n) => (
        <SvgPath key={n} d={path(line)} fill="none" stroke="mark.ink" strokeWidth="2.4" />
      ))}
      {deepest ? (
        <SvgText
          x={Math.min(labelled(deepest), frame.left + frame.inner - 40)}
          y={frame.top + frame.height / 2 + 5}
          textStyle="section"
          fill="mark.ink"
        >
          {degrees(target, units)}
        </SvgText>
      ) : null}
    </g>
  );
}
