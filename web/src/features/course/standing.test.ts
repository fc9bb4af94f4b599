import { describe, expect, it } from "vitest";
import type { Cook } from "../../api/types";
import { skewOf, standing } from "./standing";

const start = Date.parse("2026-11-25T18:00:00Z");
const at = (minutes: number) => new Date(start + minutes * 60_000).toISOString();

// Only what a standing reads.
const cook = {
  now: at(5),
  plan: { steps: [{ kind: "load" }, { kind: "turn" }, { kind: "pull" }] },
  course: {
    steps: [
      { due_at: at(0), done_at: at(1) },
      { due_at: at(12), done_at: null },
      { due_at: at(24), done_at: null },
    ],
  },
} as unknown as Cook;

describe("standing", () => {
  it("takes the first step that is not done, by this device's clock", () => {
    // This device is ten seconds behind the server.
    const skew = skewOf(cook, start + 5 * 60_000 - 10_000);
    expect(skew).toBe(10_000);
    const { current, next, loaded } = standing(cook, [], skew);
    expect(current?.index).toBe(1);
    expect(current?.due).toBe(start + 12 * 60_000 - 10_000);
    expect(next.map((step) => step.index)).toEqual([2]);
    expect(loaded).toBe(start + 60_000 - 10_000);
  });

  it("counts what waits to be sent as done", () => {
    const waiting = [
      { id: "1", of: "c", at: start, happening: { kind: "step_done" as const, step: 1 } },
    ];
    expect(standing(cook, waiting, 0).current?.index).toBe(2);
  });
});
