// Which recipe for what goes on the meat: any, or one of the kitchen's.
import { useQuery } from "@tanstack/react-query";
import { recipesQuery } from "../../api/queries";
import type { Recipe, RecipeKind, Seasoning } from "../../api/types";
import { Choice } from "../../components/Choice";
import { PlaceLink } from "../../components/PlaceLink";
import { Word } from "../../components/Word";

interface RecipeWordProps {
  kind: RecipeKind;
  recipes: Recipe[];
  onRecipes: (recipes: Recipe[]) => void;
}

const ANY = "";

const ANYTHING: Record<RecipeKind, string> = {
  rub: "any rub, without salt",
  marinade: "any marinade",
  sauce: "any sauce",
  glaze: "any glaze",
  gravy: "any gravy",
  side: "anything",
};

/** The seasonings that can have a recipe. */
const OF_SEASONING: Partial<Record<Seasoning["kind"], RecipeKind>> = {
  rub: "rub",
  marinade: "marinade",
  wet_marinade: "marinade",
  glaze: "glaze",
  butter_sauce: "sauce",
  sauce: "sauce",
};

export function recipeKinds(seasonings: Seasoning[], sauced: boolean): RecipeKind[] {
  const kinds = seasonings.flatMap((one) => OF_SEASONING[one.kind] ?? []);
  return [...new Set(sauced ? [...kinds, "sauce" as const] : kinds)];
}

export function RecipeWord({ kind, recipes, onRecipes }: RecipeWordProps) {
  const kept = useQuery(recipesQuery());
  const chosen = recipes.find((one) => one.kind === kind);
  // A glaze is a sauce that is brushed on.
  const fits = (one: Recipe) => one.kind === kind || (kind === "sauce" && one.kind === "glaze");
  const known = (kept.data?.items ?? []).map((one) => one.recipe).filter(fits);
  if (chosen && !known.some((one) => one.name === chosen.name)) known.push(chosen);
  const choose = (name: string) => {
    const next = known.find((one) => one.name === name);
    const others = recipes.filter((one) => one.kind !== kind);
    onRecipes(next ? [...others, { ...next, kind }] : others);
  };
  return (
    <Word
      label={kind.replace(/^./, (letter) => letter.toUpperCase())}
      text={chosen ? chosen.name : ANYTHING[kind]}
      state={chosen ? "told" : "guessed"}
    >
      {(close) => (
        <>
          <Choice<string>
            items={[
              { value: ANY, text: ANYTHING[kind] },
              ...known.map((one) => ({
                value: one.name,
                text: one.name,
                reason: one.items.map((item) => item.what).join(", "),
              })),
            ]}
            chosen={chosen?.name ?? ANY}
            onChoose={(name) => {
              choose(name);
              close();
            }}
          />
          <PlaceLink
            to="/kitchen"
            hash="recipes"
            textStyle="small"
            textDecoration="underline"
            textUnderlineOffset="3px"
          >
            Write another one
          </PlaceLink>
        </>
      )}
    </Word>
  );
}
