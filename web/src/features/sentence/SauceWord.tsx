// When sauce goes on: by a method, or face by face at minutes of the cook's own, with the recipe it comes from.
import type { Catalogue, PlannedAction } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Word } from "../../components/Word";
import { brushesSauce } from "../../domain/actions";
import { RecipeWord } from "../prep/RecipeWord";
import type { WordProps } from "./words";

type Sauce = Catalogue["sauce"][number]["method"];
const BY_FACE = "by_face";

/** As usual in kitchens: the side that looks up ten minutes before the end, then all over. */
const USUAL: PlannedAction[] = [
  { kind: "sauce", faces: "up", before_end_s: 600 },
  { kind: "sauce", faces: "both", before_end_s: 300 },
];

export function SauceWord({
  catalogue,
  request,
  wrong,
  onChange,
}: WordProps & { catalogue: Catalogue }) {
  const actions = request.actions ?? [];
  const byFace = actions.some(brushesSauce);
  const chosen: Sauce | typeof BY_FACE = byFace ? BY_FACE : request.sauce;
  const items = [
    ...catalogue.sauce.map((one) => ({ value: one.method, text: one.words, reason: one.reason })),
    {
      value: BY_FACE as typeof BY_FACE,
      text: "sauced by face and minute",
      reason: "As often as you like; each time is among what is planned on the way.",
    },
  ];
  return (
    <>
      <Word
        label="Sauce"
        text={items.find((one) => one.value === chosen)?.text ?? chosen}
        state={wrong === "sauce" ? "wrong" : "told"}
      >
        {(close) => (
          <Choice<Sauce | typeof BY_FACE>
            items={items}
            chosen={chosen}
            onChoose={(next) => {
              const others = actions.filter((one) => !brushesSauce(one));
              if (next !== BY_FACE) onChange({ sauce: next, actions: others });
              else if (!byFace) onChange({ sauce: "none", actions: [...others, ...USUAL] });
              close();
            }}
          />
        )}
      </Word>
      {chosen === "none" ? null : (
        <>
          {" with "}
          <RecipeWord
            kind="sauce"
            recipes={request.recipes ?? []}
            onRecipes={(recipes) => onChange({ recipes })}
          />
        </>
      )}
    </>
  );
}
