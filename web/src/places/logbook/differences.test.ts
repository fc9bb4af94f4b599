import { expect, test } from "vitest";
import type { Catalogue, Cook } from "../../api/types";
import { optionsOf } from "../../components/Pick";
import { outsideWords } from "../../features/course/OutcomeForm";
import { differences } from "./differences";

const units = { temperature: "celsius", weight: "metric" } as const;
const catalogue = {
  cuts: [
    {
      cut: "pork_chop",
      plural: "bone-in pork chops",
      surfaces: [{ surface: ["patted_dry"], words: "patted dry" }],
    },
  ],
  layers: [
    { layer: "patted_dry", words: "patted dry" },
    { layer: "flour", words: "floured" },
  ],
} as unknown as Pick<Catalogue, "cuts" | "layers">;

function cook(surface: string[], more: object) {
  return {
    request: { cut: "pork_chop", pieces: 2, piece_mass_g: 230, surface, machine: { name: "drum" } },
    plan: {
      thickness_mm: 27,
      setting_c: 200,
      pull_at_s: 900,
      core_target_c: 63,
      steps: [],
    },
    events: [],
    course: { steps: [], outcome: { crispness: 4, doneness: 3, note: "", by: "", ...more } },
  } as unknown as Cook;
}

test("two cooks differ in the words of the catalogue, and in who cooked", () => {
  const found = differences(
    cook(["patted_dry"], { by: "Wren", colour: "paler" }),
    cook(["patted_dry", "flour"], {}),
    catalogue,
    units as never,
  );
  expect(found).toEqual([
    { what: "Surface", first: "patted dry", second: "patted dry, floured" },
    { what: "Outside", first: "crisp, paler than planned", second: "crisp" },
    { what: "Cooked by", first: "Wren", second: "" },
  ]);
});

test("a colour as planned is not worth a word", () => {
  const outcome = { crispness: 5, doneness: 3, note: "", by: "" };
  expect(outsideWords({ ...outcome, colour: "as_planned" })).toBe("very crisp");
  expect(outsideWords(outcome)).toBe("very crisp");
  expect(outsideWords({ ...outcome, crispness: 1, colour: "darker" })).toBe(
    "soggy, darker than planned",
  );
});

test("words become a list to pick from", () => {
  expect(optionsOf({ a: "one", b: "two" })).toEqual([
    { value: "a", text: "one" },
    { value: "b", text: "two" },
  ]);
  expect(optionsOf({ a: { words: "one" } }, ({ words }) => words)).toEqual([
    { value: "a", text: "one" },
  ]);
});
