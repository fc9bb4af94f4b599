// The sentence: the meat, the machine and the goal. Every bold word can be changed; usual words are folded away.
import { Box, Text } from "@chakra-ui/react";
import type { Catalogue, CutEntry, Machine, Plan, Problem, Request } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Word } from "../../components/Word";
import { KINDS } from "../../domain/kinds";
import { refusal } from "../../domain/message";
import { inMachine, usual } from "../../domain/request";
import { useShown } from "../../lib/remembered";
import { minutes, type Units } from "../../lib/units";
import { CutWord } from "./CutWord";
import { Details, detailsOf, type Place, Usual } from "./Details";
import { Refusal } from "./Refusal";
import { TargetWord } from "./TargetWord";
import { WhenWord } from "./WhenWord";
import { MassWord, PiecesWord, SettingWord, ThicknessWord } from "./words";

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
  const { catalogue, entry, request, eat, problem, units, onChange, onEat } = props;
  const [all, setAll] = useShown("details", false);
  const wrong = problem?.field;
  const plan = problem ? undefined : props.plan;
  const word = { request, entry, units, wrong, onChange };
  const details = detailsOf({
    ...word,
    catalogue,
    plan,
    startHint: worth(props.plan, "start"),
  });
  const at = (place: Place) => <Details details={details} place={place} all={all} />;
  return (
    <Box as="section" aria-label="What you cook">
      <Text textStyle="say" color="ink.say" maxW="sentence">
        Cook <PiecesWord {...word} />{" "}
        <CutWord
          label="Cut"
          text={request.pieces === 1 ? entry.name : entry.plural}
          catalogue={catalogue}
          chosen={request.cut}
          onChoose={(next) => {
            // Another cut is another cook: everything measured belongs to the old one.
            if (next.cut !== request.cut) {
              onChange({
                ...usual(next, request.machine, request.region),
                thickness_mm: undefined,
                setting_c: undefined,
                start_c: undefined,
              });
            }
          }}
        />
        , <MassWord {...word} />
        {request.pieces === 1 ? "" : " each"} and{" "}
        <ThicknessWord {...word} plan={props.plan} hint={worth(props.plan, "thickness")} /> thick
        {at("meat")}, in <MachineWord {...props} />
        {at("machine")} at <SettingWord {...word} plan={props.plan} />
        {at("dial")}
        {at("handling")}, until <TargetWord {...word} catalogue={catalogue} plan={plan} /> inside
        {at("goal")}, on the table <WhenWord eat={eat} onEat={onEat} />
        {all ? "." : ""}
        <Usual details={details} all={all} onShow={setAll} />
        {all ? "" : "."}
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

function MachineWord({ machines, request, onChange }: SentenceProps) {
  return (
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
    </Word>
  );
}
