import { describe, expect, it } from "vitest";
import type { Estimate, Happening } from "../../api/types";
import { foretold, unanswered } from "./foretold";

const start = Date.parse("2026-11-26T18:00:00Z");
const at = (minutes: number) => start + minutes * 60_000;
const iso = (minutes: number) => new Date(at(minutes)).toISOString();

const estimate = {
  foretold: {
    at: [iso(1), iso(4)],
    core_c: [40, 46, 52],
    more_s: [
      [900, 720, 540],
      [960, 780, null],
    ],
  },
} as unknown as Estimate;

const waits = (minute: number, happening: Happening) => ({
  id: String(minute),
  of: "c",
  at: at(minute),
  happening,
});

describe("answers without a server", () => {
  it("are read off the table between its times and cores", () => {
    expect(foretold(estimate, at(1), 46)).toBe(720);
    expect(foretold(estimate, at(0.2), 43)).toBe(810);
    expect(foretold(estimate, at(2.5), 43)).toBe(840);
  });

  it("say nothing where the table says nothing", () => {
    expect(foretold(estimate, at(4), 50)).toBeNull();
    expect(foretold(estimate, at(9), 43)).toBeNull();
    expect(foretold(estimate, at(1), 90)).toBeNull();
    expect(foretold({} as Estimate, at(1), 46)).toBeNull();
  });

  it("are only for readings: after anything else nothing is computed", () => {
    const reading = waits(1, { kind: "reading", core_c: 46 });
    expect(unanswered(estimate, [reading], 0)).toEqual({ more: 720, at: at(1), core: 46 });
    const checked = waits(1.1, { kind: "step_done", step: 2 });
    expect(unanswered(estimate, [reading, checked], 0)).toMatchObject({ more: 720 });
    const off = waits(1.2, { kind: "off", off_s: 300 });
    expect(unanswered(estimate, [reading, off], 0)).toBe("not computed");
    expect(unanswered(estimate, [], 0)).toBeNull();
    expect(unanswered(null, [reading], 0)).toBe("not computed");
  });
});
