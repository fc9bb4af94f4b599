// The words of a sentence that are usual most of the time: folded away while they are, shown where one
// of them says something else or is refused.
import { Fragment, type ReactNode } from "react";
import type { Catalogue, CutEntry, Plan, Request } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { isSauced, turnsAll } from "../../domain/actions";
import { isSame } from "../../domain/surface";
import type { Units } from "../../lib/units";
import { ActionsWord } from "./ActionsWord";
import { FinishWord } from "./FinishWord";
import { FirstUpWord, HandlingWord, OutsideWord, ThermometerWord } from "./GoalWords";
import { MethodWord } from "./MethodWord";
import { ProgrammeWord } from "./ProgrammeWord";
import { SauceWord } from "./SauceWord";
import { SurfaceWord } from "./SurfaceWord";
import { StartWord } from "./words";

interface DetailsOf {
  catalogue: Catalogue;
  entry: CutEntry;
  request: Request;
  plan: Plan | undefined;
  units: Units;
  /** The field a refusal names. */
  wrong: string | null | undefined;
  /** What the guess at the start temperature is worth. */
  startHint: string | undefined;
  onChange: (change: Partial<Request>) => void;
}

/** Where in the sentence a detail stands. */
export type Place = "meat" | "machine" | "dial" | "handling" | "goal";

interface Detail {
  place: Place;
  /** What it is joined to the words before with. */
  lead: string;
  word: ReactNode;
  usual: boolean;
  /** Fields of a refusal it answers to. */
  fields: string[];
}

/** The support turns the pieces. */
const turnsItself = ({ support }: Request) => support === "spit" || support === "tumbling_basket";

const supports = (catalogue: Catalogue, { machine }: Request) =>
  catalogue.support.filter(
    ({ support }) =>
      (support !== "spit" || machine.spit) && (support !== "tumbling_basket" || machine.tumbler_l),
  );

/** One detail of a sentence; nothing where it makes no sense. */
type Rule = (of: DetailsOf) => Detail | false;

const start: Rule = (of) => ({
  place: "meat",
  lead: ", ",
  word: <StartWord {...of} hint={of.startHint} />,
  usual: of.request.start === "fridge",
  fields: ["start_c"],
});

const surface: Rule = ({ catalogue, entry, request, wrong, onChange }) => ({
  place: "meat",
  lead: ", ",
  word: (
    <SurfaceWord
      catalogue={catalogue}
      entry={entry}
      surface={request.surface}
      wrong={wrong === "surface"}
      onChange={(surface) => onChange({ surface })}
    />
  ),
  usual: isSame(request.surface, entry.usual_surface),
  fields: ["surface"],
});

const handling: Rule = (of) =>
  of.entry.handlings.length > 1 && {
    place: "meat",
    lead: ", ",
    word: <HandlingWord {...of} />,
    usual: (of.request.handling ?? "plain") === "plain",
    fields: ["handling"],
  };

const support: Rule = (of) => ({
  place: "machine",
  lead: ", ",
  word: <SupportWord {...of} />,
  usual: (of.request.support ?? "basket") === "basket",
  fields: ["support"],
});

const loading: Rule = ({ catalogue, request, onChange }) =>
  request.pieces > 1 && {
    place: "machine",
    lead: ", ",
    word: (
      <MethodWord
        label="Loading"
        methods={catalogue.load}
        chosen={request.load ?? "with_air"}
        onChoose={(load) => onChange({ load })}
      />
    ),
    usual: (request.load ?? "with_air") === "with_air",
    fields: ["load"],
  };

const programme: Rule = (of) => ({
  place: "dial",
  lead: " ",
  word: <ProgrammeWord {...of} />,
  usual: !of.request.programme,
  fields: ["programme.stage_setting_c", "stage_setting_c", "stage_s"],
});

const preheating: Rule = ({ catalogue, request, onChange }) => ({
  place: "dial",
  lead: ", ",
  word: (
    <MethodWord
      label="Preheating"
      methods={catalogue.preheat}
      chosen={request.preheat}
      onChoose={(preheat) => onChange({ preheat })}
    />
  ),
  usual: request.preheat === "thin_only",
  fields: ["preheat"],
});

