import { describe, expect, it } from "vitest";
import type { Catalogue } from "../api/types";
import { alsoCalled, findCuts } from "./cuts";

const cut = (name: string, plural: string, other_names: string[]) => ({
  cut: name,
  name,
  plural,
  other_names,
});
const catalogue = {
  cuts: [
    cut("party wing", "party wings", ["wing", "buffet wing"]),
    cut("rib tip", "rib tips", ["riblet", "riblets"]),
    cut("beef roast", "beef roasts", ["topside", "joint"]),
    cut("bone-in rib steak", "bone-in rib steaks", ["entrecôte"]),
  ],
  not_yet: [{ names: ["gammon", "ham"], reason: "Cured meat is not planned yet.", nearest: null }],
} as unknown as Catalogue;
const found = (text: string) => findCuts(catalogue, text).cuts.map((one) => one.name);

describe("finding a cut", () => {
  it("by its own name first, then by others", () => {
    expect(found("rib")).toEqual(["rib tip", "bone-in rib steak"]);
    expect(found("wings")).toEqual(["party wing"]);
    expect(found("TOPSIDE")).toEqual(["beef roast"]);
    expect(found("entrecote")).toEqual(["bone-in rib steak"]);
    expect(found("xyz")).toEqual([]);
    expect(found("")).toHaveLength(4);
  });

  it("and says under which name, and what is not cooked yet", () => {
    const [ribs] = findCuts(catalogue, "riblet").cuts;
    expect(ribs && alsoCalled(ribs, "riblet")).toBe("riblet");
    expect(ribs && alsoCalled(ribs, "rib tip")).toBeUndefined();
    expect(findCuts(catalogue, "ham").notYet).toHaveLength(1);
    expect(findCuts(catalogue, "wing").notYet).toHaveLength(0);
  });
});
