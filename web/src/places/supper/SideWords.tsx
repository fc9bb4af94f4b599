// A side dish of a supper in words: how much, with which cook, how well it waits; its steps below, each to be changed.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { keepSide, sidesQuery } from "../../api/queries";
import { reader, readTime } from "../../api/reader";
import type { Side, SideStep } from "../../api/types";
import { Choice } from "../../components/Choice";
import { NameWord } from "../../components/NameWord";
import { Trouble } from "../../components/Notice";
import { QuantityInput } from "../../components/QuantityInput";
import { RowActions } from "../../components/RowActions";
import { Action } from "../../components/recipes";
import { TimeWord } from "../../components/TimeWord";
import { Word } from "../../components/Word";
import { lineOf } from "../../domain/recipe";
import { entryOf } from "../../domain/request";
import { goesWithACook, timesAsMuch } from "../../features/supper/document";
import {
  AFTER,
  JOINS,
  lastingStep,
  movedStep,
  NEW_STEP,
  SITES,
  starting,
} from "../../features/supper/steps";
import { useIdentity } from "../../lib/hooks";
import { earlier, without } from "../../lib/lists";
import { saveFile } from "../../lib/save";
import { hours, mass, setting, type Units } from "../../lib/units";
import type { DishLineProps } from "./props";

const MINUTE = 60;
const DAY = 24 * 3600;

const PATIENCE = [
  { value: "well", text: "waits well" },
  { value: "fairly", text: "waits a while" },
  { value: "badly", text: "waits for nobody" },
] as const;

export function SideWords(props: DishLineProps & { side: Side }) {
  const { supper, side, catalogue, units, onChange } = props;
  const [open, setOpen] = useState(false);
  const cooks = supper.dishes.flatMap((dish, n) => {
    const request = dish.cook?.request;
    const entry = request && entryOf(catalogue, request);
    return request && entry ? [{ value: String(n), text: `the ${entry.plural}` }] : [];
  });
  const set = (change: Partial<Side>) => {
    const next = { ...side, ...change };
    const needs = goesWithACook(next);
    onChange({
      side: { ...next, with: needs ? (next.with ?? Number(cooks[0]?.value ?? 0)) : undefined },
    });
  };
  const weight = side.side_mass_g;
  return (
    <>
      <NameWord
        label="Side dish"
        name={side.name}
        most={60}
        wrong={false}
        onName={(name) => set({ name })}
      />
      {weight == null ? null : (
        <>
          ,{" "}
          <Word label={`Weight of ${side.name}`} text={mass(weight, units)}>
            {(close) => (
              <QuantityInput
                label="Weight"
                value={weight}
                show={(grams) => mass(grams, units)}
                understand={reader("side_mass_g", units)}
                range={[50, 3000]}
                step={50}
                onChange={(grams) => onChange({ side: timesAsMuch(side, grams / weight) })}
                onDone={close}
              />
            )}
          </Word>
        </>
      )}
      {goesWithACook(side) && cooks.length > 0 ? (
        <>
          , with{" "}
          <Word
            label="Goes with"
            text={cooks.find((cook) => cook.value === String(side.with ?? 0))?.text ?? "a cook"}
          >
            {(close) => (
              <Choice
                items={cooks}
                chosen={String(side.with ?? 0)}
                onChoose={(chosen) => {
                  set({ with: Number(chosen) });
                  close();
                }}
              />
            )}
          </Word>
        </>
      ) : null}
      ; it{" "}
      <Word
        label={`How ${side.name} waits`}
        text={PATIENCE.find((one) => one.value === side.patience)?.text ?? ""}
      >
        {(close) => (
          <Choice
            items={[...PATIENCE]}
            chosen={side.patience}
            onChoose={(patience) => {
              set({ patience });
              close();
            }}
          />
        )}
      </Word>
      , up to{" "}
      <TimeWord
        read={readTime}
        label={`How long ${side.name} can wait`}
        seconds={side.keeps_s}
        range={[0, DAY]}
        onChange={(keeps_s) => set({ keeps_s })}
      />
      .{" "}
      <Action
        type="button"
        look="inline"
        aria-expanded={open}
        className="no-print"
        onClick={() => setOpen(!open)}
      >
        {open
          ? "Hide its steps"
          : `${side.steps.length} ${side.steps.length === 1 ? "step" : "steps"}`}
      </Action>
      {open ? <Steps {...props} onSteps={(steps) => set({ steps })} /> : null}
    </>
  );
}

interface StepsProps extends DishLineProps {
  side: Side;
  onSteps: (steps: SideStep[]) => void;
}

