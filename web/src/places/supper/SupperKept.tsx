// A kept supper: one next thing, what has begun, and everything else planned anew around it.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { ApiFailure } from "../../api/client";
import { changeSupper, keptSupperQuery, suppersQuery } from "../../api/queries";
import type { KeptSupper, Supper } from "../../api/types";
import { Empty, Trouble, Waiting } from "../../components/Notice";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import type { Moment } from "../../features/supper/Agenda";
import { begunOf, nextMoment } from "../../features/supper/next";
import { clock, countdown, day } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
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
  if (kept.isError) {
    return <Trouble onRetry={() => void kept.refetch()}>{kept.error.message}</Trouble>;
  }
  if (!kept.data) return <Waiting>Laying the table…</Waiting>;
  return <Supping kept={kept.data} />;
}

const MINUTE = 60_000;
/** So many of the next tasks can be told about. */
const TOLD_ABOUT = 3;

function Supping({ kept }: { kept: KeptSupper }) {
  const queries = useQueryClient();
  const now = useNow(1000);
  const change = useMutation({
    mutationFn: (supper: Supper) => changeSupper(kept.id, supper),
    onSuccess: (changed) => {
      queries.setQueryData(keptSupperQuery(kept.id).queryKey, changed);
      void queries.invalidateQueries({ queryKey: suppersQuery().queryKey, exact: true });
    },
  });
  const problem = change.error instanceof ApiFailure ? change.error.problem : null;
  // Shown as it was wanted, also while it is refused.
  const supper = change.isPending || change.isError ? change.variables : kept.supper;
  const { plan } = kept;
  const begun = supper.begun ?? [];
  const beginning = (moment: Moment) => begunOf(supper, moment);
  /** A task begins now, or ends at another time. */
  const tell = (moment: Moment, end: (planned: { start: number; end: number }) => number) => {
    const task = plan.dishes[moment.dish]?.tasks[moment.task];
    if (!task) return;
    const known = beginning(moment);
    const long = new Date(task.end_at).getTime() - new Date(task.start_at).getTime();
    const start = known ? new Date(known.start_at).getTime() : Date.now();
    const planned = { start, end: known ? new Date(known.end_at).getTime() : start + long };
    // What came before in this dish is done.
    const earlier = (plan.dishes[moment.dish]?.tasks ?? [])
      .slice(0, moment.task)
      .map((before, n) => ({ before, n }))
      .filter(({ n }) => !begun.some((one) => one.dish === moment.dish && one.task === n))
      .map(({ before, n }) => ({
        dish: moment.dish,
        task: n,
        start_at: new Date(Math.min(new Date(before.start_at).getTime(), start)).toISOString(),
        end_at: new Date(Math.min(new Date(before.end_at).getTime(), start)).toISOString(),
      }));
    const next = {
      dish: moment.dish,
      task: moment.task,
      start_at: new Date(start).toISOString(),
      end_at: new Date(Math.max(start, end(planned))).toISOString(),
    };
    change.mutate({
      ...supper,
      begun: [...begun.filter((one) => one !== known), ...earlier, next],
    });
  };
  const next = nextMoment(supper, plan, now);
  // What is under way and what comes next can be told about; the rest only reads.
  const firsts = plan.agenda.filter(
    (moment) =>
      plan.agenda.find((one) => one.dish === moment.dish && one.task === moment.task) === moment,
  );
  const telling = new Set([
    ...firsts.filter(beginning),
    ...firsts.filter((moment) => !beginning(moment)).slice(0, TOLD_ABOUT),
  ]);
  return (
    <Box>
      {next ? <NextThing moment={next} kept={kept} now={now} /> : null}
      <SupperView
        supper={supper}
        plan={plan}
        problem={problem}
        busy={change.isPending}
        onChange={(wanted) => change.mutate(wanted)}
        controls={(moment) => {
          const known = beginning(moment);
          if (!telling.has(moment)) return null;
          const over = known && new Date(known.end_at).getTime() <= now;
          return (
            <Flex gap="1" wrap="wrap" className="no-print">
              {known ? null : (
                <Action type="button" look="plain" onClick={() => tell(moment, ({ end }) => end)}>
                  It has begun
                </Action>
              )}
              {over ? (
                <Text textStyle="small" py="2.5">
                  done at {clock(new Date(known.end_at))}
                </Text>
              ) : (
                <>
                  <Action type="button" look="plain" onClick={() => tell(moment, () => Date.now())}>
                    Done
                  </Action>
                  <Action
                    type="button"
                    look="plain"
                    onClick={() => tell(moment, ({ end }) => end + 5 * MINUTE)}
                  >
                    5 min more
                  </Action>
                </>
              )}
            </Flex>
          );
        }}
      >
        <a href={`/api/suppers/${kept.id}/calendar.ics`} download="supper.ics">
          <Action as="span" look="plain">
            For the calendar
          </Action>
        </a>
      </SupperView>
      {change.error && !problem ? <Trouble>{change.error.message}</Trouble> : null}
    </Box>
  );
}

interface NextThingProps {
  moment: Moment;
  kept: KeptSupper;
  now: number;
}

/** Across all dishes: one thing, and how long until it. */
function NextThing({ moment, kept, now }: NextThingProps) {
  const at = new Date(moment.at);
  const left = (at.getTime() - now) / 1000;
  const soon = left < 12 * 3600;
  return (
    <Box pb="4" aria-live="polite" className="no-print">
      <Text textStyle="title">
        {moment.what}
        <Text as="span" textStyle="line" color="ink.say" fontWeight="400">
          {" "}
          · {kept.plan.dishes[moment.dish]?.name}
        </Text>
      </Text>
      <Text textStyle="line" color={left <= 0 ? "ember" : "ink.say"} role="timer" aria-live="off">
        {left <= 0 ? "now" : soon ? `in ${countdown(left)}` : day(at, new Date(now))}, at{" "}
        {clock(at)}
      </Text>
    </Box>
  );
}
