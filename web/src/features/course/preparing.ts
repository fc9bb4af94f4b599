// The preparation of a cook as it stands on this screen: what the server answered, and on top what waits to be sent.
import type { Cook, Happening } from "../../api/types";
import type { Kept } from "../../lib/outbox";

type Task = Cook["preparation"][number];

export interface PreparingTask {
  task: Task;
  index: number;
  /** ms since the epoch, by this device's clock; null where nothing says. */
  due: number | null;
  begun: number | null;
  over: number | null;
  done: number | null;
}

export interface Preparing {
  tasks: PreparingTask[];
  /** The present task; null when all tasks are done. */
  current: PreparingTask | null;
  /** When it asks for something, ms: its beginning, its middle, its end. */
  asks: number | null;
  /** What it asks for then. */
  what: string | null;
}

export function preparing(
  cook: Cook,
  waiting: Kept<Happening>[],
  skew: number,
  now: number,
): Preparing {
  const local = (time: string | null | undefined) => (time ? Date.parse(time) - skew : null);
  const tasks = cook.preparation.map(
    (task, index): PreparingTask => ({
      task,
      index,
      due: local(task.due_at),
      begun: local(task.begun_at),
      over: local(task.over_at),
      done: local(task.done_at),
    }),
  );
  const takenBack = new Set(
    waiting.flatMap(({ happening }) => (happening.kind === "undone" ? [happening.event] : [])),
  );
  for (const { id, happening, at } of waiting) {
    if (happening.kind !== "prepared" || takenBack.has(id)) continue;
    for (const one of tasks.slice(0, happening.task + 1)) {
      if (one.index < happening.task || happening.done) {
        one.begun ??= at;
        one.done ??= at;
      } else {
        one.begun = at;
        one.over = at + one.task.best_s * 1000;
        one.done = null;
      }
    }
  }
  const current = tasks.find((one) => one.done === null) ?? null;
  if (!current) return { tasks, current, asks: null, what: null };
  if (current.begun === null) {
    return { tasks, current, asks: current.due, what: current.task.name };
  }
  const middle = current.begun + current.task.best_s * 500;
  if (current.task.halfway && middle > now) {
    return { tasks, current, asks: middle, what: current.task.halfway };
  }
  const next = tasks[current.index + 1]?.task.name ?? "Start cooking";
  return { tasks, current, asks: current.over, what: next };
}
