// Where everything on the strip lies, for a width.
import type { Plan } from "../../api/types";

const NARROW = 640;

export function frameOf(plan: Plan, width: number) {
  const narrow = width < NARROW;
  const left = narrow ? 0 : 52;
  const right = narrow ? 0 : 78;
  const top = narrow ? 62 : 68;
  const height = narrow ? 112 : 168;
  const inner = Math.max(0, width - left - right);
  const end = plan.picture.minutes[plan.picture.minutes.length - 1] ?? 1;
  const from = -(plan.preheat_s ?? 0) / 60;
  const x = (minute: number) => left + ((minute - from) / (end - from)) * inner;
  return {
    narrow,
    left,
    right,
    top,
    height,
    inner,
    from,
    to: end,
    x,
    width,
    total: top + height + 44,
  };
}

export type Frame = ReturnType<typeof frameOf>;
