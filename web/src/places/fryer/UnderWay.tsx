// A cook under way.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { Cook, Happening } from "../../api/types";
import { Caution, Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { AtTheFryer } from "../../features/basket/AtTheFryer";
import { allowSound, useAlarm, useTitle, useWakeLock } from "../../features/course/alarm";
import { BackIn, BelowFloor, ForecastLine, isEnough } from "../../features/course/CookLines";
import { Keypad } from "../../features/course/Keypad";
import { OutcomeForm } from "../../features/course/OutcomeForm";
import { useReports } from "../../features/course/reports";
import { type StandingStep, skewOf, standing } from "../../features/course/standing";
import { CourseStrip } from "../../features/ember-strip/CourseStrip";
import { clock, countdown } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
import { order, render } from "../../lib/message";
import { changeSettings, useSettings } from "../../lib/settings";
import { capital } from "../../lib/text";

interface UnderWayProps {
  cook: Cook;
  /** When the answer with this cook came, by this device's clock, ms. */
  received: number;
}

const DONE_WORDS: Record<StandingStep["step"]["kind"], string> = {
  preheat: "It is on",
  load: "Loaded",
  turn: "Turned",
  sauce: "Sauced",
  set: "It is set",
  act: "Done",
  check: "Reading",
  pull: "It is out",
  rest: "Rested",
  measure: "Reading",
  serve: "On the table",
};

const TICK = 250;

export function UnderWay({ cook, received }: UnderWayProps) {
  const settings = useSettings();
  const now = useNow(TICK);
  const [mode, setMode] = useState<"now" | "reading" | "outcome">("now");
  const [openSince, setOpenSince] = useState<number | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const { waiting, report } = useReports(cook.id, setRefused);
  const { steps, current, next, loaded, pulled } = standing(cook, waiting, skewOf(cook, received));

  // Once everything is done the form stays, whatever the server still has to answer: what was chosen in
  // it is not lost.
  const over = current === null;
  useEffect(() => {
    if (over) setMode("outcome");
  }, [over]);

  const left = current ? (current.due - now) / 1000 : 0;
  const due = current !== null && left <= 0;
  useWakeLock(true);
  useAlarm(due && mode === "now", settings.muted);
  const count = due ? "now" : countdown(left);
  useTitle(current ? `${count} · ${order(current.step, settings)}` : `${cook.name} · Zesty Ember`);

  const tell = (happening: Happening) => {
    allowSound();
    setRefused(null);
    report(happening);
  };
  const done = () => {
    if (!current) return setMode("outcome");
    if (measures(current.step)) return setMode("reading");
    const last = steps.findLastIndex((step) => step.step.kind === "pull");
    tell(current.index === last ? { kind: "pulled" } : { kind: "step_done", step: current.index });
  };
  const read = (celsius: number) => {
    tell({ kind: "reading", core_c: Math.round(celsius * 10) / 10 });
    if (
      current &&
      measures(current.step) &&
      (current.step.kind === "check" || isEnough(cook, celsius))
    ) {
      tell({ kind: "step_done", step: current.index });
    }
    setMode("now");
  };
  const door = () => {
    if (openSince === null) return setOpenSince(Date.now());
    tell({
      kind: "door_opened",
      open_s: Math.min(900, Math.max(1, (Date.now() - openSince) / 1000)),
    });
    setOpenSince(null);
  };
  const ready = mode === "now";
  useHotkeys("space", done, { enabled: ready, preventDefault: true }, [current, steps]);
  // What is enabled is known a moment after it is drawn; what is asked within is known at once.
  const under = loaded !== null;
  useHotkeys("t", () => under && setMode("reading"), { enabled: ready }, [under]);
  useHotkeys("d", () => under && !pulled && door(), { enabled: ready }, [under, pulled, openSince]);
  useHotkeys("m", () => changeSettings({ muted: !settings.muted }), [settings.muted]);

  if (mode === "reading") {
    return (
      <Keypad units={settings} title={probe(cook)} onEnter={read} onCancel={() => setMode("now")} />
    );
  }
  if (mode === "outcome" || !current) {
    return (
      <OutcomeForm
        core={lastReading(cook)}
        onDone={(outcome) => tell({ kind: "finished", ...outcome })}
        onCancel={() => setMode("now")}
      />
    );
  }
  return (
    <Flex direction="column" minH={{ base: "calc(100dvh - 120px)", md: "auto" }}>
      <Flex justify="space-between" textStyle="small" color="ink.soft" pt="1" pb="3" gap="3">
        <Text>
          {cook.name} · {cook.request.machine.name}
        </Text>
        <Text>{clock(new Date(now))}</Text>
      </Flex>
      <Box aria-live="assertive">
        <Text as="h1" textStyle="instruction">
          {order(current.step, settings)}
        </Text>
        <Text textStyle="line" color="ink.say" mt="2">
          {render(current.step.reason, settings)}
        </Text>
      </Box>
      <Text
        textStyle="count"
        color={due ? "ember" : "zest.mark"}
        mt="3"
        role="timer"
        aria-live="off"
      >
        {count}
      </Text>
      <Text textStyle="line" color="ink.say" mb="4">
        {due
          ? `since ${clock(new Date(current.due))}, ${countdown(-left)} ago`
          : `at ${clock(new Date(current.due))}`}
      </Text>
      {current.step.caution ? (
        <Box mb="4">
          <Caution>{current.step.caution}</Caution>
        </Box>
      ) : null}
      {cook.plan.loading ? (
        <AtTheFryer
          loading={cook.plan.loading}
          machine={cook.request.machine}
          batch={current.step.kind === "load" ? current.step.batch : null}
          turned={loaded === null ? 0 : (now - loaded) / 1000 / cook.plan.pull_at_s}
        />
      ) : null}
      <ForecastLine cook={cook} units={settings} />
      <BackIn cook={cook} units={settings} />
      <CourseStrip plan={cook.plan} now={loaded === null ? null : (now - loaded) / 60_000} />
      <Box as="ol" listStyleType="none" mt="1" mb="4">
        {next.slice(0, 3).map((step) => (
          <Flex
            as="li"
            key={step.index}
            justify="space-between"
            gap="4"
            py="2.5"
            borderTop="1px solid"
            borderColor="line"
            textStyle="line"
          >
            <Text>{order(step.step, settings)}</Text>
            <Text color="ink.soft">{clock(new Date(step.due))}</Text>
          </Flex>
        ))}
      </Box>
      {cook.plan.below_floor ? <BelowFloor cook={cook} units={settings} /> : null}
      {refused ? (
        <Box mt="3">
          <Trouble>{refused}</Trouble>
        </Box>
      ) : null}
      {waiting.length > 0 ? (
        <Text role="status" textStyle="small" color="ink.soft" mt="2">
          {waiting.length} not sent yet
        </Text>
      ) : null}
      <Box flex="1" minH="4" />
      <Box position="sticky" bottom="0" bg="paper" pt="2" pb="4" mx="-2" px="2">
        <Flex gap="3" mb="3">
          {loaded !== null ? (
            <Action
              type="button"
              tall
              onClick={() => setMode("reading")}
              hidden={measures(current.step)}
            >
              Reading
            </Action>
          ) : null}
          {loaded !== null && !pulled ? (
            <Action type="button" tall aria-pressed={openSince !== null} onClick={door}>
              {openSince === null
                ? "Door open"
                : `Door closed again (${Math.round((now - openSince) / 1000)} s)`}
            </Action>
          ) : null}
          {measures(current.step) ? (
            <Action
              type="button"
              tall
              onClick={() => tell({ kind: "step_done", step: current.index })}
            >
              Skip it
            </Action>
          ) : null}
          {pulled ? (
            <Action type="button" tall onClick={() => setMode("outcome")}>
              Finish
            </Action>
          ) : null}
        </Flex>
        <Action type="button" look="zest" big onClick={done}>
          {DONE_WORDS[current.step.kind]}
        </Action>
        <Flex justify="center" mt="2">
          <Action
            type="button"
            look="plain"
            textStyle="small"
            onClick={() => changeSettings({ muted: !settings.muted })}
          >
            {settings.muted ? "Sound is off" : "Sound is on"}
          </Action>
        </Flex>
      </Box>
    </Flex>
  );
}

/** A step that asks for a reading. */
const measures = (step: StandingStep["step"]) => step.kind === "check" || step.kind === "measure";

const probe = (cook: Cook) => {
  const check = cook.plan.steps.find((step) => step.kind === "check");
  return capital(check?.reason.text.split(/, the tip|;/)[0] ?? "in the thickest part");
};

const lastReading = (cook: Cook) => {
  const reading = cook.events.findLast((event) => event.happening.kind === "reading")?.happening;
  return reading?.kind === "reading" ? reading.core_c : null;
};