function Steps({ side, supper, units, onSteps }: StepsProps) {
  const cooks = supper.dishes.some((dish) => dish.cook);
  const { steps } = side;
  const put = (n: number, step: SideStep) =>
    onSteps(steps.map((known, m) => (m === n ? step : known)));
  return (
    <Box mt="2" textStyle="body">
      <Box as="ol" listStyleType="none" aria-label={`Steps of ${side.name}`}>
        {steps.map((step, n) => (
          <Flex
            as="li"
            key={n}
            justify="space-between"
            align="baseline"
            wrap="wrap"
            columnGap="3"
            borderTop="1px solid"
            borderColor="line"
            py="1"
          >
            <Box>
              <StepWords
                side={side}
                step={step}
                number={n + 1}
                cooks={cooks}
                units={units}
                onChange={(next) => put(n, next)}
              />
            </Box>
            <RowActions
              earlier={
                n > 0
                  ? { label: `Step ${n + 1} earlier`, onPress: () => onSteps(earlier(steps, n)) }
                  : undefined
              }
              out={{
                text: "Leave out",
                label: `Leave out step ${n + 1} of ${side.name}`,
                onPress: () => onSteps(without(steps, n)),
              }}
            />
          </Flex>
        ))}
      </Box>
      <Flex gap="1" wrap="wrap" className="no-print">
        <Action type="button" look="plain" onClick={() => onSteps([...steps, NEW_STEP])}>
          Another step
        </Action>
        <Keep side={side} />
        <Action
          type="button"
          look="plain"
          onClick={() =>
            saveFile(JSON.stringify(side, null, 2), "application/json", `${side.name}.json`)
          }
        >
          Save as a file
        </Action>
      </Flex>
      {side.recipe ? (
        <Text textStyle="small" color="ink.soft" mt="1">
          {side.recipe.items.map(lineOf).join(", ")}
        </Text>
      ) : null}
    </Box>
  );
}

/** Puts a side dish among the kitchen's own. */
function Keep({ side }: { side: Side }) {
  const queries = useQueryClient();
  const id = useIdentity(side);
  const keep = useMutation({
    mutationFn: () => keepSide(id, { ...side, with: undefined }),
    onSuccess: () => queries.invalidateQueries({ queryKey: sidesQuery().queryKey }),
  });
  return (
    <>
      <Action type="button" look="plain" disabled={keep.isPending} onClick={() => keep.mutate()}>
        {keep.isSuccess ? "Saved to your side dishes" : "Save to your side dishes"}
      </Action>
      {keep.error ? <Trouble>{keep.error.message}</Trouble> : null}
    </>
  );
}

interface StepWordsProps {
  side: Side;
  step: SideStep;
  number: number;
  /** Whether there is a cook it could go with. */
  cooks: boolean;
  units: Units;
  onChange: (step: SideStep) => void;
}

function StepWords({ side, step, number, cooks, units, onChange }: StepWordsProps) {
  const label = `Step ${number} of ${side.name}`;
  const beside = step.site === "beside";
  const sites = Object.entries(SITES).map(([value, text]) => ({ value, text }));
  const starts = step.starts ?? "next";
  const order = beside ? JOINS : AFTER;
  return (
    <>
      <NameWord
        label={label}
        name={step.what}
        most={120}
        wrong={false}
        onName={(what) => onChange({ ...step, what })}
      />
      :{" "}
      <Word label={`Where: ${label}`} text={SITES[step.site]}>
        {(close) => (
          <Choice<string>
            items={
              cooks ? sites : sites.filter(({ value }) => value !== "beside" && value !== "machine")
            }
            chosen={step.site}
            onChoose={(site) => {
              onChange(movedStep(step, site as SideStep["site"]));
              close();
            }}
          />
        )}
      </Word>
      {cooks ? (
        <>
          ,{" "}
          <Word
            label={`When: ${label}`}
            text={order.find(({ value }) => value === starts)?.text ?? "after the step before"}
          >
            {(close) => (
              <Choice<string>
                items={[...order]}
                chosen={starts}
                onChoose={(chosen) => {
                  onChange(starting(step, chosen as SideStep["starts"]));
                  close();
                }}
              />
            )}
          </Word>
        </>
      ) : null}
      {starts === "at_minute" ? (
        <>
          {" "}
          after{" "}
          <TimeWord
            read={readTime}
            label={`Minute: ${label}`}
            seconds={step.joins_s ?? 0}
            range={[0, 4 * 3600]}
            onChange={(joins_s) => onChange({ ...step, joins_s })}
          />
        </>
      ) : null}
      {beside && starts !== "last_minutes" ? null : (
        <>
          , for{" "}
          <TimeWord
            read={readTime}
            label={`Time: ${label}`}
            seconds={step.best_s}
            range={[MINUTE, DAY]}
            hint={
              step.shortest_s === step.longest_s
                ? undefined
                : `${hours(step.shortest_s)} to ${hours(step.longest_s)}`
            }
            onChange={(best_s) => onChange(lastingStep(step, best_s))}
          />
        </>
      )}
      {step.site === "machine" ? (
        <>
          {" "}
          at{" "}
          <Word
            label={`Setting: ${label}`}
            text={step.step_setting_c == null ? "its highest" : setting(step.step_setting_c, units)}
          >
            {(close) => (
              <QuantityInput
                label="Setting"
                value={step.step_setting_c ?? 200}
                show={(celsius) => setting(celsius, units)}
                understand={reader("setting_c", units)}
                range={[100, 260]}
                step={5}
                onChange={(step_setting_c) => onChange({ ...step, step_setting_c })}
                onDone={close}
              />
            )}
          </Word>
        </>
      ) : null}
      {step.halfway ? <>; {step.halfway.toLowerCase()} half-way</> : null}
    </>
  );
}
