// A recipe as it is typed: a line an ingredient, a line a step.
import type { Recipe, RecipeKind } from "../../api/types";
import { lineOf } from "../../domain/recipe";

export interface TypedRecipe {
  name: string;
  kind: RecipeKind;
  /** "2 tbsp soy sauce", a line each. */
  items: string;
  /** "Simmer it (5 min)", a line each. */
  steps: string;
  notes: string;
  serves: string;
  /** What the cook knows better than the shelf, by ingredient: allergens, commas between them. */
  allergens: Record<string, string>;
}

export const KINDS: { value: RecipeKind; text: string }[] = [
  { value: "rub", text: "rub" },
  { value: "marinade", text: "marinade" },
  { value: "sauce", text: "sauce" },
  { value: "glaze", text: "glaze" },
  { value: "gravy", text: "gravy" },
  { value: "side", text: "side dish" },
];

export const typed = (recipe: Recipe): TypedRecipe => ({
  name: recipe.name,
  kind: recipe.kind,
  items: recipe.items.map(lineOf).join("\n"),
  steps: (recipe.steps ?? [])
    .map(({ what, time_s }) => (time_s ? `${what} (${Math.round(time_s / 60)} min)` : what))
    .join("\n"),
  notes: recipe.notes ?? "",
  serves: recipe.serves ? String(recipe.serves) : "",
  allergens: Object.fromEntries(
    recipe.items.flatMap(({ what, allergens }) =>
      allergens ? [[what, allergens.join(", ")]] : [],
    ),
  ),
});

const MINUTES = /\s*\((\d+)\s*min\)\s*$/;

const words = (text: string) =>
  text
    .split("\n")
    .map((line) => line.trim())
    .filter((line) => line !== "");

/** The typed recipe with its ingredients as the server read them. `known`: those of the recipe that was opened, which
 * keep what was said of their salt and sugar. */
export function told(recipe: TypedRecipe, items: Recipe["items"], known: Recipe["items"]): Recipe {
  const serves = Number(recipe.serves);
  return {
    name: recipe.name.trim(),
    kind: recipe.kind,
    items: items.map((item) => {
      const before = known.find((one) => one.what === item.what);
      const said = recipe.allergens[item.what];
      return {
        ...item,
        ...(before?.salt_percent == null ? {} : { salt_percent: before.salt_percent }),
        ...(before?.sugar_percent == null ? {} : { sugar_percent: before.sugar_percent }),
        ...(said === undefined
          ? {}
          : {
              allergens: said
                .split(",")
                .map((one) => one.trim())
                .filter((one) => one !== ""),
            }),
      };
    }),
    steps: words(recipe.steps).map((line) => {
      const minutes = MINUTES.exec(line)?.[1];
      const what = line.replace(MINUTES, "");
      return minutes ? { what, time_s: Number(minutes) * 60 } : { what };
    }),
    notes: recipe.notes.trim(),
    ...(Number.isInteger(serves) && serves > 0 ? { serves } : {}),
  };
}
