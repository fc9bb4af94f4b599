// One large instruction: as it is dialled while it is loaded, and with its countdown after that.
import { Box, Text } from "@chakra-ui/react";
import type { Cook } from "../../api/types";
import { dialled, onDial } from "../../domain/dialled";
import { order, render } from "../../domain/message";
import { useSettings } from "../../domain/settings";
import { useAwake } from "../../features/alarm/useAlarms";
import type { StandingStep } from "../../features/course/standing";
import { clock, countdown } from "../../lib/clock";
import { temperature, wholeMinutes } from "../../lib/units";

interface InstructionProps {
  cook: Cook;
  current: StandingStep;
  /** What the dial shows, °C. */
  dial: number;
  loaded: number | null;
  now: number;
}

export function Instruction({ cook, current, dial, loaded, now }: InstructionProps) {
  const units = useSettings();
  const awake = useAwake();
  const { step, due } = current;
  const left = (due - now) / 1000;
  const set = dialled(cook.plan, step.batch, dial, cook.request.machine, units);
  const estimate = cook.course?.estimate;
  const loading = step.kind === "load" || step.kind === "preheat";
  return (
    <Box mb="3">
      <Box aria-live="assertive">
        <Text as="h1" textStyle="instruction">
          {order(step, units)}
        </Text>
        <Text textStyle="line" color="ink.say" mt="1">
          {step.kind === "rest" && estimate
            ? `the core rises to about ${temperature(estimate.peak_c, units)}`
            : render(step.reason, units)}
        </Text>
      </Box>
      <Text srOnly role="status">
        {left <= 0 && step.kind !== "load" ? `Now: ${order(step, units)}` : ""}
      </Text>
      {loading ? (
        <>
          <Text textStyle="count" mt="2">
            {unbroken(set.main)}
          </Text>
          <Text textStyle="line" color="ink.say">
            {[set.after, waits(step.kind, left, due)].filter(Boolean).join(" · ")}
          </Text>
          <Text textStyle="small" color="ink.say" mt="2">
            {awake
              ? "Keep this screen on: it is held awake."
              : "Keep this screen on: a locked phone rings no alarm."}{" "}
            Set the machine's own timer to {wholeMinutes(set.timer)} too.
          </Text>
        </>
      ) : (
        <>
          <Text
            textStyle="count"
            color={left <= 0 ? "ember" : "zest.mark"}
            mt="2"
            role="timer"
            aria-live="off"
          >
            {left <= 0 ? "now" : countdown(left)}
          </Text>
          <Text textStyle="line" color="ink.say">
            {left <= 0
              ? `since ${clock(new Date(due))}, ${countdown(-left)} ago`
              : `${after(loaded, due)}at ${clock(new Date(due))}`}
            {loaded === null || step.kind === "rest" || step.kind === "serve" ? null : (
              <>
                {" · "}
                <b>{onDial(dial, cook.request.machine, units)}</b>
              </>
            )}
          </Text>
        </>
      )}
    </Box>
  );
}

const after = (loaded: number | null, due: number) =>
  loaded === null ? "" : `after ${wholeMinutes((due - loaded) / 1000)}, `;

/** The setting, then the minutes; a number stays with its unit. */
const unbroken = (text: string) => text.replaceAll(" ", "\u00a0").replace("\u00a0for\u00a0", ", ");

/** The preheat is a countdown. */
function waits(kind: string, left: number, due: number): string {
  if (kind === "preheat" || left <= 0) return "";
  return `hot in ${countdown(left)}, at ${clock(new Date(due))}`;
}
