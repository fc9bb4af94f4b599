import { describe, expect, it } from "vitest";
import type { Plan, Request } from "../api/types";
import { added, difference, moved, pinsOf, removed } from "./pins";

const entry = { usual_turn: "equal_browning" } as const;
const plan = {
  pull_at_s: 1440,
  turn_at_s: 960,
  peak_core_c: 84,
  outcomes: { faces: [{ browning: "golden" }, { browning: "golden" }] },
  batches: [
    {
      actions: [
        { kind: "turn", at_s: 960 },
        { kind: "sauce", at_s: 1140 },
      ],
    },
  ],
} as unknown as Plan;
const usual = { turn: "equal_browning", sauce: "last_minutes", actions: [] } as unknown as Request;
const metric = { temperature: "celsius", weight: "metric" } as const;

describe("pins", () => {
  it("are what the methods plan, until the cook moves them", () => {
    const pins = pinsOf(usual, plan);
    expect(pins.map(({ of, at }) => [of, at])).toEqual([
      ["turn", 960],
      ["sauce", 1140],
    ]);
    const [turn, sauce] = pins;
    if (!turn || !sauce) throw new Error("no pins");
    expect(moved(usual, entry, turn, 725)).toMatchObject({
      turn: "never",
      actions: [{ kind: "turn", at_s: 720 }],
    });
    expect(moved(usual, entry, sauce, 1200)).toMatchObject({
      sauce: "none",
      actions: [{ kind: "sauce", at_s: 1200 }],
    });
  });

  it("of the cook are at their minute, also those given as a share or before the end", () => {
    const own = {
      turn: "never",
      sauce: "none",
      actions: [
        { kind: "turn", share: 0.5 },
        { kind: "spray", before_end_s: 240 },
      ],
    } as unknown as Request;
    const pins = pinsOf(own, plan);
    expect(pins.map(({ of, at }) => [of, at])).toEqual([
      [0, 720],
      [1, 1200],
    ]);
    const spray = pins[1];
    if (!spray) throw new Error("no pin");
    const change = moved(own, entry, spray, 600);
    expect(change.actions?.[1]).toMatchObject({ kind: "spray", at_s: 600 });
    expect(change.actions?.[1]?.before_end_s).toBeUndefined();
  });

  it("are removed, and a turn that is removed stays off", () => {
    const [turn] = pinsOf(usual, plan);
    if (!turn) throw new Error("no pin");
    expect(removed(usual, entry, turn)).toEqual({ turn: "never" });
    const own = { ...usual, turn: "never", actions: [{ kind: "turn", at_s: 600 }] } as Request;
    const pin = pinsOf(own, plan).find((one) => one.of === 0);
    if (!pin) throw new Error("no pin");
    expect(removed(own, entry, pin)).toEqual({ actions: [], turn: "never" });
  });

  it("are added at a minute", () => {
    expect(added(usual, entry, { kind: "spray" }, 610)).toEqual({
      actions: [{ kind: "spray", at_s: 600 }],
    });
    expect(added(usual, entry, { kind: "turn" }, 300).turn).toBe("never");
  });

  it("say what a change does", () => {
    const after = {
      ...plan,
      pull_at_s: 1560,
      peak_core_c: 84.4,
      outcomes: { faces: [{ browning: "golden" }, { browning: "blond" }] },
    } as unknown as Plan;
    expect(difference(plan, after, metric)).toBe(
      "2 min longer, lower face blond instead of golden",
    );
    expect(difference(plan, plan, metric)).toBe("no difference");
  });
});
