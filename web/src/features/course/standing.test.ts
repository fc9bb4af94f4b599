import { describe, expect, it } from "vitest";
import type { Cook, Happening } from "../../api/types";
import { skewOf, standing } from "./standing";
import { aimNow, dialNow, inWords, lastTold, stands, type Told } from "./told";

const start = Date.parse("2026-11-25T18:00:00Z");
const at = (minutes: number) => new Date(start + minutes * 60_000).toISOString();

// Only what a standing reads.
const cook = {
  now: at(5),
  state: "running",
  events: [],
  request: {},
  plan: {
    setting_c: 193,
    steps: [
      { kind: "load", batch: 1, actions: [] },
      { kind: "turn", batch: 1, actions: [{ kind: "turn" }] },
      { kind: "set", batch: 1, actions: [{ kind: "set", setting_c: 204 }] },
      { kind: "pull", batch: 1, actions: [] },
      { kind: "rest", batch: 0, actions: [] },
      { kind: "serve", batch: 0, actions: [] },
    ],
  },
  course: {
    loaded_at: at(1),
    pulled_at: null,
    steps: [
      { due_at: at(0), done_at: at(1), passed: false },
      { due_at: at(12), done_at: null, passed: false },
      { due_at: at(20), done_at: null, passed: false },
      { due_at: at(24), done_at: null, passed: false },
      { due_at: at(24), done_at: null, passed: false },
      { due_at: at(29), done_at: null, passed: false },
    ],
  },
} as unknown as Cook;

const waits = (id: string, minute: number, happening: Happening) => ({
  id,
  of: "c",
  at: start + minute * 60_000,
  happening,
});

describe("standing", () => {
  it("takes the first step that is not done, by this device's clock", () => {
    // This device is ten seconds behind the server.
    const skew = skewOf(cook, start + 5 * 60_000 - 10_000);
    expect(skew).toBe(10_000);
    const { current, next, loaded } = standing(cook, [], skew);
    expect(current?.index).toBe(1);
    expect(current?.due).toBe(start + 12 * 60_000 - 10_000);
    expect(next.map((step) => step.index)).toEqual([2, 3, 4, 5]);
    expect(loaded).toBe(start + 60_000 - 10_000);
  });

  it("counts what waits to be sent as done, once, and what is taken back not at all", () => {
    const turned = waits("1", 12, { kind: "step_done", step: 1 });
    expect(standing(cook, [turned, { ...turned, id: "2" }], 0).current?.index).toBe(2);
    const undone = waits("3", 13, { kind: "undone", event: "1" });
    expect(standing(cook, [turned, undone], 0).current?.index).toBe(1);
  });

  it("has a check that was read due again later, while the server does not answer", () => {
    const steps = cook.plan.steps.map((step, n) => (n === 1 ? { ...step, kind: "check" } : step));
    const checked = { ...cook, plan: { ...cook.plan, steps } } as unknown as Cook;
    const read = waits("1", 13, { kind: "reading", core_c: 50 });
    expect(standing(checked, [read], 0).steps[1]?.due).toBe(start + 18 * 60_000);
  });

  it("waits for the end of the rest, and starts over when it went back in", () => {
    const out = waits("1", 24, { kind: "pulled" });
    const resting = standing(cook, [out], 0);
    expect(resting.current?.step.kind).toBe("rest");
    expect(resting.current?.due).toBe(start + 29 * 60_000);
    expect(resting.pulled).toBe(start + 24 * 60_000);
    expect(resting.steps[1]?.passed).toBe(true);
    const back = waits("2", 26, { kind: "put_back", cut: false });
    const again = standing(cook, [out, back], 0);
    expect([again.current?.step.kind, again.pulled]).toEqual(["pull", null]);
  });
});

describe("told", () => {
  const told = (id: string, happening: Happening): Told => ({ id, at: 0, happening });
  const started = told("s", { kind: "started" });
  const set = told("a", { kind: "step_done", step: 2 });
  const lower = told("b", { kind: "did", action: { kind: "set", setting_c: 160 } });
  const undone = told("c", { kind: "undone", event: "b" });

  it("stands without what was taken back, unless that was taken back itself", () => {
    expect(stands([started, set, lower, undone])).toEqual([started, set]);
    const again = told("d", { kind: "undone", event: "c" });
    expect(stands([started, set, lower, undone, again])).toEqual([started, set, lower]);
    expect(lastTold([started, set, lower, undone])).toBe(set);
    expect(lastTold([started])).toBe(started);
    expect(lastTold([])).toBeUndefined();
  });

  it("knows what the dial shows", () => {
    expect(dialNow(cook, [started])).toBe(193);
    expect(dialNow(cook, [started, set])).toBe(204);
    expect(dialNow(cook, [started, set, lower])).toBe(160);
    expect(dialNow(cook, [started, set, lower, undone])).toBe(204);
  });

  it("knows that a hot start begins hotter", () => {
    const programme = { kind: "hot_start", stage_setting_c: 220, stage_s: 1200 };
    const hot = { ...cook, request: { programme } } as Cook;
    expect(dialNow(hot, [started])).toBe(220);
    expect(dialNow(hot, [started, set])).toBe(204);
  });

  it("knows the core that is wanted", () => {
    const planned = { ...cook, plan: { ...cook.plan, pull_core_c: 74 } } as Cook;
    const aim = told("e", { kind: "aim", core_c: 80 });
    expect(aimNow(planned, [started])).toBe(74);
    expect(aimNow(planned, [started, aim])).toBe(80);
    expect(aimNow(planned, [aim, told("f", { kind: "undone", event: "e" })])).toBe(74);
  });

  it("has a word or two", () => {
    const words = (happening: Happening) =>
      inWords(happening, cook.plan.steps, (celsius) => `${celsius} °C`);
    expect(words(set.happening)).toBe("dial set");
    expect(words({ kind: "reading", core_c: 58 })).toBe("core 58 °C");
    expect(words({ kind: "put_back", cut: true })).toBe("put back");
  });
});
