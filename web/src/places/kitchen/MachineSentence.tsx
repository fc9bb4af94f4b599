// A machine as a sentence: every bold word can be changed.
import { Box, Text } from "@chakra-ui/react";
import type { Machine } from "../../api/types";
import { Choice } from "../../components/Choice";
import { NameWord } from "../../components/NameWord";
import { Word } from "../../components/Word";
import { KINDS } from "../../domain/kinds";
import { capital } from "../../lib/text";
import * as show from "../../lib/units";
import { DialWords } from "./DialWords";
import { OnTheSpit, Racks } from "./MachineParts";
import { Measure } from "./Measure";
import type { MachineSentenceProps } from "./props";

const MARKED = [
  { value: "either" as const, text: "°C or °F" },
  { value: "celsius" as const, text: "°C" },
  { value: "fahrenheit" as const, text: "°F" },
];

const STOPS = [
  { value: "runs" as const, text: "runs on" },
  { value: "stops" as const, text: "stops" },
];

type Kind = Machine["kind"];

const SHAPES = [
  { value: "round" as const, text: "round" },
  { value: "rectangular" as const, text: "rectangular" },
];

const watts = (value: number) => `${Math.round(value)} W`;

export function MachineSentence({ machine, units, wrong, onChange }: MachineSentenceProps) {
  const metric = units.weight === "metric";
  const mm = {
    units,
    show: show.length,
    step: metric ? 5 : show.MM_PER_INCH / 4,
  };
  const dial = {
    units,
    show: show.setting,
    typed: "setting_c" as const,
    step: units.temperature === "celsius" ? 5 : 5 / 1.8,
  };
  const round = machine.floor_shape === "round";
  const say = { units, wrong, onChange, machine };
  return (
    <Box as="section" aria-label="What it is">
      <Text textStyle="say" color="ink.say" maxW="sentence">
        <NameWord
          name={machine.name}
          most={60}
          wrong={wrong === "machine.name"}
          onName={(name) => onChange({ name })}
        />
        ,{" "}
        <Word label="Kind" text={KINDS[machine.kind]} state={wrong === "kind" ? "wrong" : "told"}>
          {(close) => (
            <Choice
              items={Object.entries(KINDS).map(([value, text]) => ({
                value: value as Kind,
                text: capital(text),
              }))}
              chosen={machine.kind}
              onChoose={(kind) => {
                onChange({ kind });
                close();
              }}
            />
          )}
        </Word>
        . Its floor is{" "}
        <Word label="Outline of the floor" text={round ? "round" : "rectangular"}>
          {(close) => (
            <Choice
              items={SHAPES}
              chosen={machine.floor_shape}
              onChoose={(floor_shape) => {
                onChange({ floor_shape });
                close();
              }}
            />
          )}
        </Word>
        ,{" "}
        <Measure
          {...mm}
          label={round ? "Inside diameter" : "Inside width"}
          typed="floor_width_mm"
          range={[100, 450]}
          value={machine.floor_width_mm}
          wrong={wrong === "floor_width_mm"}
          onChange={(width = machine.floor_width_mm) =>
            onChange({ floor_width_mm: width, ...(round ? { floor_depth_mm: width } : {}) })
          }
        />{" "}
        {round ? (
          "across"
        ) : (
          <>
            wide and{" "}
            <Measure
              {...mm}
              label="Inside depth"
              typed="floor_width_mm"
              range={[100, 450]}
              value={machine.floor_depth_mm}
              wrong={wrong === "floor_depth_mm"}
              onChange={(depth = machine.floor_depth_mm) => onChange({ floor_depth_mm: depth })}
            />{" "}
            deep, its corners rounded by{" "}
            <Measure
              {...mm}
              step={metric ? 1 : show.MM_PER_INCH / 8}
              label="Radius of the corners"
              typed="floor_corner_mm"
              range={[0, 80]}
              value={machine.floor_corner_mm ?? 12}
              wrong={wrong === "floor_corner_mm"}
              onChange={(floor_corner_mm) => onChange({ floor_corner_mm })}
            />
          </>
        )}
        {machine.kind === "twin_drawers" ? ", in each drawer" : ""}. There are{" "}
        <Measure
          {...mm}
          label="Free height"
          typed="height_mm"
          range={[40, 350]}
          value={machine.height_mm}
          wrong={wrong === "height_mm"}
          onChange={(height = machine.height_mm) => onChange({ height_mm: height })}
        />{" "}
        of free height, and the element is{" "}
        <Measure
          {...mm}
          label="Floor to element"
          typed="element_mm"
          range={[40, 400]}
          value={machine.element_mm}
          wrong={wrong === "element_mm"}
          onChange={(element_mm) => onChange({ element_mm })}
          without={{
            text: "right above that",
            usual: machine.height_mm + 15,
            undo: "Right above the free height",
          }}
        />
        {machine.element_mm == null ? "" : " over the floor"}. <Racks {...say} mm={mm} />{" "}
        <OnTheSpit {...say} mm={mm} />{" "}
        {machine.tumbler_l == null ? "It has " : "Its tumbling basket holds "}
        <Measure
          units={units}
          label="Tumbling basket"
          typed="tumbler_l"
          show={show.volume}
          range={[0.5, 8]}
          step={0.1}
          value={machine.tumbler_l}
          wrong={wrong === "tumbler_l"}
          onChange={(tumbler_l) => onChange({ tumbler_l })}
          without={{ text: "no tumbling basket", usual: 3, undo: "No tumbling basket" }}
        />
        . It draws{" "}
        <Measure
          units={units}
          label="Power"
          typed="power_w"
          show={watts}
          range={[500, 3000]}
          step={50}
          value={machine.power_w}
          wrong={wrong === "power_w"}
          onChange={(power = machine.power_w) => onChange({ power_w: power })}
        />
        ; its dial goes from{" "}
        <Measure
          {...dial}
          label="Lowest setting"
          range={[30, 150]}
          value={machine.lowest_c}
          wrong={wrong === "lowest_c"}
          onChange={(lowest = machine.lowest_c) => onChange({ lowest_c: lowest })}
        />{" "}
        to{" "}
        <Measure
          {...dial}
          label="Highest setting"
          range={[120, 300]}
          value={machine.highest_c}
          wrong={wrong === "highest_c"}
          onChange={(highest = machine.highest_c) => onChange({ highest_c: highest })}
        />{" "}
        in steps of{" "}
        <Measure
          units={units}
          label="Step of the dial"
          typed="step_k"
          show={show.difference}
          range={[1, 25]}
          step={units.temperature === "celsius" ? 1 : 5 / 1.8}
          value={machine.step_k}
          wrong={wrong === "step_k"}
          onChange={(step = machine.step_k) => onChange({ step_k: step })}
        />
        , marked in{" "}
        <Word
          label="Marked in"
          text={MARKED.find((one) => one.value === (machine.dial ?? "either"))?.text ?? ""}
        >
          {(close) => (
            <Choice
              items={MARKED}
              chosen={machine.dial ?? "either"}
              onChoose={(dial) => {
                onChange({ dial: dial === "either" ? undefined : dial });
                close();
              }}
            />
          )}
        </Word>
        ; it shows <DialWords {...say} />. Its timer takes{" "}
        <Measure
          units={units}
          label="Longest time of the timer"
          typed="timer_s"
          show={(seconds) => show.hours(seconds)}
          range={[1800, 4 * 3600]}
          step={1800}
          value={machine.timer_s}
          wrong={wrong === "timer_s"}
          onChange={(timer_s) => onChange({ timer_s })}
          without={{ text: "any time", usual: 3600, undo: "I don't know" }}
        />{" "}
        and{" "}
        <Word label="Timer while open" text={STOPS[machine.timer_stops_open ? 1 : 0]?.text ?? ""}>
          {(close) => (
            <Choice
              items={STOPS}
              chosen={machine.timer_stops_open ? "stops" : "runs"}
              onChoose={(one) => {
                onChange({ timer_stops_open: one === "stops" });
                close();
              }}
            />
          )}
        </Word>{" "}
        while it is open. Preheats in{" "}
        <Measure
          units={units}
          label="Preheating time"
          typed="preheat_s"
          show={(seconds) => show.minutes(seconds)}
          range={[60, 900]}
          step={30}
          value={machine.preheat_s}
          wrong={wrong === "preheat_s"}
          onChange={(preheat_s) => onChange({ preheat_s })}
          without={{ text: "the usual time", usual: 180, undo: "I don't know" }}
        />
        . Its thermostat is{" "}
        <Measure
          units={units}
          label="Thermostat accuracy"
          typed="offset_k"
          show={hotter}
          range={[-30, 30]}
          step={1}
          value={machine.offset_k ?? 0}
          wrong={wrong === "offset_k"}
          onChange={(offset_k) => onChange({ offset_k })}
        />{" "}
        and its fan strength{" "}
        <Measure
          units={units}
          label="Fan strength"
          typed="heat_factor"
          show={(factor) => show.share(factor)}
          range={[0.5, 1.6]}
          step={0.05}
          value={machine.heat_factor ?? 1}
          wrong={wrong === "heat_factor"}
          onChange={(heat_factor) => onChange({ heat_factor })}
        />{" "}
        of what is usual for its kind.
      </Text>
    </Box>
  );
}

function hotter(kelvins: number, units: show.Units): string {
  if (Math.abs(kelvins) < 0.05) return "accurate";
  const by = show.difference(Math.abs(kelvins), units);
  return `${by} ${kelvins > 0 ? "too hot" : "too cool"}`;
}
