// One dish of a supper, in words that can be changed.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { preparationQuery } from "../../api/queries";
import type { Catalogue, Machine, Request, Side, Supper, SupperDish } from "../../api/types";
import { Choice } from "../../components/Choice";
import { PlaceLink } from "../../components/PlaceLink";
import { QuantityInput } from "../../components/QuantityInput";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { MassWord, PiecesWord } from "../../features/sentence/words";
import { entryOf, inMachine } from "../../lib/request";
import { hours, readTime, type Units } from "../../lib/units";

interface DishLineProps {
  catalogue: Catalogue;
  machines: Machine[];
  supper: Supper;
  number: number;
  name: string;
  units: Units;
  onChange: (dish: SupperDish) => void;
  onRemove: () => void;
}

export function DishLine(props: DishLineProps) {
  const { supper, number, name, onRemove } = props;
  const dish = supper.dishes[number];
  return (
    <Flex
      as="li"
      gap="4"
      justify="space-between"
      align="baseline"
      borderTop="1px solid"
      borderColor="line"
      py="2"
    >
      <Box textStyle="line" color="ink.say">
        {dish?.cook ? (
          <CookWords {...props} request={dish.cook.request} method={dish.cook.method} />
        ) : dish?.side ? (
          <SideWords {...props} side={dish.side} />
        ) : null}
      </Box>
      <Action type="button" look="plain" aria-label={`Leave out ${name}`} onClick={onRemove}>
        Leave out
      </Action>
    </Flex>
  );
}

type CookWordsProps = DishLineProps & { request: Request; method: string | null | undefined };

function CookWords(props: CookWordsProps) {
  const { catalogue, machines, request, method, units, onChange } = props;
  const entry = entryOf(catalogue, request);
  const { ahead, ...bare } = request;
  const prep = useQuery(preparationQuery(bare));
  if (!entry) return null;
  const change = (part: Partial<Request>) =>
    onChange({ cook: { request: { ...request, ...part }, method } });
  const school = prep.data?.methods.find((known) => known.id === method);
  const word = { request, entry, units, wrong: null, onChange: change };
  const said = school?.name ?? (ahead?.length ? "got ready as said" : "nothing done ahead");
  return (
    <>
      <PiecesWord {...word} /> {request.pieces === 1 ? entry.name : entry.plural} of{" "}
      <MassWord {...word} />,{" "}
      <Word label="Getting ready" text={said} state={method || ahead?.length ? "told" : "guessed"}>
        {(close) => (
          <Choice<string>
            items={[
              { value: "", text: "nothing done ahead" },
              ...(prep.data?.methods ?? []).map((known) => ({
                value: known.id,
                text: known.name,
                reason: `${hours(known.time_s)}. ${known.reason}`,
              })),
            ]}
            chosen={method ?? ""}
            onChoose={(id) => {
              onChange({
                cook: { request: { ...request, ahead: undefined }, method: id || undefined },
              });
              close();
            }}
          />
        )}
      </Word>
      , in{" "}
      <Word label="Machine" text={request.machine.name}>
        {(close) => (
          <Choice
            items={machines.map((machine) => ({ value: machine.name, text: machine.name }))}
            chosen={request.machine.name}
            onChoose={(chosen) => {
              const machine = machines.find((known) => known.name === chosen);
              if (machine) change(inMachine(request, machine));
              close();
            }}
          />
        )}
      </Word>
      .{" "}
      <PlaceLink
        to="/plan"
        search={{ say: request }}
        textStyle="small"
        textDecoration="underline"
        textUnderlineOffset="3px"
      >
        Its plan
      </PlaceLink>
    </>
  );
}

const SITES: Record<Side["site"], string> = {
  hob: "on the hob",
  fridge: "in the fridge",
  machine: "in the machine",
  beside: "beside the meat",
  counter: "on the counter",
};

function SideWords({ supper, side, catalogue, onChange }: DishLineProps & { side: Side }) {
  const cooks = supper.dishes.flatMap((dish, n) => {
    const request = dish.cook?.request;
    const entry = request && entryOf(catalogue, request);
    return request && entry ? [{ value: String(n), text: `the ${entry.plural}` }] : [];
  });
  const needs = side.site === "beside" || side.site === "machine";
  const set = (change: Partial<Side>) => onChange({ side: { ...side, ...change } });
  return (
    <>
      {side.name} {SITES[side.site]}
      {needs && cooks.length > 0 ? (
        <>
          {side.site === "beside" ? " of " : " of "}
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
      {side.best_s > 0 ? (
        <>
          , for{" "}
          <Time
            label={`Time of ${side.name}`}
            seconds={side.best_s}
            onChange={(best_s) =>
              set({
                best_s,
                shortest_s: Math.min(side.shortest_s, best_s),
                longest_s: Math.max(side.longest_s, best_s),
              })
            }
          />
        </>
      ) : null}
      {side.work_s > 0 ? (
        <Text as="span">
          , after{" "}
          <Time
            label={`Work on ${side.name}`}
            seconds={side.work_s}
            onChange={(work_s) => set({ work_s })}
          />{" "}
          of work
        </Text>
      ) : null}
      .
    </>
  );
}

interface TimeProps {
  label: string;
  seconds: number;
  onChange: (seconds: number) => void;
}

const DAY = 24 * 3600;

function Time({ label, seconds, onChange }: TimeProps) {
  return (
    <Word label={label} text={hours(seconds)}>
      {(close) => (
        <QuantityInput
          label={label}
          value={seconds}
          show={hours}
          understand={async (text) => {
            const told = readTime(text);
            if (told >= 60 && told <= DAY) return told;
            throw new Error(
              told > DAY
                ? `${text} is longer than a day; make it the day before.`
                : "Write minutes or hours, like 12 min or 2 h.",
            );
          }}
          range={[60, Math.max(3600, seconds * 2)]}
          step={60}
          onChange={onChange}
          onDone={close}
        />
      )}
    </Word>
  );
}
