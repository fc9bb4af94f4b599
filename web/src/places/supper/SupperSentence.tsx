// A supper as a sentence: for whom, when, with whose hands.
import { Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Supper } from "../../api/types";
import { Choice } from "../../components/Choice";
import { NameWord } from "../../components/NameWord";
import { QuantityInput } from "../../components/QuantityInput";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { onDay } from "../../features/supper/document";
import { clock, day, nextAt, zone } from "../../lib/clock";

interface SupperSentenceProps {
  supper: Supper;
  now: Date;
  wrong: string | null | undefined;
  onChange: (change: Partial<Supper>) => void;
}

const SOON = "soon";

export function SupperSentence({ supper, now, wrong, onChange }: SupperSentenceProps) {
  const serve = supper.serve_at ? new Date(supper.serve_at) : null;
  const count = { supper, wrong, onChange };
  return (
    <Text textStyle="say" color="ink.say" maxW="sentence" as="h1">
      <NameWord
        name={supper.name}
        most={80}
        wrong={wrong === "name"}
        onName={(name) => onChange({ name })}
      />{" "}
      for <Count {...count} label="Eaters" field="eaters" range={[1, 60]} />, on the table{" "}
      <Word
        label="Day"
        text={serve ? day(serve, now) : "as soon as it can be"}
        state={wrong === "serve_at" ? "wrong" : serve ? "told" : "guessed"}
      >
        {(close) => (
          <Choice
            items={[
              { value: SOON, text: "as soon as it can be" },
              ...[0, 1, 2].map((days) => ({
                value: String(days),
                text: day(onDay(serve ?? now, days, now), now),
              })),
            ]}
            chosen={serve ? "" : SOON}
            onChoose={(value) => {
              const usual = serve ?? new Date(new Date(now).setHours(19, 0, 0, 0));
              onChange({
                serve_at:
                  value === SOON ? undefined : onDay(usual, Number(value), now).toISOString(),
              });
              close();
            }}
          />
        )}
      </Word>
      {serve ? (
        <>
          {" at "}
          <Word
            label="On the table at"
            text={clock(serve)}
            state={wrong === "serve_at" ? "wrong" : "told"}
          >
            {(close) => (
              <ClockForm
                label="Time on the clock"
                value={clock(serve)}
                onTold={(text) => {
                  const at = nextAt(text, now);
                  if (!at) return false;
                  const next = new Date(serve);
                  next.setHours(at.getHours(), at.getMinutes(), 0, 0);
                  onChange({ serve_at: next.toISOString() });
                  close();
                  return true;
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
      text={quiet ? `from ${quiet.from} to ${quiet.to}` : "at no time"}
      state={wrong ? "wrong" : "told"}
    >
      {(close) => (
        <>
          <ClockForm
            label="From"
            value={quiet?.from ?? "22:00"}
            onTold={(from) => {
              onChange({ quiet: { from, to: quiet?.to ?? "07:00", zone: zone() } });
              return true;
            }}
          />
          <ClockForm
            label="To"
            value={quiet?.to ?? "07:00"}
            onTold={(to) => {
              onChange({ quiet: { from: quiet?.from ?? "22:00", to, zone: zone() } });
              close();
              return true;
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
            Somebody is always awake
          </Action>
        </>
      )}
    </Word>
  );
}

interface ClockFormProps {
  label: string;
  value: string;
  /** False for what is no time. */
  onTold: (text: string) => boolean;
}

function ClockForm({ label, value, onTold }: ClockFormProps) {
  const [typed, setTyped] = useState(value);
  const [wrong, setWrong] = useState(false);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        const at = nextAt(typed, new Date());
        setWrong(!at || !onTold(clock(at)));
      }}
    >
      <Flex gap="2" align="center" mb="2">
        <Input
          data-first
          aria-label={label}
          aria-invalid={wrong}
          textStyle="time"
          value={typed}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Action type="submit" look="solid">
          Set
        </Action>
      </Flex>
      {wrong ? (
        <Text role="alert" color="beet" textStyle="small" mb="2">
          “{typed}” is not a time of day; write it like 19:00.
        </Text>
      ) : null}
    </form>
  );
}
