// The needs of this plan besides its method: recipes, the support of the meat, and standing times.
import { Box, Text } from "@chakra-ui/react";
import type { CountedMethod, Method } from "../../api/types";
import { capital } from "../../lib/text";
import { hours } from "../../lib/units";
import { TaskHelp } from "./HowTo";

export function Besides({
  method,
  counted,
}: {
  method: Method;
  counted: CountedMethod | undefined;
}) {
  const known = new Set(method.tasks.map((task) => task.name));
  const more = (counted?.tasks ?? []).filter((task) => !known.has(task.name));
  // Only beside the method that the plan counts with.
  if (more.length === 0 || method.id !== counted?.id) return null;
  return (
    <Box mt="3">
      <Text textStyle="small" fontWeight="600">
        And for this plan
      </Text>
      <Box as="ol" listStyleType="none">
        {more.map((task) => (
          <Box as="li" key={task.name} borderTop="1px solid" borderColor="line" py="2">
            <Text textStyle="body">
              {task.name}{" "}
              <Text as="span" textStyle="small">
                · {hours(task.best_s)}, begun {hours(task.before_s)} before
              </Text>
            </Text>
            {task.reason ? (
              <Text textStyle="small" color="ink.soft">
                {capital(task.reason)}
              </Text>
            ) : null}
            <TaskHelp task={task} />
          </Box>
        ))}
      </Box>
    </Box>
  );
}
