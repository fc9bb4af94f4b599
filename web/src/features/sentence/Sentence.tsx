// The sentence: what goes into which machine, until when. Every bold word can be changed.
import { Box, Text } from "@chakra-ui/react";
import type { Catalogue, CutEntry, Machine, Plan, Problem, Request } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Word } from "../../components/Word";
import { KINDS } from "../../domain/kinds";
import { refusal } from "../../domain/message";
import { inMachine, usual } from "../../domain/request";
import { minutes, type Units } from "../../lib/units";
import { ActionsWord } from "./ActionsWord";
import { turnsAll } from "./actions";
import { FirstUpWord, HandlingWord, OutsideWord, ThermometerWord } from "./GoalWords";
import { ProgrammeWord } from "./ProgrammeWord";
import { Refusal } from "./Refusal";
import { TargetWord } from "./TargetWord";
import { WhenWord } from "./WhenWord";
import { MassWord, PiecesWord, SettingWord, StartWord, ThicknessWord } from "./words";

export interface SentenceProps {
  catalogue: Catalogue;
  entry: CutEntry;
  machines: Machine[];
  request: Request;
  eat: string | null;
  plan: Plan | undefined;
  problem: Problem | null;
  units: Units;
  onChange: (change: Partial<Request>) => void;
  onEat: (eat: string | null) => void;
}

/** What an assumption is worth, from the plan at hand. */
function worth(plan: Plan | undefined, kind: string): string | undefined {
  const found = plan?.assumptions.find((assumption) => assumption.kind === kind);
  return found ? `± ${minutes(Math.max(30, found.worth_s))}` : undefined;
}

export function Sentence(props: SentenceProps) {
  const { catalogue, entry, machines, request, eat, plan, problem, units, onChange, onEat } = props;
  const wrong = problem?.field;
  const word = { request, entry, units, wrong, onChange };
  const held = catalogue.support.filter(
    ({ support }) =>
      (support !== "spit" || request.machine.spit) &&
      (support !== "tumbling_basket" || request.machine.tumbler_l),
  );
  return (
    <Box as="section" aria-label="What you cook">
      <Text textStyle="say" color="ink.say" maxW="sentence">
        Cook <PiecesWord {...word} />{" "}
        <Word label="Cut" text={request.pieces === 1 ? entry.name : entry.plural}>
          {(close) => (
            <Choice
              items={catalogue.cuts.map((cut) => ({ value: cut.cut, text: cut.plural }))}
              chosen={request.cut}
              onChoose={(cut) => {
                const next = catalogue.cuts.find((known) => known.cut === cut);
                if (next && cut !== request.cut) {
                  // Another cut is another cook: everything measured belongs to the old one.
                  onChange({
                    ...usual(next, request.machine, request.region),
                    thickness_mm: undefined,
                    setting_c: undefined,
                    start_c: undefined,
                  });
                }
                close();
              }}
            />
          )}
        </Word>
        , <MassWord {...word} /> each and{" "}
        <ThicknessWord {...word} plan={plan} hint={worth(plan, "thickness")} /> thick,{" "}
        <StartWord {...word} hint={worth(plan, "start")} />,{" "}
        <Word label="Surface" text={coatWords(entry, request)}>
          {(close) => (
            <Choice
              items={entry.coats.map((coat) => ({ value: coat.coat, text: coat.words }))}
              chosen={request.coat}
              onChoose={(coat) => {
                onChange({ coat });
                close();
              }}
            />
          )}
        </Word>
        {entry.handlings.length > 1 ? (
          <>
            , <HandlingWord {...word} />
          </>
        ) : null}
        , in{" "}
        <Word label="Machine" text={request.machine.name}>
          {(close) => (
            <Choice
              items={machines.map((machine) => ({
                value: machine.name,
                text: machine.name,
                reason: `${KINDS[machine.kind]}, ${machine.power_w} W`,
              }))}
              chosen={request.machine.name}
              onChoose={(name) => {
                const machine = machines.find((known) => known.name === name);
                if (machine) onChange(inMachine(request, machine));
                close();
              }}
            />
          )}
        </Word>{" "}
        <Word
          label="How it is held"
          text={supportWords(catalogue, request)}
          state={wrong === "support" ? "wrong" : "told"}
        >
          {(close) => (
            <Choice
              items={held.map((known) => ({
                value: known.support,
                text: known.words,
                reason: known.reason,
              }))}
              chosen={request.support ?? "basket"}
              onChoose={(support) => {
                onChange({ support });
                close();
              }}
            />
          )}
        </Word>
        {request.pieces > 1 ? (
          <>
            {" "}
            <School
              label="Loading"
              schools={catalogue.load}
              chosen={request.load ?? "with_air"}
              onChoose={(load) => onChange({ load })}
            />
          </>
        ) : null}{" "}
        at <SettingWord {...word} plan={plan} /> <ProgrammeWord {...word} plan={plan} />,{" "}
        <School
          label="Preheating"
          schools={catalogue.preheat}
          chosen={request.preheat}
          onChoose={(preheat) => onChange({ preheat })}
        />
        {turnsItself(request) || (request.actions ?? []).some(turnsAll) ? null : (
          <>
            ,{" "}
            <School
              label="Turning"
              schools={catalogue.turn}
              chosen={request.turn}
              onChoose={(turn) => onChange({ turn })}
            />
          </>
        )}
        {entry.faces && !turnsItself(request) ? (
          <>
            , <FirstUpWord {...word} />
          </>
        ) : null}
        ,{" "}
        <School
          label="Sauce"
          schools={catalogue.sauce}
          chosen={request.sauce}
          onChoose={(sauce) => onChange({ sauce })}
        />
        , <ActionsWord {...word} plan={problem ? undefined : plan} />, until{" "}
        <TargetWord {...word} catalogue={catalogue} plan={problem ? undefined : plan} /> inside and{" "}
        <OutsideWord {...word} catalogue={catalogue} /> outside, <ThermometerWord {...word} />, on
        the table <WhenWord eat={eat} onEat={onEat} />.
      </Text>
      {problem ? (
        <Refusal
          problem={problem}
          request={request}
          text={refusal(problem, units)}
          onChange={onChange}
        />
      ) : null}
    </Box>
  );
}

/** What turns by itself is not turned. */
const turnsItself = ({ support }: Request) => support === "spit" || support === "tumbling_basket";

const supportWords = (catalogue: Catalogue, request: Request) =>
  catalogue.support.find((known) => known.support === (request.support ?? "basket"))?.words ??
  "in the basket";

const coatWords = (entry: CutEntry, request: Request) =>
  entry.coats.find((coat) => coat.coat === request.coat)?.words ?? request.coat;

interface SchoolProps<T extends string> {
  label: string;
  schools: { school: T; words: string; reason: string }[];
  chosen: T;
  onChoose: (school: T) => void;
}

/** A question on which practitioners disagree: each school with its reason. */
function School<T extends string>({ label, schools, chosen, onChoose }: SchoolProps<T>) {
  const words = schools.find((known) => known.school === chosen)?.words ?? chosen;
  return (
    <Word label={label} text={words}>
      {(close) => (
        <Choice
          items={schools.map(({ school, words: text, reason }) => ({
            value: school,
            text,
            reason,
          }))}
          chosen={chosen}
          onChoose={(school) => {
            onChoose(school);
            close();
          }}
        />
      )}
    </Word>
  );
}
