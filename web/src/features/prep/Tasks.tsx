// The tasks of a method, each with its place and its time; times that may differ can be changed.
import { Box, Text } from "@chakra-ui/react";
import { readTime } from "../../api/reader";
import type { Method, PrepTask } from "../../api/types";
import { TimeWord } from "../../components/TimeWord";
import { hours } from "../../lib/units";
import { TaskHelp } from "./HowTo";
import { type Changed, lasts } from "./method";

interface TasksProps {
  method: Method;
  changed: Changed;
  onChange: (task: string, seconds: number) => void;
}

const PLACES: Record<PrepTask["place"], string> = {
  counter: "counter",
  bowl: "in a bowl",
  fridge: "fridge",
  hob: "hob",
};

export function Tasks({ method, changed, onChange }: TasksProps) {
  return (
    <Box as="ol" listStyleType="none" mt="2">
      {method.tasks.map((task, n) => (
        <Box as="li" key={n} borderTop="1px solid" borderColor="line" py="2">
          <Text textStyle="body">
            {task.name}{" "}
            <Text as="span" textStyle="small">
              · {PLACES[task.place]},{" "}
              {task.longest_s > task.shortest_s ? (
                <TimeWord
                  read={readTime}
                  label={`Time: ${task.name}`}
                  field="Time"
                  seconds={lasts(method, task, changed)}
                  range={[task.shortest_s, task.longest_s]}
                  hint={`${hours(task.shortest_s)} to ${hours(task.longest_s)}`}
                  onChange={(seconds) => onChange(task.name, seconds)}
                />
              ) : (
                hours(task.best_s)
              )}
            </Text>
          </Text>
          {task.reason || task.halfway ? (
            <Text textStyle="small" color="ink.soft">
              {[task.reason, task.halfway ? `${task.halfway} half-way` : ""]
                .filter((words) => words !== "")
                .join(". ")}
            </Text>
          ) : null}
          <TaskHelp task={task} />
        </Box>
      ))}
    </Box>
  );
}
