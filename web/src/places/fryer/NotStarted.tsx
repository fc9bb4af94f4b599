// A kept plan before it is started.
import { Box, Text } from "@chakra-ui/react";
import type { Cook } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { useSettings } from "../../domain/settings";
import { Preparation } from "../../features/course/Preparation";
import { useReports } from "../../features/course/reports";
import { CourseStrip } from "../../features/ember-strip/CourseStrip";
import { clock, clockOn } from "../../lib/clock";
import { minutes, setting, temperature } from "../../lib/units";

export function NotStarted({ cook, received }: { cook: Cook; received: number }) {
  const units = useSettings();
  const { report, waiting, refused } = useReports(cook.id);
  const { plan } = cook;
  const when = (at: Date) => clockOn(at, new Date());
  const { start_by, prepare_from, eat_at } = cook;
  return (
    <Box pt="3">
      <Text as="h1" textStyle="title">
        {cook.name}
      </Text>
      <Text textStyle="line" color="ink.soft" mt="1" mb="4">
        {setting(plan.setting_c, units)} in {cook.request.machine.name}, about{" "}
        {minutes(plan.pull_at_s)}, until {plan.target_name ? `${plan.target_name}, ` : ""}
        {temperature(plan.core_target_c, units)}.
      </Text>
      {start_by && eat_at ? (
        <Text textStyle="line" mb="4">
          {prepare_from && prepare_from !== start_by ? (
            <>
              Prepare it from <b>{when(new Date(prepare_from))}</b>.{" "}
            </>
          ) : null}
          Start by <b>{when(new Date(start_by))}</b> to eat at {clock(new Date(eat_at))}.
        </Text>
      ) : null}
      <Preparation cook={cook} received={received} />
      <Box mt="6">
        <CourseStrip plan={plan} now={null} estimate={null} />
      </Box>
      {refused.map((one) => (
        <Trouble key={one.id}>{one.refused}</Trouble>
      ))}
      <Box mt="6">
        <Action
          type="button"
          look="zest"
          big
          disabled={waiting.some((one) => one.happening.kind === "started")}
          onClick={() => report({ kind: "started" })}
        >
          Start cooking
        </Action>
        {eat_at ? (
          <a href={`/api/cooks/${cook.id}/calendar.ics`} download="cook.ics">
            <Action as="span" look="plain">
              For the calendar
            </Action>
          </a>
        ) : null}
      </Box>
    </Box>
  );
}
