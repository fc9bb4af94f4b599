// The plan of a sentence: it follows every changed word, and holds its picture until the next.

import { Box, Grid, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiFailure } from "../../api/client";
import { countedQuery, planQuery } from "../../api/queries";
import type { Catalogue, CutEntry, Machine, Plan, Request } from "../../api/types";
import { Trouble, Waiting } from "../../components/Notice";
import { useSettings } from "../../domain/settings";
import { EmberStrip } from "../../features/ember-strip/EmberStrip";
import { stepsBefore } from "../../features/prep/method";
import { Alternatives } from "../../features/sentence/Alternatives";
import { InTime } from "../../features/sentence/InTime";
import { Sentence } from "../../features/sentence/Sentence";
import { StepList } from "../../features/steps/StepList";
import { Warnings } from "../../features/steps/Warnings";
import { clockOn, nextAt } from "../../lib/clock";
import { useNow, useSettled } from "../../lib/hooks";
import { usePageTitle } from "../../lib/title";
import { BackToSupper } from "./BackToSupper";
import { Keep } from "./Keep";
import { SaveCook } from "./SaveCook";
import { Sections } from "./Sections";
import { Summary } from "./Summary";

interface PlanViewProps {
  catalogue: Catalogue;
  entry: CutEntry;
  machines: Machine[];
  request: Request;
  eat: string | null;
  /** The supper it is a dish of. */
  of: { supper: string; dish: number } | null;
  /** The planned cook that is changed. */
  cook: string | null;
  onChange: (change: Partial<Request>) => void;
  onEat: (eat: string | null) => void;
}

/** A slider sends many words a second; the plan follows once it rests this long, ms. */
const SETTLE = 40;
/** The methods, which are a cook each, follow later, ms. */
const CALM = 250;
const MINUTE = 60_000;

export function PlanView(props: PlanViewProps) {
  const { request, eat } = props;
  usePageTitle(
    `Plan: ${request.pieces} ${request.pieces === 1 ? props.entry.name : props.entry.plural}`,
  );
  const units = useSettings();
  const settled = useSettled(request, SETTLE);
  const plan = useQuery(planQuery(settled));
  const failure = plan.error instanceof ApiFailure ? plan.error : null;
  const last = useLastPlan(plan.data);
  // Under a refusal no plan stands for an answer; while the server cannot be reached the last one
  // stays, paler.
  const shown = failure?.problem ? undefined : last;
  const now = useNow(15_000);
  const calm = useSettled(request, CALM);
  const counted = useQuery(countedQuery(calm)).data?.method ?? undefined;
  const before = shown && counted ? stepsBefore(counted, shown.preheat_s ?? 0) : [];
  const ahead = -(before[0]?.at_s ?? 0);
  const load = loadTime(shown, eat, now, ahead);
  const late = eat !== null && load < now - MINUTE;
  // Another day than today is named.
  const clockOf = (seconds: number) => clockOn(new Date(load + seconds * 1000), new Date(now));

  const eatAt = eat && shown ? new Date(load + shown.eat_at_s * 1000) : null;
  const buttons = props.of ? (
    <BackToSupper request={request} of={props.of} disabled={failure !== null} />
  ) : props.cook ? (
    <SaveCook id={props.cook} request={request} eatAt={eatAt} disabled={failure !== null} />
  ) : (
    <Keep request={request} eatAt={eatAt} disabled={failure !== null} />
  );
  return (
    <Box pt="2">
      <Text as="h1" srOnly>
        Plan
      </Text>
      <Sentence {...props} plan={last} problem={failure?.problem ?? null} units={units} />
      {failure && !failure.problem ? (
        <Box mt="3">
          <Trouble onRetry={() => void plan.refetch()}>{failure.message}</Trouble>
        </Box>
      ) : null}
      {shown ? (
        <Box
          opacity={failure ? 0.4 : 1}
          aria-busy={plan.isFetching}
          inert={failure !== null || undefined}
        >
          <Grid
            templateColumns={{ base: "1fr", lg: "1fr auto" }}
            templateAreas={{ base: '"line" "strip" "start"', lg: '"line start" "strip strip"' }}
            columnGap="6"
          >
            <Box gridArea="line" minW="0">
              <Summary
                plan={shown}
                request={request}
                units={units}
                clockOf={clockOf}
                late={late}
                ahead={ahead}
              />
              {late && shown.batches.length === 1 ? (
                <InTime
                  request={request}
                  left={(load - now) / 1000 + shown.pull_at_s - (shown.preheat_s ?? 0)}
                  units={units}
                  onChange={props.onChange}
                />
              ) : null}
            </Box>
            <Box gridArea="strip" minW="0">
              <EmberStrip
                plan={shown}
                request={request}
                entry={props.entry}
                units={units}
                clockOf={clockOf}
                onChange={props.onChange}
              />
            </Box>
            <Box gridArea="start" pt={{ base: "1", lg: "3" }}>
              {buttons}
            </Box>
          </Grid>
          <Alternatives plan={shown} units={units} onChange={props.onChange} />
          <Grid
            templateColumns={{ base: "1fr", lg: "1.1fr 1.5fr" }}
            columnGap="10"
            rowGap="5"
            mt="4"
            alignItems="start"
          >
            <Box minW="0">
              <Title>Steps</Title>
              <StepList
                before={before}
                plan={shown}
                request={request}
                units={units}
                clockOf={clockOf}
              />
              <Box as="section" mt="6">
                <Title>Safety and tips</Title>
                <Warnings plan={shown} units={units} />
              </Box>
            </Box>
            <Sections
              {...props}
              plan={shown}
              settled={settled}
              calm={calm}
              counted={counted}
              units={units}
              clockOf={clockOf}
            />
          </Grid>
        </Box>
      ) : failure?.problem ? (
        <Keep request={request} eatAt={null} disabled />
      ) : failure ? null : (
        <Waiting>Calculating…</Waiting>
      )}
    </Box>
  );
}

function Title({ children }: { children: string }) {
  return (
    <Text as="h2" textStyle="section" mb="2">
      {children}
    </Text>
  );
}

/** The last plan there was, also while a sentence is refused. */
function useLastPlan(plan: Plan | undefined): Plan | undefined {
  const [last, setLast] = useState(plan);
  if (plan && plan !== last) setLast(plan);
  return plan ?? last;
}

/** When the first batch goes in, ms: so that it is on the table in time, or as soon as possible; not
 * before it has been got ready. */
function loadTime(plan: Plan | undefined, eat: string | null, now: number, ahead: number): number {
  const minute = Math.ceil(now / MINUTE) * MINUTE;
  if (!plan) return minute;
  const at = eat ? nextAt(eat, new Date(now + ahead * 1000)) : null;
  if (at) return at.getTime() - plan.eat_at_s * 1000;
  return minute + Math.max(plan.preheat_s ?? 0, ahead) * 1000;
}
