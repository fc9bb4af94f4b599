// The meaning of a reading while the server does not answer, from the table of its last answer.
import type { Estimate, Happening } from "../../api/types";
import type { Kept } from "../../lib/outbox";

/** Where a value lies in a rising list: the index before it and the share of the way to the next. */
export function place(list: number[], value: number): [number, number] | null {
  const after = list.findIndex((one) => one >= value);
  if (after < 0) return null;
  if (after === 0) return value === list[0] ? [0, 0] : null;
  const [low = 0, high = 0] = [list[after - 1], list[after]];
  return [after - 1, (value - low) / (high - low)];
}

/** How much longer it stays in after a reading, s; nothing where the table does not say. `at` is by the
 * server's clock, ms. */
export function foretold(estimate: Estimate, at: number, celsius: number): number | null {
  const table = estimate.foretold;
  if (!table) return null;
  const times = table.at.map((time) => Date.parse(time));
  // The first row serves for the moment before it too.
  const row = place(times, Math.max(at, times[0] ?? 0));
  const column = place(table.core_c, celsius);
  if (!row || !column) return null;
  const value = (r: number, c: number) => table.more_s[r]?.[c] ?? null;
  const [r, down] = row;
  const [c, along] = column;
  const corners = [value(r, c), value(r, c + 1), value(r + 1, c), value(r + 1, c + 1)];
  const shares = [(1 - down) * (1 - along), (1 - down) * along, down * (1 - along), down * along];
  let sum = 0;
  for (const [n, share] of shares.entries()) {
    if (share === 0) continue;
    const corner = corners[n];
    if (corner == null) return null;
    sum += share * corner;
  }
  return sum;
}

/** The state of a cook with reports that the server has not answered. */
export type Unanswered = { more: number; at: number; core: number } | "not computed" | null;

/** `skew` is the server's time less this device's, ms. Only readings can be answered from the table. */
export function unanswered(
  estimate: Estimate | null | undefined,
  waiting: Kept<Happening>[],
  skew: number,
): Unanswered {
  const counts = waiting.filter(({ happening }) => happening.kind !== "looks");
  const last = counts.at(-1);
  if (!last) return null;
  const read = counts.findLast(({ happening }) => happening.kind === "reading");
  // A check is answered by its reading.
  const others = counts.filter(
    ({ happening }) => happening.kind !== "reading" && happening.kind !== "step_done",
  );
  if (!estimate || !read || read.happening.kind !== "reading" || others.length > 0) {
    return "not computed";
  }
  const more = foretold(estimate, read.at + skew, read.happening.core_c);
  return more === null ? "not computed" : { more, at: read.at, core: read.happening.core_c };
}
