// The tasks of a school, each with its place and its time; times that may differ can be changed.
import { Box, Text } from "@chakra-ui/react";
import type { Method, PrepTask } from "../../api/types";
import { Caution } from "../../components/Notice";
import { QuantityInput } from "../../components/QuantityInput";
import { Word } from "../../components/Word";
import { hours, readTime } from "../../lib/units";
import { type Changed, lasts } from "./method";

interface TasksProps {
  method: Method;
  changed: Changed;
  onChange: (task: string, seconds: number) => void;
}

const PLACES: Record<PrepTask["place"], string> = {
  counter: "counter",
  fridge: "fridge",
  hob: "hob",
};

export function Tasks({ method, changed, onChange }: TasksProps) {
  return (
    <Box as="ol" listStyleType="none" mt="2">
      {method.tasks.map((task) => (
        <Box as="li" key={task.name} borderTop="1px solid" borderColor="line" py="2">
          <Text textStyle="body">
            {task.name}{" "}
            <Text as="span" textStyle="small">
              · {PLACES[task.place]},{" "}
              {task.longest_s > task.shortest_s ? (
                <Time
                  task={task}
                  seconds={lasts(method, task, changed)}
                  onChange={(seconds) => onChange(task.name, seconds)}
                />
              ) : (
                hours(task.best_s)
              )}
            </Text>
          </Text>
          <Text textStyle="small" color="ink.soft">
            {task.reason}
          </Text>
          {task.caution ? (
            <Box mt="1">
              <Caution>{task.caution}</Caution>
            </Box>
          ) : null}
        </Box>
      ))}
    </Box>
  );
}

interface TimeProps {
  task: PrepTask;
  seconds: number;
  onChange: (seconds: number) => void;
}

function Time({ task, seconds, onChange }: TimeProps) {
  const [shortest, longest] = [task.shortest_s, task.longest_s];
  const step = longest > 4 * 3600 ? 1800 : longest > 3600 ? 600 : 60;
  return (
    <Word
      label={`Time: ${task.name}`}
      text={hours(seconds)}
      hint={`${hours(shortest)} to ${hours(longest)}`}
    >
      {(close) => (
        <QuantityInput
          label="Time"
          value={seconds}
          show={hours}
          understand={async (text) => {
            const told = readTime(text);
            if (told >= shortest && told <= longest) return told;
            throw new Error(`Write ${hours(shortest)} to ${hours(longest)}.`);
          }}
          range={[shortest, longest]}
          step={step}
          onChange={onChange}
          onDone={close}
        />
      )}
    </Word>
  );
}
