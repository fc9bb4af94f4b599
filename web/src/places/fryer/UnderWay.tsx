// A cook under way: the present step, the time until it, and all reports.
import { Box, Flex, Text } from "@chakra-ui/react";
import { lazy, Suspense, useEffect, useState } from "react";
import type { Cook } from "../../api/types";
import { Caution, Empty, NotSent, Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { order } from "../../domain/message";
import { changeSettings, useSettings } from "../../domain/settings";
import { useShortcut } from "../../domain/useShortcut";
import { AlarmWords } from "../../features/alarm/AlarmWords";
import { AtTheFryer } from "../../features/basket/AtTheFryer";
import { Answer, BelowFloor } from "../../features/course/Answer";
import { Keypad } from "../../features/course/Keypad";
import { OutcomeForm } from "../../features/course/OutcomeForm";
import { PutBack } from "../../features/course/PutBack";
import { cookReports, useReports } from "../../features/course/reports";
import { skewOf, standing } from "../../features/course/standing";
import { aimNow, dialNow, inWords, lastTold, told } from "../../features/course/told";
import { CourseStrip } from "../../features/ember-strip/CourseStrip";
import { clock } from "../../lib/clock";
import { useNow, useOnce, useWasAway } from "../../lib/hooks";
import { capital } from "../../lib/text";
import { minutes, temperature } from "../../lib/units";
import { DONE_WORDS, measures } from "./doneWords";
import { Instruction } from "./Instruction";
import { LYING } from "./sideways";

const changes = () => import("../../features/course/Changes");
const Changes = lazy(changes);

/** On a phone that lies on its side the buttons are beside what they answer. */
const WIDE = {
  [LYING]: {
    flexDirection: "row",
    gap: "24px",
    minHeight: "0",
    "& h1": { fontSize: "30px" },
    "& [role=timer]": { fontSize: "72px" },
  },
};
const BESIDE = {
  [LYING]: {
    position: "sticky",
    top: "0",
    bottom: "auto",
    alignSelf: "flex-start",
    width: "50%",
    "& button": { fontSize: "16px", minHeight: "52px" },
  },
};

interface UnderWayProps {
  cook: Cook;
  /** When the answer with this cook came, by this device's clock, ms. */
  received: number;
}

const TICK = 250;
/** Two taps nearer than this are one, ms. */
const DOUBLE = 350;
/** Difference that a display in whole degrees hides, K. */
const SHOWN = 0.5;
/** An absence longer than this is shown, for the same time, ms. */
const AWAY = 60_000;
const TOLD_FOR = 60_000;

export function UnderWay({ cook, received }: UnderWayProps) {
  const settings = useSettings();
  const now = useNow(TICK);
  const [once, just] = useOnce(DOUBLE);
  const away = useWasAway(AWAY, TOLD_FOR);
  const [mode, setMode] = useState<"now" | "reading" | "changes" | "outcome">("now");
  const [openSince, setOpenSince] = useState<number | null>(null);
  const { waiting, refused, report } = useReports(cook.id);
  const skew = skewOf(cook, received);
  const { steps, current, next, loaded, pulled, closed } = standing(cook, waiting, skew);
  const all = told(cook, waiting, skew);
  const last = lastTold(all);
  const dial = dialNow(cook, all);

  // Once everything is done the form stays while the server answers, so that the choices in it are not lost.
  const over = current === null;
  useEffect(() => {
    if (over) setMode("outcome");
  }, [over]);

  // There when it is wanted, also without a connection.
  useEffect(() => {
    void changes();
  }, []);

  const done = () =>
    once("done", () => {
      if (!current) return setMode("outcome");
      if (measures(current.step)) return setMode("reading");
      report({ kind: "step_done", step: current.index });
    });
  const read = (celsius: number) => {
    report({ kind: "reading", core_c: Math.round(celsius * 10) / 10 });
    // A check is answered by a reading that is enough; after any other it is due again later.
    const answers =
      current?.step.kind === "check"
        ? celsius >= aimNow(cook, all) + (cook.request.thermometer_offset_k ?? 0) - SHOWN
        : current?.step.kind === "measure" && isEnough(cook, celsius);
    if (current && answers) report({ kind: "step_done", step: current.index });
    setMode("now");
  };
  const door = () =>
    once("door", () => {
      if (openSince === null) return setOpenSince(Date.now());
      const open_s = Math.min(900, Math.max(1, (Date.now() - openSince) / 1000));
      report({ kind: "door_opened", open_s });
      setOpenSince(null);
    });
  const undo = () =>
    once("undo", () => {
      if (last) report({ kind: "undone", event: last.id });
    });
  const ready = mode === "now";
  const under = loaded !== null;
  useShortcut(
    "space",
    (event) => {
      // On a focused button the key is that button's; a held key is one press.
      if (event.repeat || (event.target as Element).closest("button, a, input")) return;
      event.preventDefault();
      done();
    },
    { enabled: ready },
  );
  // What is enabled is known a moment after it is drawn; what is asked within is known at once.
  const typed = { enabled: ready, preventDefault: true };
  useShortcut("t", () => under && setMode("reading"), typed);
  useShortcut("d", () => under && pulled === null && door(), typed);
  useShortcut("m", () => changeSettings({ muted: !settings.muted }));

  if (mode === "reading") {
    return (
      <Keypad units={settings} title={probe(cook)} onEnter={read} onCancel={() => setMode("now")} />
    );
  }
  if (mode === "changes" && current) {
    return (
      <Suspense>
        <Changes
          cook={cook}
          dial={dial}
          aim={aimNow(cook, all)}
          out={pulled !== null}
          now={now}
          skew={skew}
          units={settings}
          onTell={report}
          onClose={() => setMode("now")}
        />
      </Suspense>
    );
  }
  if (closed) return <ClosedHere name={cook.name} onUndo={undo} />;
  if (mode === "outcome" || !current) {
    return (
      <OutcomeForm
        of={cook.id}
        core={lastReading(cook)}
        onDone={(outcome) => report({ kind: "finished", ...outcome })}
        onCancel={() => setMode("now")}
      />
    );
  }
  const late = (now - current.due) / 1000;
  // The strip is of the batch that is in.
  const batch = cook.course?.estimate?.batch ?? 1;
  const inHand =
    steps.find(({ step }) => step.kind === "load" && step.batch === batch)?.done ?? loaded;
  const back = pulled === null ? null : cook.course?.estimate?.back_in_s;
  return (
    <Flex
      direction="column"
      minH={{ base: "calc(100dvh - 120px)", md: "auto" }}
      css={WIDE}
      // A second press within a moment is the first one's.
      data-just-pressed={just || undefined}
    >
      <Flex direction="column" flex="1" minW="0">
        <Flex justify="space-between" textStyle="small" color="ink.soft" pt="1" pb="2" gap="3">
          <Text>
            {cook.name} · {cook.request.machine.name}
          </Text>
          <Text>{clock(new Date(now))}</Text>
        </Flex>
        {away > 0 && late > 0 ? (
          <Box role="alert" bg="well" borderRadius="field" px="3" py="2" mb="2" textStyle="line">
            This page was away for {minutes(away / 1000)}. <b>{order(current.step, settings)}</b>{" "}
            was due {minutes(late)} ago.
          </Box>
        ) : null}
        {back ? (
          <PutBack seconds={back} onTell={(happening) => once("back", () => report(happening))} />
        ) : (
          <Instruction cook={cook} current={current} dial={dial} loaded={loaded} now={now} />
        )}
        {current.step.caution ? (
          <Box mb="4">
            <Caution>{current.step.caution}</Caution>
          </Box>
        ) : null}
        <Answer
          cook={cook}
          waiting={waiting}
          loaded={inHand}
          now={now}
          skew={skew}
          units={settings}
        />
        {cook.plan.loading ? (
          <AtTheFryer
            loading={cook.plan.loading}
            machine={cook.request.machine}
            batch={current.step.kind === "load" ? current.step.batch : null}
            turned={loaded === null ? 0 : (now - loaded) / 1000 / cook.plan.pull_at_s}
          />
        ) : null}
        <CourseStrip
          plan={cook.plan}
          now={inHand === null ? null : (now - inHand) / 60_000}
          estimate={cook.course?.estimate}
        />
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
              <Text whiteSpace="nowrap">
                {step.due > now ? `in ${minutes((step.due - now) / 1000)}` : "next"}{" "}
                <Text as="span" textStyle="small" color="ink.soft">
                  {clock(new Date(step.due))}
                </Text>
              </Text>
            </Flex>
          ))}
        </Box>
        {cook.plan.below_floor ? <BelowFloor cook={cook} units={settings} /> : null}
        {refused.map((one) => (
          <Box key={one.id} mt="3">
            <Trouble>
              {inWords(one.happening, cook.plan.steps, (c) => temperature(c, settings))}:{" "}
              {one.refused}{" "}
              <Action type="button" look="inline" onClick={() => void cookReports.dismiss(one.id)}>
                Remove
              </Action>
            </Trouble>
          </Box>
        ))}
        <NotSent count={waiting.length} />
        <AlarmWords />
        <Box flex="1" minH="4" />
      </Flex>
      <Box position="sticky" bottom="0" bg="paper" pt="2" pb="4" mx="-2" px="2" css={BESIDE}>
        <Flex gap="2.5" mb="2.5">
          {under && !measures(current.step) ? (
            <Action type="button" tall px="2" onClick={() => setMode("reading")}>
              Temperature
            </Action>
          ) : null}
          {measures(current.step) ? (
            <Action
              type="button"
              tall
              px="2"
              onClick={() => once("done", () => report({ kind: "step_done", step: current.index }))}
            >
              Skip
            </Action>
          ) : null}
          {under && pulled === null ? (
            <Action type="button" tall px="2" aria-pressed={openSince !== null} onClick={door}>
              {openSince === null ? "Open" : `Closed (${Math.round((now - openSince) / 1000)} s)`}
            </Action>
          ) : null}
          {pulled !== null ? (
            <Action type="button" tall px="2" onClick={() => setMode("outcome")}>
              Finish
            </Action>
          ) : null}
          {under ? (
            <Action type="button" tall px="2" onClick={() => setMode("changes")}>
              Change
            </Action>
          ) : null}
        </Flex>
        <Action type="button" look={back ? "quiet" : "zest"} big onClick={done}>
          {DONE_WORDS[current.step.kind]}
        </Action>
        <Flex justify="center" mt="1" minH="11">
          {last ? (
            <Action type="button" look="plain" textStyle="small" onClick={undo}>
              Undo: {inWords(last.happening, cook.plan.steps, (c) => temperature(c, settings))}
            </Action>
          ) : null}
        </Flex>
      </Box>
    </Flex>
  );
}

/** Closed on this device, and the server has not answered yet. */
function ClosedHere({ name, onUndo }: { name: string; onUndo: () => void }) {
  return (
    <Empty title={name}>
      It is closed here, and goes into the logbook when the server answers.{" "}
      <Action type="button" look="inline" onClick={onUndo}>
        Undo
      </Action>
    </Empty>
  );
}

/** Whether a reading after the rest is what the plan counts on. */
const isEnough = ({ plan, request }: Cook, celsius: number): boolean =>
  plan.measure_again == null ||
  celsius >= plan.measure_again.least_c + (request.thermometer_offset_k ?? 0) - 0.05;

const probe = (cook: Cook) => {
  const check = cook.plan.steps.find((step) => step.kind === "check");
  return capital(check?.reason.text.split(/, the tip|;/)[0] ?? "in the thickest part");
};

const lastReading = (cook: Cook) => {
  const reading = cook.events.findLast((event) => event.happening.kind === "reading")?.happening;
  return reading?.kind === "reading" ? reading.core_c : null;
};
