import { describe, expect, it } from "vitest";
import type { Plan } from "../api/types";
import { actionWords, momentWords, planned, turnsAll, worthWords } from "./actions";

const units = { temperature: "celsius", weight: "metric" } as const;
const read = async (text: string) => Number(text) * 60;

describe("planned actions in words", () => {
  it("tells kinds apart that share a wire kind", () => {
    expect(actionWords({ kind: "sauce", faces: "up" }, units)).toBe("sauce the upper side");
    expect(actionWords({ kind: "sauce" }, units)).toBe("brush with sauce");
    expect(actionWords({ kind: "baste" }, units)).toBe("baste with juice or stock");
    expect(actionWords({ kind: "turn", which: "one" }, units)).toBe("turn one piece");
    expect(actionWords({ kind: "set", setting_c: 200 }, units)).toBe("set the dial to 200 °C");
  });

  it("says when", () => {
    expect(momentWords({ kind: "turn", at_s: 600 })).toBe("after 10 min");
    expect(momentWords({ kind: "turn", share: 0.5 })).toBe("half-way");
    expect(momentWords({ kind: "turn", share: 0.3 })).toBe("at 30 %");
    expect(momentWords({ kind: "sauce", before_end_s: 300 })).toBe("5 min before the end");
    expect(momentWords({ kind: "spray", moment: "golden" })).toBe("when golden");
  });

  it("knows what turns every piece", () => {
    expect(turnsAll({ kind: "turn", at_s: 60 })).toBe(true);
    expect(turnsAll({ kind: "turn", which: "one", at_s: 60 })).toBe(false);
    expect(turnsAll({ kind: "spray", at_s: 60 })).toBe(false);
  });
});

describe("the effect of a planned action", () => {
  const plan = {
    worths: [
      {
        action: { kind: "turn", at_s: 600 },
        later_s: -95,
        with: ["golden", "golden"],
        without: ["brown", "pale"],
      },
      {
        action: { kind: "open", at_s: 300, open_s: 60 },
        later_s: 10,
        with: ["golden", "golden"],
        without: ["golden", "golden"],
      },
    ],
  } as unknown as Plan;

  it("is minutes and colours", () => {
    expect(worthWords({ kind: "turn", at_s: 600 }, plan)).toBe(
      " · 1½ min shorter, golden and golden instead of brown and pale",
    );
    expect(worthWords({ kind: "open", at_s: 300 }, plan)).toBe(" · no minutes");
    expect(worthWords({ kind: "spray", at_s: 300 }, plan)).toBe("");
    expect(worthWords({ kind: "spray", at_s: 300 }, undefined)).toBe("");
  });
});

describe("a planned action from what is typed", () => {
  it("has one moment", async () => {
    expect(await planned("turn", "at", "10", "", units, read)).toEqual({ kind: "turn", at_s: 600 });
    expect(await planned("sauce_up", "before_end", "5", "", units, read)).toEqual({
      kind: "sauce",
      faces: "up",
      before_end_s: 300,
    });
    expect(await planned("spray", "share", "40 %", "", units, read)).toEqual({
      kind: "spray",
      share: 0.4,
    });
    expect(await planned("fat", "golden", "", "", units, read)).toEqual({
      kind: "baste",
      with: "fat",
      moment: "golden",
    });
    expect(await planned("open", "at", "5", "0.5", units, read)).toEqual({
      kind: "open",
      open_s: 30,
      at_s: 300,
    });
  });

  it("says what a share can be", async () => {
    await expect(planned("turn", "share", "120", "", units, read)).rejects.toThrow("1 to 95 %");
    await expect(planned("turn", "share", "soon", "", units, read)).rejects.toThrow("1 to 95 %");
  });
});
