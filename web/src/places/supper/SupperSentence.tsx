// A supper as a sentence: for whom, when, with whose hands.
import { Text } from "@chakra-ui/react";
import type { Supper } from "../../api/types";
import { Choice } from "../../components/Choice";
import { ClockForm } from "../../components/ClockForm";
import { NameWord } from "../../components/NameWord";
import { QuantityInput } from "../../components/QuantityInput";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { onDay, wantedAt } from "../../features/supper/document";
import { clock, clockText, day, nextAt, zone } from "../../lib/clock";

interface SupperSentenceProps {
  supper: Supper;
  now: Date;
  wrong: string | null | undefined;
  onChange: (change: Partial<Supper>) => void;
}

/** What the time is for. */
const AIMS = [
  { value: "table", text: "on the table" },
  { value: "leave", text: "kitchen work finished" },
  { value: "soon", text: "on the table as soon as possible" },
] as const;

type Aim = (typeof AIMS)[number]["value"];

export function SupperSentence({ supper, now, wrong, onChange }: SupperSentenceProps) {
  const at = wantedAt(supper);
  const aim: Aim = supper.leave_by ? "leave" : supper.serve_at ? "table" : "soon";
  const state = wrong === "serve_at" || wrong === "leave_by" ? "wrong" : "told";
  const count = { supper, wrong, onChange };
  const wish = (next: Aim, time: Date | null) => {
    const text = (time ?? new Date(new Date(now).setHours(19, 0, 0, 0))).toISOString();
    onChange({
      serve_at: next === "table" ? text : undefined,
      leave_by: next === "leave" ? text : undefined,
    });
  };
  return (
    <Text textStyle="say" color="ink.say" maxW="sentence" as="h1">
      <NameWord
        name={supper.name}
        most={80}
        wrong={wrong === "name"}
        onName={(name) => onChange({ name })}
      />{" "}
      for <Count {...count} label="Eaters" field="eaters" range={[1, 60]} />,{" "}
      <Word label="What for" text={AIMS.find(({ value }) => value === aim)?.text ?? ""}>
        {(close) => (
          <Choice
            items={[...AIMS]}
            chosen={aim}
            onChoose={(chosen) => {
              wish(chosen, at);
              close();
            }}
          />
        )}
      </Word>
      {at ? (
        <>
          {" "}
          <Word label="Day" text={day(at, now)} state={state}>
            {(close) => (
              <Choice
                items={[0, 1, 2].map((days) => ({
                  value: String(days),
                  text: day(onDay(at, days, now), now),
                }))}
                chosen=""
                onChoose={(value) => {
                  wish(aim, onDay(at, Number(value), now));
                  close();
                }}
              />
            )}
          </Word>
          {aim === "leave" ? " by " : " at "}
          <Word
            label={aim === "leave" ? "Finished by" : "On the table at"}
            text={clock(at)}
            state={state}
          >
            {(close) => (
              <ClockForm
                label="Time on the clock"
                value={clock(at)}
                onTold={(text) => {
                  const told = nextAt(text, now);
                  if (!told) return;
                  const next = new Date(at);
                  next.setHours(told.getHours(), told.getMinutes(), 0, 0);
                  wish(aim, next);
                  close();
                }}
              />
            )}
          </Word>
        </>
      ) : null}
      , with <Count {...count} label="Cooks" field="hands" range={[1, 4]} words={PAIRS} />,{" "}
      <Count
        {...count}
        label="Rings of the hob"
        field="rings"
        range={[0, 8]}
        words={["ring", "rings"]}
      />{" "}
      and{" "}
      <Count
        {...count}
        label="Free shelves of the fridge"
        field="shelves"
        range={[0, 8]}
        words={["shelf of the fridge", "shelves of the fridge"]}
      />
      ; nobody works <Quiet supper={supper} wrong={wrong === "quiet"} onChange={onChange} />.
    </Text>
  );
}

const PAIRS: [string, string] = ["pair of hands", "pairs of hands"];

interface CountProps {
  supper: Supper;
  wrong: string | null | undefined;
  onChange: (change: Partial<Supper>) => void;
  label: string;
  field: "eaters" | "hands" | "rings" | "shelves";
  range: [number, number];
  words?: [string, string];
}

function Count({ supper, wrong, onChange, label, field, range, words }: CountProps) {
  const value = supper[field];
  const [least, most] = range;
  const word = words ? ` ${value === 1 ? words[0] : words[1]}` : "";
  return (
    <Word label={label} text={`${value}${word}`} state={wrong === field ? "wrong" : "told"}>
      {(close) => (
        <QuantityInput
          label={label}
          value={value}
          show={(shown) => String(Math.round(shown))}
          understand={async (text) => {
            const number = Number(text);
            if (Number.isInteger(number) && number >= least && number <= most) return number;
            throw new Error(`Write a whole number from ${least} to ${most}.`);
          }}
          range={[least, Math.min(most, 16)]}
          step={1}
          onChange={(next) => onChange({ [field]: Math.round(next) })}
          onDone={close}
        />
      )}
    </Word>
  );
}

interface QuietProps {
  supper: Supper;
  wrong: boolean;
  onChange: (change: Partial<Supper>) => void;
}

function Quiet({ supper, wrong, onChange }: QuietProps) {
  const { quiet } = supper;
  return (
    <Word
      label="Nobody works"
      text={quiet ? `from ${clockText(quiet.from)} to ${clockText(quiet.to)}` : "at no time"}
      state={wrong ? "wrong" : "told"}
    >
      {(close) => (
        <>
          <ClockForm
            label="From"
            value={clockText(quiet?.from ?? "22:00")}
            onTold={(from) => onChange({ quiet: { from, to: quiet?.to ?? "07:00", zone: zone() } })}
          />
          <ClockForm
            label="To"
            value={clockText(quiet?.to ?? "07:00")}
            onTold={(to) => {
              onChange({ quiet: { from: quiet?.from ?? "22:00", to, zone: zone() } });
              close();
            }}
          />
          <Action
            type="button"
            look="plain"
            onClick={() => {
              onChange({ quiet: undefined });
              close();
            }}
          >
            No quiet hours
          </Action>
        </>
      )}
    </Word>
  );
}
