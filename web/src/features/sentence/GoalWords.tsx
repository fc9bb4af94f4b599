// Work on the cut, the wanted outside, and the thermometer.
import type { Catalogue } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Word } from "../../components/Word";
import { handledAs } from "../../domain/leftOver";
import { textureOf } from "../../domain/request";
import { temperature } from "../../lib/units";
import type { WordProps } from "./words";

/** Rolled, stuffed, tenderised or left over: each with its safe minimum. */
export function HandlingWord({ request, entry, units, wrong, onChange }: WordProps) {
  const chosen = request.handling ?? "plain";
  // A cut that is never rolled or pierced is raw or cooked before.
  const name = (known: (typeof entry.handlings)[number]) =>
    known.handling === "plain" && entry.handlings.length === 2 ? "raw" : known.words;
  const words = (handling: (typeof entry.handlings)[number]) => {
    const floor = handling.floors.find((known) => known.region === request.region)?.floor;
    const least = floor?.core_c == null ? "" : ` Safe minimum ${temperature(floor.core_c, units)}.`;
    return `${handling.reason}${least}`;
  };
  const named = entry.handlings.find((known) => known.handling === chosen);
  return (
    <Word
      label="What was done to it"
      text={named ? name(named) : chosen}
      state={wrong === "handling" ? "wrong" : "told"}
    >
      {(close) => (
        <Choice
          items={entry.handlings.map((known) => ({
            value: known.handling,
            text: name(known),
            reason: words(known),
          }))}
          chosen={chosen}
          onChoose={(handling) => {
            onChange(handledAs(request, entry, handling));
            close();
          }}
        />
      )}
    </Word>
  );
}

export function OutsideWord({
  request,
  entry,
  onChange,
  catalogue,
}: WordProps & { catalogue: Catalogue }) {
  const texture = textureOf(entry, request.core_target_c) ?? entry.textures[0];
  const usual = entry.usual_outside[texture ? entry.textures.indexOf(texture) : 0];
  const chosen = request.outside ?? usual ?? "as_it_comes";
  return (
    <Word
      label="Outside"
      text={catalogue.outside.find((known) => known.outside === chosen)?.words ?? chosen}
      state={request.outside == null ? "guessed" : "told"}
    >
      {(close) => (
        <Choice
          items={catalogue.outside.map((known) => ({
            value: known.outside,
            text: known.outside === usual ? `${known.words} (usual)` : known.words,
            reason: known.reason,
          }))}
          chosen={chosen}
          onChoose={(outside) => {
            onChange({ outside });
            close();
          }}
        />
      )}
    </Word>
  );
}

/** The face that looks up first, where faces differ: skin, breast, the meat side of ribs. */
export function FirstUpWord({ request, entry, onChange }: WordProps) {
  const [show] = entry.faces ?? [];
  const chosen = request.first_up ?? entry.usual_first_up;
  const words = { show: `${show} up first`, other: `${show} down first` };
  const items = (["show", "other"] as const).map((value) => ({ value, text: words[value] }));
  return (
    <Word label="First up" text={words[chosen]}>
      {(close) => (
        <Choice
          items={items}
          chosen={chosen}
          onChoose={(first_up) => {
            onChange({ first_up });
            close();
          }}
        />
      )}
    </Word>
  );
}

const MEASURED = [
  {
    value: "there" as const,
    text: "checked with a thermometer",
    reason: "The only way to know that it is safe.",
  },
  {
    value: "none" as const,
    text: "without a thermometer",
    reason:
      "Time at the late end of what is likely, nothing left to the rest; poultry is not verified.",
  },
];

export function ThermometerWord({ request, onChange }: WordProps) {
  const chosen = request.thermometer === false ? "none" : "there";
  return (
    <Word label="Thermometer" text={MEASURED.find((one) => one.value === chosen)?.text ?? chosen}>
      {(close) => (
        <Choice
          items={MEASURED}
          chosen={chosen}
          onChoose={(thermometer) => {
            onChange({ thermometer: thermometer === "there" });
            close();
          }}
        />
      )}
    </Word>
  );
}
