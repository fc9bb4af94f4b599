// The words that hold a number.
import { Box, Flex } from "@chakra-ui/react";
import { reader, readTime } from "../../api/reader";
import type { CutEntry, Plan, Request } from "../../api/types";
import { Choice } from "../../components/Choice";
import { QuantityInput } from "../../components/QuantityInput";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { onDial } from "../../domain/dialled";
import { useShown } from "../../lib/remembered";
import * as show from "../../lib/units";
import { MOST_PIECES, OneByOne } from "./OneByOne";

export interface WordProps {
  request: Request;
  entry: CutEntry;
  units: show.Units;
  /** The field a refusal names. */
  wrong: string | null | undefined;
  onChange: (change: Partial<Request>) => void;
}

const state = (wrong: boolean, guessed = false) =>
  wrong ? ("wrong" as const) : guessed ? ("guessed" as const) : ("told" as const);

/** A step of the thermometer or the dial in the cook's own scale, K. */
const degreeStep = (units: show.Units, degrees: number) =>
  units.temperature === "celsius" ? degrees : degrees / 1.8;

export function PiecesWord({ request, wrong, onChange }: WordProps) {
  return (
    <Word label="Pieces" text={String(request.pieces)} state={state(wrong === "pieces")}>
      {(close) => (
        <QuantityInput
          label="Pieces"
          value={request.pieces}
          show={(value) => String(Math.round(value))}
          understand={async (text) => {
            const pieces = Number(text);
            if (Number.isInteger(pieces) && pieces >= 1 && pieces <= MOST_PIECES) return pieces;
            throw new Error(`Write a whole number from 1 to ${MOST_PIECES}.`);
          }}
          range={[1, 24]}
          step={1}
          onChange={(pieces) => onChange({ pieces: Math.round(pieces) })}
          onDone={close}
        />
      )}
    </Word>
  );
}

export function MassWord({ request, entry, units, wrong, onChange }: WordProps) {
  const [light = 50, , heavy = 500] = entry.usual_mass_g;
  const metric = units.weight === "metric";
  const step = heavy > 600 ? (metric ? 50 : 28.349523125 * 2) : metric ? 5 : 28.349523125 / 4;
  const weighed = request.weights_g ?? [];
  // A pack is labelled with all of it.
  const [wanted, setTogether] = useShown("weight of all pieces", false);
  const together = wanted && request.pieces > 1;
  const times = together ? request.pieces : 1;
  const text =
    weighed.length > 0
      ? `${show.mass(Math.min(...weighed), units)} to ${show.mass(Math.max(...weighed), units)}`
      : show.mass(request.piece_mass_g, units);
  return (
    <Word
      label="Weight of a piece"
      text={text}
      state={state(wrong === "piece_mass_g" || wrong === "weights_g")}
    >
      {(close) => (
        <>
          {request.pieces > 1 ? (
            <Flex gap="2" mb="3" role="group" aria-label="What the label gives">
              {(["each", "all together"] as const).map((words, n) => (
                <Action
                  key={words}
                  type="button"
                  flex="1"
                  look={together === (n === 1) ? "solid" : "quiet"}
                  aria-pressed={together === (n === 1)}
                  onClick={() => setTogether(n === 1)}
                >
                  {words}
                </Action>
              ))}
            </Flex>
          ) : null}
          <QuantityInput
            key={String(together)}
            label={together ? "Weight of all pieces" : "Weight of a piece"}
            value={request.piece_mass_g * times}
            show={(value) => show.mass(value, units)}
            understand={reader(together ? "total_mass_g" : "piece_mass_g", units)}
            range={[light * 0.6 * times, heavy * 1.5 * times]}
            step={step * times}
            onChange={(mass_g) => onChange({ piece_mass_g: mass_g / times })}
            onDone={close}
          >
            <OneByOne
              weights={weighed}
              units={units}
              onWeighed={(weights_g) => {
                const total = weights_g.reduce((sum, grams) => sum + grams, 0);
                onChange({
                  weights_g,
                  pieces: weights_g.length,
                  piece_mass_g: Math.round(total / weights_g.length),
                });
                close();
              }}
            />
          </QuantityInput>
        </>
      )}
    </Word>
  );
}

type PlannedWordProps = WordProps & { plan: Plan | undefined; hint?: string };

