import { describe, expect, it } from "vitest";
import type { Catalogue, CutEntry } from "../api/types";
import { asNow } from "../lib/earlier";
import { surfaceWords } from "./surface";

const entry = {
  surfaces: [
    { surface: [], words: "wet from the package" },
    { surface: ["patted_dry", "oil"], words: "patted dry and oiled" },
  ],
} as unknown as CutEntry;
const layers = [
  { layer: "patted_dry", words: "patted dry" },
  { layer: "oil", words: "oil" },
  { layer: "starch", words: "starch" },
] as Catalogue["layers"];

describe("a surface", () => {
  it("has the name that cooks use, or lists its layers", () => {
    expect(surfaceWords([], entry, layers)).toBe("wet from the package");
    expect(surfaceWords(["patted_dry", "oil"], entry, layers)).toBe("patted dry and oiled");
    expect(surfaceWords(["patted_dry", "oil", "starch"], entry, layers)).toBe(
      "patted dry, oil, starch",
    );
  });

  it("of an earlier version is read, wherever it stands", () => {
    const text = '{"request":{"coat":"floured","method":{"coat":"wet"}},"other":{"coat":7}}';
    expect(JSON.parse(text, asNow)).toEqual({
      request: { surface: ["patted_dry", "flour", "spray"], method: { surface: [] } },
      other: { coat: 7 },
    });
    const now = { surface: ["oil"] };
    expect(JSON.parse(JSON.stringify(now), asNow)).toEqual(now);
  });
});
