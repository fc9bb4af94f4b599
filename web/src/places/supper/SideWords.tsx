// A side dish of a supper in words: where, with what, when it joins, how long, after how much work.
import { Text } from "@chakra-ui/react";
import { readTime } from "../../api/reader";
import type { Side } from "../../api/types";
import { Choice } from "../../components/Choice";
import { NameWord } from "../../components/NameWord";
import { TimeWord } from "../../components/TimeWord";
import { Word } from "../../components/Word";
import { entryOf } from "../../domain/request";
import type { DishLineProps } from "./props";

const SITES: Record<Side["site"], string> = {
  hob: "on the hob",
  fridge: "in the fridge",
  machine: "alone in the machine",
  beside: "beside the meat",
  counter: "on the counter",
};
const SITE_CHOICES = Object.entries(SITES).map(([value, text]) => ({ value, text }));

const JOINS = [
  { value: "last_minutes", text: "for its last minutes" },
  { value: "turned_down", text: "when its heat is turned down" },
  { value: "at_minute", text: "at a minute" },
] as const;

const MINUTE = 60;
const DAY = 24 * 3600;
/** Where a join at a minute begins from, s. */
const JOINS_AT = 20 * MINUTE;

export function SideWords(props: DishLineProps & { side: Side }) {
  const { supper, side, catalogue, onChange } = props;
  const cooks = supper.dishes.flatMap((dish, n) => {
    const request = dish.cook?.request;
    const entry = request && entryOf(catalogue, request);
    return request && entry ? [{ value: String(n), text: `the ${entry.plural}` }] : [];
  });
  const needs = side.site === "beside" || side.site === "machine";
  const set = (change: Partial<Side>) => onChange({ side: { ...side, ...change } });
  const move = (site: Side["site"]) =>
    set({
      site,
      joins: undefined,
      joins_s: undefined,
      with:
        site === "beside" || site === "machine"
          ? (side.with ?? Number(cooks[0]?.value ?? 0))
          : undefined,
    });
  const long = side.site !== "beside" || (side.joins ?? "last_minutes") === "last_minutes";
  return (
    <>
      <NameWord
        label="Side dish"
        name={side.name}
        most={60}
        wrong={false}
        onName={(name) => set({ name })}
      />{" "}
      <Word label={`Where ${side.name} is made`} text={SITES[side.site]}>
        {(close) => (
          <Choice<string>
            items={
              cooks.length > 0
                ? SITE_CHOICES
                : SITE_CHOICES.filter(({ value }) => value !== "beside" && value !== "machine")
            }
            chosen={side.site}
            onChoose={(site) => {
              move(site as Side["site"]);
              close();
            }}
          />
        )}
      </Word>
      {needs && cooks.length > 0 ? (
        <>
          {" of "}
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
      {side.site === "beside" ? (
        <>
          {" "}
          <Joins side={side} onChange={set} />
        </>
      ) : null}
      {side.best_s > 0 && long ? (
        <>
          , for{" "}
          <TimeWord
            read={readTime}
            label={`Time of ${side.name}`}
            seconds={side.best_s}
            range={[MINUTE, DAY]}
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
          <TimeWord
            read={readTime}
            label={`Work on ${side.name}`}
            seconds={side.work_s}
            range={[MINUTE, DAY]}
            onChange={(work_s) => set({ work_s })}
          />{" "}
          of work
        </Text>
      ) : null}
      .
    </>
  );
}

/** When it joins the cook; it is there until the meat comes out. */
function Joins({ side, onChange }: { side: Side; onChange: (change: Partial<Side>) => void }) {
  const joins = side.joins ?? "last_minutes";
  return (
    <>
      <Word
        label={`When ${side.name} joins`}
        text={JOINS.find(({ value }) => value === joins)?.text ?? ""}
      >
        {(close) => (
          <Choice
            items={[...JOINS]}
            chosen={joins}
            onChoose={(chosen) => {
              onChange({ joins: chosen, joins_s: chosen === "at_minute" ? JOINS_AT : undefined });
              close();
            }}
          />
        )}
      </Word>
      {joins === "at_minute" ? (
        <>
          {" "}
          after{" "}
          <TimeWord
            read={readTime}
            label={`Minute at which ${side.name} joins`}
            seconds={side.joins_s ?? JOINS_AT}
            range={[0, 4 * 3600]}
            onChange={(joins_s) => onChange({ joins_s })}
          />
        </>
      ) : null}
    </>
  );
}