export function ThicknessWord({ request, units, wrong, onChange, plan, hint }: PlannedWordProps) {
  const guessed = request.thickness_mm == null;
  const value = request.thickness_mm ?? plan?.thickness_mm ?? 30;
  return (
    <Word
      label="Thickness"
      text={show.length(value, units)}
      state={state(wrong === "thickness_mm", guessed)}
      hint={guessed ? hint : undefined}
    >
      {(close) => (
        <QuantityInput
          label="Thickness"
          value={value}
          show={(mm) => show.length(mm, units)}
          understand={reader("thickness_mm", units)}
          range={[Math.max(5, value * 0.6), Math.min(160, value * 1.5)]}
          step={units.weight === "metric" ? 1 : 25.4 / 4}
          onChange={(thickness_mm) => onChange({ thickness_mm })}
          onDone={close}
        >
          {guessed ? (
            <Action
              type="button"
              look="plain"
              onClick={() => {
                onChange({ thickness_mm: value });
                close();
              }}
            >
              I measured this
            </Action>
          ) : (
            <Action
              type="button"
              look="plain"
              onClick={() => onChange({ thickness_mm: undefined })}
            >
              Guess from the weight
            </Action>
          )}
        </QuantityInput>
      )}
    </Word>
  );
}

/** Half an hour on the counter, where no time is said, s. */
const TEMPERED = 30 * 60;

const FROM = [
  { value: "fridge" as const, text: "from the fridge", reason: "taken as 4 °C (39 °F)" },
  {
    value: "tempered" as const,
    text: "tempered",
    reason: "from the fridge, then on the counter: 30 to 60 min, two hours at the most",
  },
  {
    value: "frozen" as const,
    text: "from the freezer",
    reason: "pieces and chops only, about half as long again",
  },
  { value: "measured" as const, text: "measured", reason: "with the thermometer, in the middle" },
];

export function StartWord({
  request,
  units,
  wrong,
  onChange,
  hint,
}: WordProps & { hint?: string }) {
  const measured = request.start === "measured";
  const tempered = request.start === "tempered";
  const tempered_s = request.tempered_s ?? TEMPERED;
  const text = measured
    ? `at ${show.temperature(request.start_c ?? 4, units)}`
    : tempered
      ? `tempered for ${show.hours(tempered_s)}`
      : (FROM.find((from) => from.value === request.start)?.text ?? request.start);
  return (
    <Word
      label="From where"
      text={text}
      state={state(wrong === "start_c", !measured)}
      hint={measured ? undefined : hint}
    >
      {(close) => (
        <>
          <Choice
            items={FROM}
            chosen={request.start}
            onChoose={(start) => {
              onChange({
                start,
                start_c: start === "measured" ? (request.start_c ?? 5) : undefined,
                tempered_s: start === "tempered" ? tempered_s : undefined,
              });
              if (start !== "measured" && start !== "tempered") close();
            }}
          />
          {tempered ? (
            <Box mt="3">
              <QuantityInput
                label="Time on the counter"
                value={tempered_s}
                show={show.hours}
                understand={readTime}
                range={[10 * 60, 120 * 60]}
                step={300}
                onChange={(tempered_s) => onChange({ tempered_s })}
                onDone={close}
              />
            </Box>
          ) : null}
          {measured ? (
            <Box mt="3">
              <QuantityInput
                label="Start temperature"
                value={request.start_c ?? 5}
                show={(c) => show.temperature(c, units)}
                understand={reader("start_c", units)}
                range={[0, 25]}
                step={degreeStep(units, 1)}
                onChange={(start_c) => onChange({ start_c })}
                onDone={close}
              />
            </Box>
          ) : null}
        </>
      )}
    </Word>
  );
}

export function SettingWord({ request, units, wrong, onChange, plan }: PlannedWordProps) {
  const recommended = request.setting_c == null;
  const value = request.setting_c ?? plan?.setting_c ?? 190;
  const { lowest_c, highest_c } = request.machine;
  return (
    <Word
      label="Setting"
      text={onDial(value, request.machine, units)}
      state={state(wrong === "setting_c", recommended)}
      hint={recommended ? "recommended" : undefined}
    >
      {(close) => (
        <QuantityInput
          label="Setting"
          value={value}
          show={(c) => show.setting(c, units)}
          understand={reader("setting_c", units)}
          range={[Math.max(lowest_c, 100), highest_c]}
          step={degreeStep(units, 5)}
          onChange={(setting_c) => onChange({ setting_c })}
          onDone={close}
        >
          {request.machine.dial_words?.map((one) => (
            <Action
              key={one.word}
              type="button"
              onClick={() => {
                onChange({ setting_c: one.setting_c });
                close();
              }}
            >
              {one.word}
            </Action>
          ))}
          {recommended ? null : (
            <Action type="button" look="plain" onClick={() => onChange({ setting_c: undefined })}>
              Recommended
            </Action>
          )}
        </QuantityInput>
      )}
    </Word>
  );
}
