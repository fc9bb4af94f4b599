// A school with the cook's own times.
import type { Method, PrepTask, Request } from "../../api/types";

type Ahead = NonNullable<Request["ahead"]>;

/** Times the cook changed, s, by school and task. */
export type Changed = Record<string, number>;

export const lasts = (method: Method, task: PrepTask, changed: Changed) =>
  changed[`${method.id} ${task.name}`] ?? task.best_s;

/** What a school does to the meat, with the cook's times. */
export const methodAhead = (method: Method, changed: Changed): Ahead =>
  method.tasks.flatMap((task) => {
    if (!task.ahead) return [];
    const timed = task.ahead.kind !== "blot";
    return [{ kind: task.ahead.kind, ahead_s: timed ? lasts(method, task, changed) : 0 }];
  });

export const sameAhead = (a: Ahead, b: Ahead) =>
  a.length === b.length &&
  a.every((one, n) => one.kind === b[n]?.kind && (one.ahead_s ?? 0) === (b[n]?.ahead_s ?? 0));
