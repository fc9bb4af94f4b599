// A kept supper: one next thing, what has begun, and everything else planned anew around it.

import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { ApiFailure } from "../../api/client";
import { keptSupperQuery } from "../../api/queries";
import type { KeptSupper } from "../../api/types";
import { Empty, Trouble, Waiting } from "../../components/Notice";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { CalendarLink } from "../../features/access/CalendarLink";
import type { Moment } from "../../features/supper/Agenda";
import { NextThing } from "../../features/supper/NextThing";
import { begunOf, isDone, isOfCook, nextMoment, tellable } from "../../features/supper/next";
import { useTelling } from "../../features/supper/telling";
import { clock } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
import { usePageTitle } from "../../lib/title";
import { SupperView } from "./SupperView";

export function SupperKept() {
  const { id } = useParams({ from: "/supper/$id" });
  const kept = useQuery(keptSupperQuery(id));
  if (kept.error instanceof ApiFailure && kept.error.problem?.status === 404) {
    return (
      <Empty title="No such supper">
        It may have been deleted. <PlaceLink to="/supper">To the suppers</PlaceLink>
      </Empty>
    );
  }
  if (kept.isError && !kept.data) {
    return <Trouble onRetry={() => void kept.refetch()}>{kept.error.message}</Trouble>;
  }
  if (!kept.data) return <Waiting>Loading…</Waiting>;
  return <Supping kept={kept.data} />;
}

/** So many of the next tasks can be told about. */
const TOLD_ABOUT = 3;

function Supping({ kept }: { kept: KeptSupper }) {
  usePageTitle(`Supper: ${kept.supper.name}`);
  const now = useNow(1000);
  const telling = useTelling(kept);
  const { supper, problem, error, busy } = telling;
  const { plan } = kept;
  const next = nextMoment({ ...kept, supper }, now);
  // What is under way and what comes next can be told about; the rest only reads.
  const open = plan.agenda
    .filter((moment) => !isDone(supper, plan, moment) && !isOfCook(kept, moment))
    .slice(0, TOLD_ABOUT);
  const begun = plan.agenda.filter(
    (moment) =>
      moment.moment === 0 && !isOfCook(kept, moment) && begunOf(supper, plan, moment) !== undefined,
  );
  const tellable = new Set([...open, ...begun]);
  return (
    <Box>
      {next ? <NextThing moment={next} kept={kept} now={now} telling={telling} /> : null}
      {telling.screen}
      <AtTheFryer kept={kept} />
      <SupperView
        supper={supper}
        plan={plan}
        problem={problem}
        busy={busy}
        kept={kept.id}
        onChange={telling.change}
        controls={(moment) =>
          tellable.has(moment) ? (
            <Controls moment={moment} kept={kept} telling={telling} now={now} />
          ) : null
        }
      >
        <a href={`/api/suppers/${kept.id}/calendar.ics`} download="supper.ics">
          <Action as="span" look="plain">
            For the calendar
          </Action>
        </a>
        <CalendarLink supper={kept.id} />
      </SupperView>
      {error && !problem ? <Trouble>{error.message}</Trouble> : null}
    </Box>
  );
}

/** The dishes that are followed at the fryer, and those that are in the log. */
function AtTheFryer({ kept }: { kept: KeptSupper }) {
  if (kept.cooks.length === 0) return null;
  return (
    <Box pb="4" className="no-print">
      {kept.cooks.map(({ dish, cook, state }) => (
        <Text key={cook} textStyle="line">
          {kept.plan.dishes.find((one) => one.id === dish)?.name ?? "A dish"}:{" "}
          <PlaceLink
            to="/fryer/$id"
            params={{ id: cook }}
            textDecoration="underline"
            textUnderlineOffset="3px"
          >
            {state === "finished" ? "over; how it went" : "cooking; follow it"}
          </PlaceLink>
        </Text>
      ))}
    </Box>
  );
}

interface ControlsProps {
  moment: Moment;
  kept: KeptSupper;
  telling: ReturnType<typeof useTelling>;
  now: number;
}

/** What can be told of a moment: that its task has begun, is done, or takes longer. */
function Controls({ moment, kept, telling, now }: ControlsProps) {
  const { supper, tell } = telling;
  const known = begunOf(supper, kept.plan, moment);
  const { under, once } = tellable(supper, kept.plan, moment);
  if (known && under && new Date(known.end_at).getTime() <= now) {
    return (
      <Text textStyle="small" py="2.5">
        done at {clock(new Date(known.end_at))}
      </Text>
    );
  }
  return (
    <Flex gap="1" wrap="wrap" className="no-print">
      {once || moment.moment > 0 ? null : (
        <Action type="button" look="plain" onClick={() => tell(moment, "begun")}>
          Started
        </Action>
      )}
      <Action type="button" look="plain" onClick={() => tell(moment, "done")}>
        Done
      </Action>
      <Action type="button" look="plain" onClick={() => tell(moment, "later")}>
        {under ? "5 min more" : "5 min later"}
      </Action>
    </Flex>
  );
}
