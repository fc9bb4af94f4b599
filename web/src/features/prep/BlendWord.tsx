// Which rub: any, or a blend of the kitchen's.
import { useQuery } from "@tanstack/react-query";
import { blendsQuery } from "../../api/queries";
import type { Blend } from "../../api/types";
import { Choice } from "../../components/Choice";
import { PlaceLink } from "../../components/PlaceLink";
import { Word } from "../../components/Word";

interface BlendWordProps {
  blend: Blend | null | undefined;
  onBlend: (blend: Blend | undefined) => void;
}

const ANY = "";

export function BlendWord({ blend, onBlend }: BlendWordProps) {
  const kept = useQuery(blendsQuery());
  const blends = (kept.data?.items ?? []).map((one) => one.blend);
  if (blend && !blends.some((known) => known.name === blend.name)) blends.push(blend);
  return (
    <Word
      label="Rub"
      text={blend ? blend.name : "any rub, without salt"}
      state={blend ? "told" : "guessed"}
    >
      {(close) => (
        <>
          <Choice<string>
            items={[
              { value: ANY, text: "any rub, without salt" },
              ...blends.map((known) => ({
                value: known.name,
                text: known.name,
                reason: known.parts.map((part) => part.what).join(", "),
              })),
            ]}
            chosen={blend?.name ?? ANY}
            onChoose={(name) => {
              onBlend(blends.find((known) => known.name === name));
              close();
            }}
          />
          <PlaceLink
            to="/kitchen"
            hash="blends"
            textStyle="small"
            textDecoration="underline"
            textUnderlineOffset="3px"
          >
            Mix another one
          </PlaceLink>
        </>
      )}
    </Word>
  );
}