const turning: Rule = ({ catalogue, entry, request, onChange }) =>
  !turnsItself(request) &&
  !(request.actions ?? []).some(turnsAll) && {
    place: "handling",
    lead: ", ",
    word: (
      <MethodWord
        label="Turning"
        methods={catalogue.turn}
        chosen={request.turn}
        onChoose={(turn) => onChange({ turn })}
      />
    ),
    usual: request.turn === entry.usual_turn,
    fields: ["turn"],
  };

const firstUp: Rule = (of) =>
  !turnsItself(of.request) &&
  of.entry.faces != null && {
    place: "handling",
    lead: ", ",
    word: <FirstUpWord {...of} />,
    usual: (of.request.first_up ?? of.entry.usual_first_up) === of.entry.usual_first_up,
    fields: ["first_up"],
  };

const sauce: Rule = (of) => ({
  place: "handling",
  lead: ", ",
  word: <SauceWord {...of} />,
  usual: !isSauced(of.request),
  fields: ["sauce"],
});

const actions: Rule = (of) => ({
  place: "handling",
  lead: ", ",
  word: <ActionsWord {...of} />,
  usual: (of.request.actions ?? []).length === 0,
  fields: ["actions", "actions.at_s"],
});

const outside: Rule = (of) => ({
  place: "goal",
  lead: " and ",
  word: (
    <>
      <OutsideWord {...of} /> outside
    </>
  ),
  usual: of.request.outside == null,
  fields: ["outside"],
});

const finish: Rule = (of) => ({
  place: "goal",
  lead: ", ",
  word: <FinishWord {...of} />,
  usual: of.request.finish == null,
  fields: ["finish", "finish_s", "finish.setting_c"],
});

const thermometer: Rule = (of) => ({
  place: "goal",
  lead: ", ",
  word: <ThermometerWord {...of} />,
  usual: of.request.thermometer !== false,
  fields: ["thermometer"],
});

/** In the order of the sentence. */
const RULES = [
  start,
  surface,
  handling,
  support,
  loading,
  programme,
  preheating,
  turning,
  firstUp,
  sauce,
  actions,
  outside,
  finish,
  thermometer,
];

export const detailsOf = (of: DetailsOf): Detail[] =>
  RULES.map((rule) => rule(of))
    .filter((one) => one !== false)
    .map((one) => (one.fields.some((field) => field === of.wrong) ? said(one) : one));

/** A refused word is never folded away. */
const said = (detail: Detail): Detail => ({ ...detail, usual: false });

function SupportWord({ catalogue, request, wrong, onChange }: DetailsOf) {
  const chosen = request.support ?? "basket";
  return (
    <Word
      label="How it is held"
      text={catalogue.support.find((one) => one.support === chosen)?.words ?? chosen}
      state={wrong === "support" ? "wrong" : "told"}
    >
      {(close) => (
        <Choice
          items={supports(catalogue, request).map((one) => ({
            value: one.support,
            text: one.words,
            reason: one.reason,
          }))}
          chosen={chosen}
          onChoose={(support) => {
            onChange({ support });
            close();
          }}
        />
      )}
    </Word>
  );
}

interface DetailsProps {
  details: Detail[];
  place: Place;
  /** Whether the usual ones are shown too. */
  all: boolean;
}

/** The details of one place in the sentence. */
export const Details = ({ details, place, all }: DetailsProps) =>
  details.map((one) =>
    one.place === place && (all || !one.usual) ? (
      // A word that is being changed stays open, whatever comes and goes before it.
      <Fragment key={one.fields[0]}>
        {one.lead}
        {one.word}
      </Fragment>
    ) : null,
  );

interface UsualProps {
  details: Detail[];
  all: boolean;
  onShow: (all: boolean) => void;
}

/** "and 9 usual details": shows them, and folds them again. */
export function Usual({ details, all, onShow }: UsualProps) {
  const usual = details.filter((one) => one.usual).length;
  if (usual === 0) return null;
  return (
    <>
      {all ? " " : ", and "}
      <Action
        type="button"
        look="inline"
        color="ink.say"
        fontWeight="450"
        aria-expanded={all}
        onClick={() => onShow(!all)}
      >
        {all ? "Fold usual details" : `${usual} usual ${usual === 1 ? "detail" : "details"}`}
      </Action>
    </>
  );
}
