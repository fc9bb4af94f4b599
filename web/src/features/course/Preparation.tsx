// The preparation, task by task: the present task with its clock, finished tasks, later tasks.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Cook } from "../../api/types";
import { Action } from "../../components/recipes";
import { clockOn, countdown } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
import { capital } from "../../lib/text";
import { hours } from "../../lib/units";
import { TaskHelp } from "../prep/HowTo";
import { type PreparingTask, preparing } from "./preparing";
import { useReports } from "./reports";
import { skewOf } from "./standing";
import { lastTold, told } from "./told";

/** Farther away than this there is a time instead of a countdown, ms. */
const SOON = 12 * 3_600_000;

export function Preparation({ cook, received }: { cook: Cook; received: number }) {
  const now = useNow(1000);
  const { report, waiting } = useReports(cook.id);
  const skew = skewOf(cook, received);
  const { tasks, current } = preparing(cook, waiting, skew, now);
  const last = lastTold(told(cook, waiting, skew));
  if (tasks.length === 0) return null;
  const tell = (task: number, done: boolean) => report({ kind: "prepared", task, done });
  return (
    <Box as="section" aria-label="Preparation" mt="4">
      {current ? (
        <Current
          one={current}
          now={now}
          onBegun={() => tell(current.index, false)}
          onDone={() => tell(current.index, true)}
        />
      ) : (
        <Text textStyle="line">Everything is prepared.</Text>
      )}
      {last?.happening.kind === "prepared" ? (
        <Action
          type="button"
          look="plain"
          mt="2"
          ms="-2"
          onClick={() => report({ kind: "undone", event: last.id })}
        >
          Undo: {tasks[last.happening.task]?.task.name ?? "the last"},{" "}
          {last.happening.done ? "done" : "started"}
        </Action>
      ) : null}
      <Box as="ol" listStyleType="none" mt="4">
        {tasks.map((one) => (
          <Flex
            as="li"
            key={one.index}
            gap="3"
            justify="space-between"
            borderTop="1px solid"
            borderColor="line"
            py="1.5"
            textStyle="body"
            aria-current={one === current ? "step" : undefined}
          >
            <Text fontWeight={one === current ? "700" : "400"}>
              {one.done === null ? "" : "✓ "}
              {one.task.name}
            </Text>
            <Text textStyle="small" color="ink.soft" whiteSpace="nowrap">
              {when(one, now)}
            </Text>
          </Flex>
        ))}
      </Box>
    </Box>
  );
}

function when({ task, due, begun, over, done }: PreparingTask, now: number): string {
  const at = (time: number) => clockOn(new Date(time), new Date(now));
  if (done !== null) return `done ${at(done)}`;
  if (begun !== null && over !== null) return `until ${at(over)}`;
  return due === null ? hours(task.best_s) : `${at(due)}, ${hours(task.best_s)}`;
}

interface CurrentProps {
  one: PreparingTask;
  now: number;
  onBegun: () => void;
  onDone: () => void;
}

function Current({ one, now, onBegun, onDone }: CurrentProps) {
  const { task, due, begun, over } = one;
  const waits = task.best_s > task.hands_on_s + 60;
  const asked = begun === null ? due : over;
  const left = asked === null ? null : (asked - now) / 1000;
  return (
    <Box>
      <Box aria-live="polite">
        <Text textStyle="instruction">
          {begun === null ? task.name : `${task.name}: under way`}
        </Text>
        {task.reason ? (
          <Text textStyle="line" color="ink.say" mt="1">
            {capital(task.reason)}
          </Text>
        ) : null}
      </Box>
      {left === null ? (
        <Text textStyle="line" mt="2">
          {hours(task.best_s)}
        </Text>
      ) : (
        <Text
          textStyle={left < SOON / 1000 ? "count" : "title"}
          color={left <= 0 ? "ember" : "ink"}
          role="timer"
          aria-live="off"
          mt="2"
        >
          {left <= 0
            ? begun === null
              ? "now"
              : "over"
            : left < SOON / 1000
              ? countdown(left)
              : clockOn(new Date(asked ?? now), new Date(now))}
        </Text>
      )}
      {begun !== null && task.halfway ? (
        <Text textStyle="body" mt="1">
          {task.halfway} half-way.
        </Text>
      ) : null}
      <TaskHelp task={task} mt="2" />
      <Flex gap="2.5" mt="4" wrap="wrap">
        {waits && begun === null ? (
          <Action type="button" look="zest" big onClick={onBegun}>
            Started
          </Action>
        ) : null}
        <Action
          type="button"
          look={waits && begun === null ? undefined : "zest"}
          big
          onClick={onDone}
        >
          Done
        </Action>
      </Flex>
    </Box>
  );
}
