// A kept plan before it is started.
import { Box, Text } from "@chakra-ui/react";
import type { Cook } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { useSettings } from "../../domain/settings";
import { useReports } from "../../features/course/reports";
import { CourseStrip } from "../../features/ember-strip/CourseStrip";
import { clock, day } from "../../lib/clock";
import { minutes, setting, temperature } from "../../lib/units";

export function NotStarted({ cook }: { cook: Cook }) {
  const units = useSettings();
  const { report, waiting, refused } = useReports(cook.id);
  const { plan } = cook;
  const lead = (plan.preheat_s ?? 0) + plan.eat_at_s;
  const ahead = (cook.request.ahead ?? []).reduce((sum, one) => sum + (one.ahead_s ?? 0), 0);
  const when = (at: Date) => `${day(at, new Date())} ${clock(at)}`;
  const startBy = cook.eat_at ? new Date(Date.parse(cook.eat_at) - lead * 1000) : null;
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
      {startBy ? (
        <Text textStyle="line" mb="4">
          {ahead >= 60 ? (
            <>
              Get it ready from <b>{when(new Date(startBy.getTime() - ahead * 1000))}</b> on.{" "}
            </>
          ) : null}
          Start by <b>{clock(startBy)}</b> to eat at {clock(new Date(cook.eat_at ?? ""))}.
        </Text>
      ) : null}
      <CourseStrip plan={plan} now={null} estimate={null} />
      {refused.map((one) => (
        <Trouble key={one.id}>{one.refused}</Trouble>
      ))}
      <Box mt="6">
        <Action
          type="button"
          look="zest"
          big
          disabled={waiting.length > 0}
          onClick={() => report({ kind: "started" })}
        >
          Start now
        </Action>
      </Box>
    </Box>
  );
}
