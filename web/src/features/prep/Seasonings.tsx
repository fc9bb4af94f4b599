// The seasonings of the meat as words: each can be removed, salt can be changed, others can be added.
import type { Seasoning } from "../../api/types";
import { Choice } from "../../components/Choice";
import { QuantityInput } from "../../components/QuantityInput";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { share } from "../../lib/units";
import { SALT_PERCENT, SEASONING_KINDS, SEASONINGS } from "./method";

interface SeasoningsProps {
  seasonings: Seasoning[];
  onChange: (seasonings: Seasoning[]) => void;
}

const MOST = 12;

export function Seasonings({ seasonings, onChange }: SeasoningsProps) {
  const left = SEASONING_KINDS.filter((kind) => !seasonings.some((one) => one.kind === kind));
  return (
    <>
      {seasonings.map((one, n) => (
        <span key={one.kind}>
          {n > 0 ? ", " : ""}
          <Word
            label={`On it: ${SEASONINGS[one.kind]}`}
            text={
              one.salt_percent == null
                ? SEASONINGS[one.kind]
                : `${share(one.salt_percent / 100, 1)} ${SEASONINGS[one.kind]}`
            }
          >
            {(close) => (
              <>
                {one.salt_percent == null ? null : (
                  <QuantityInput
                    label="Salt"
                    value={one.salt_percent}
                    show={(percent) => share(percent / 100, 1)}
                    understand={async (text) => {
                      const told = Number.parseFloat(text.replace(",", "."));
                      if (told > 0 && told <= MOST) return told;
                      throw new Error(`Write more than 0 % and at most ${MOST} %.`);
                    }}
                    range={[0.1, MOST]}
                    step={0.1}
                    onChange={(salt_percent) =>
                      onChange(
                        seasonings.map((known) =>
                          known === one ? { ...one, salt_percent } : known,
                        ),
                      )
                    }
                    onDone={close}
                  />
                )}
                <Action
                  type="button"
                  look="plain"
                  data-first={one.salt_percent == null ? true : undefined}
                  onClick={() => {
                    onChange(seasonings.filter((known) => known !== one));
                    close();
                  }}
                >
                  Remove
                </Action>
              </>
            )}
          </Word>
        </span>
      ))}
      {seasonings.length === 0 ? "nothing yet, and " : " and "}
      <Word label="Something more on it" text="something more" state="guessed">
        {(close) => (
          <Choice<string>
            items={left.map((kind) => ({ value: kind, text: SEASONINGS[kind] }))}
            chosen=""
            onChoose={(chosen) => {
              const kind = left.find((one) => one === chosen);
              if (kind) onChange([...seasonings, { kind, salt_percent: SALT_PERCENT[kind] }]);
              close();
            }}
          />
        )}
      </Word>
    </>
  );
}
