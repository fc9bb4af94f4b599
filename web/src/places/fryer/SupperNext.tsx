// At the fryer, a supper across its dishes: one next thing, whatever it is.
import { Box, Text } from "@chakra-ui/react";
import type { KeptSupper } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { AlarmWords } from "../../features/alarm/AlarmWords";
import { useStart } from "../../features/course/useStart";
import type { Moment } from "../../features/supper/Agenda";
import { NextThing } from "../../features/supper/NextThing";
import { nextMoment } from "../../features/supper/next";
import { useTelling } from "../../features/supper/telling";
import { clock, day } from "../../lib/clock";
import { useIdentity, useNow } from "../../lib/hooks";

const TICK = 1000;

export function SupperNext({ kept }: { kept: KeptSupper }) {
  const now = useNow(TICK);
  const telling = useTelling(kept);
  const { supper, error } = telling;
  const { plan } = kept;
  const moment = nextMoment(supper, plan, now);
  if (!moment) return null;
  const rest = plan.agenda.slice(plan.agenda.indexOf(moment) + 1);
  const then = nextMoment(supper, { ...plan, agenda: rest }, now);
  const serve = new Date(plan.serve_at);
  return (
    <Box as="section" pb="6">
      <Text textStyle="small" color="ink.soft" pb="3">
        <PlaceLink
          to="/supper/$id"
          params={{ id: kept.id }}
          textDecoration="underline"
          textUnderlineOffset="3px"
        >
          {supper.name}
        </PlaceLink>
        , on the table {day(serve, new Date(now))} at {clock(serve)}
      </Text>
      <NextThing kept={kept} moment={moment} now={now} telling={telling} big>
        {error ? (
          <Box mt="3">
            <Trouble>
              {error.message}{" "}
              <Action type="button" look="inline" onClick={() => void telling.dismiss()}>
                Remove
              </Action>
            </Trouble>
          </Box>
        ) : null}
        <Text textStyle="line" color="ink.soft" mt="4">
          {then
            ? `Then, at ${clock(new Date(then.at))}: ${then.what} (${plan.dishes[then.dish]?.name})`
            : `Then the table, at ${clock(serve)}`}
        </Text>
        <Follow kept={kept} moment={moment} />
      </NextThing>
      <AlarmWords />
    </Box>
  );
}

/** A cook of the supper can be followed on its own, with readings and the thermometer's forecast. */
function Follow({ kept, moment }: { kept: KeptSupper; moment: Moment }) {
  const request = kept.supper.dishes[moment.dish]?.cook?.request;
  const dish = kept.plan.dishes[moment.dish];
  const start = useStart();
  const id = useIdentity(request);
  const task = dish?.tasks[moment.task];
  const loads =
    dish?.load_at && task && task.start_at <= dish.load_at && dish.load_at < task.end_at;
  if (!request || !loads) return null;
  return (
    <Box mt="2">
      <Action
        type="button"
        look="plain"
        disabled={start.isPending}
        onClick={() => start.mutate({ id, request, eatAt: new Date(kept.plan.serve_at) })}
      >
        Follow this cook with the thermometer
      </Action>
      {start.error ? <Trouble>{start.error.message}</Trouble> : null}
    </Box>
  );
}
