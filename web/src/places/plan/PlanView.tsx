// The plan of a sentence: it follows every changed word, and holds its picture until the next.
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import { ApiFailure } from "../../api/client";
import { cookChanged, keepCook, planQuery, sendReport } from "../../api/queries";
import type { Catalogue, CutEntry, Machine, Plan, Request } from "../../api/types";
import { Trouble, Waiting } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { Explained } from "../../features/assumptions/Explained";
import { Worth } from "../../features/assumptions/Worth";
import { BasketMap } from "../../features/basket/BasketMap";
import { Curves } from "../../features/ember-strip/Curves";
import { EmberStrip } from "../../features/ember-strip/EmberStrip";
import { Found } from "../../features/outcomes/Found";
import { InTime } from "../../features/sentence/InTime";
import { Sentence } from "../../features/sentence/Sentence";
import { StepList } from "../../features/steps/StepList";
import { Warnings } from "../../features/steps/Warnings";
import { clock, nextAt } from "../../lib/clock";
import { useNow, useSettled } from "../../lib/hooks";
import { useSettings } from "../../lib/settings";
import { minutes } from "../../lib/units";

interface PlanViewProps {
  catalogue: Catalogue;
  entry: CutEntry;
  machines: Machine[];
  request: Request;
  eat: string | null;
  onChange: (change: Partial<Request>) => void;
  onEat: (eat: string | null) => void;
}

/** A slider sends many words a second; the plan follows once it rests this long, ms. */
const SETTLE = 40;
const MINUTE = 60_000;

export function PlanView(props: PlanViewProps) {
  const { request, eat } = props;
  const units = useSettings();
  const settled = useSettled(request, SETTLE);
  const plan = useQuery(planQuery(settled));
  const failure = plan.error instanceof ApiFailure ? plan.error : null;
  // A refusal leaves the last picture standing, paler, under its words.
  const shown = useLastPlan(plan.data);
  const now = useNow(15_000);
  const load = loadTime(shown, eat, now);
  const late = eat !== null && load < now - MINUTE;
  const clockOf = (seconds: number) => clock(new Date(load + seconds * 1000));

  return (
    <Box pt="2">
      <Sentence {...props} plan={shown} problem={failure?.problem ?? null} units={units} />
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
          <Flex
            align="flex-start"
            justify="space-between"
            gap="6"
            wrap={{ base: "wrap", lg: "nowrap" }}
          >
            <Box>
              <Summary plan={shown} clockOf={clockOf} late={late} />
              {late && shown.batches.length === 1 ? (
                <InTime
                  request={request}
                  left={(load - now) / 1000 + shown.pull_at_s - (shown.preheat_s ?? 0)}
                  units={units}
                  onChange={props.onChange}
                />
              ) : null}
            </Box>
            <Keep request={request} eat={eat} disabled={failure !== null} />
          </Flex>
          <EmberStrip plan={shown} units={units} clockOf={clockOf} />
          <Grid templateColumns={{ base: "1fr", lg: "1.25fr 2fr" }} gap="9" mt="3">
            <Box as="section">
              <Title>What to do</Title>
              <StepList steps={shown.steps} units={units} clockOf={clockOf} now={0} />
            </Box>
            <Grid templateColumns={{ base: "1fr", lg: "1fr 1fr" }} gap="9" alignContent="start">
              <Box as="section">
                <Title>What a thermometer would say</Title>
                <Curves plan={shown} units={units} />
                <Explained plan={shown} request={settled} units={units} />
              </Box>
              <Box as="section">
                <Title>What it is worth</Title>
                <Worth plan={shown} units={units} />
              </Box>
              <Box as="section">
                <Title>What you will find</Title>
                <Found
                  plan={shown}
                  units={units}
                  region={
                    props.catalogue.regions.find((known) => known.region === request.region)
                      ?.words ?? request.region
                  }
                />
              </Box>
              <Box as="section">
                {shown.layout ? (
                  <Box mb="8">
                    <Title>How they lie</Title>
                    <BasketMap
                      plan={shown}
                      layout={shown.layout}
                      machine={settled.machine}
                      units={units}
                      byHand={request.layout != null}
                      clockOf={clockOf}
                      onChange={props.onChange}
                    />
                  </Box>
                ) : null}
                <Title>What to know</Title>
                <Warnings plan={shown} units={units} />
              </Box>
            </Grid>
          </Grid>
        </Box>
      ) : failure ? null : (
        <Waiting>Working out how the heat walks in…</Waiting>
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

/** When the first batch goes in, ms: so that it is on the table in time, or as soon as possible. */
function loadTime(plan: Plan | undefined, eat: string | null, now: number): number {
  const minute = Math.ceil(now / MINUTE) * MINUTE;
  if (!plan) return minute;
  const at = eat ? nextAt(eat, new Date(now)) : null;
  if (at) return at.getTime() - plan.eat_at_s * 1000;
  return minute + (plan.preheat_s ?? 0) * 1000;
}

interface SummaryProps {
  plan: Plan;
  clockOf: (seconds: number) => string;
  late: boolean;
}

function Summary({ plan, clockOf, late }: SummaryProps) {
  const turn = plan.turn_at_s ? `turn at ${clockOf(plan.turn_at_s)}, ` : "";
  const batches = plan.batches.length;
  const layer =
    batches > 1
      ? `${batches} batches, ${plan.batches.map((batch) => batch.pieces).join(" and ")}; the second goes into a hot machine.`
      : `One layer, ${plan.airiness}.`;
  return (
    <Text textStyle="line" pt="2" pb="2">
      {late ? (
        <Text as="span" color="beet" fontWeight="700">
          Too late for that by the clock; start now and eat at{" "}
          {clock(new Date(Date.now() + plan.eat_at_s * 1000))}.{" "}
        </Text>
      ) : null}
      <Text as="span" fontWeight="700">
        In at {clockOf(0)}, {turn}start checking at {clockOf(plan.check_from_s)}, out{" "}
        {plan.pull_band_s
          ? `between ${clockOf(plan.pull_band_s[0] ?? 0)} and ${clockOf(plan.pull_band_s[1] ?? 0)}, most likely `
          : "by "}
        {clockOf(plan.pull_at_s)}.
      </Text>{" "}
      {layer}{" "}
      {plan.rest_s >= 60
        ? `${minutes(plan.rest_s)} rest, then the table ${table(plan, clockOf)}.`
        : ""}
      {plan.below_floor ? (
        <Text as="span" color="beet" fontWeight="700">
          {" "}
          Below the safety floor.
        </Text>
      ) : null}
    </Text>
  );
}

/** When it is on the table: a window as wide as that of the pull. */
function table(plan: Plan, clockOf: (seconds: number) => string): string {
  const [early, late] = plan.pull_band_s ?? [];
  if (early == null || late == null) return `at ${clockOf(plan.eat_at_s)}`;
  const after = plan.eat_at_s - plan.pull_at_s;
  return `between ${clockOf(early + after)} and ${clockOf(late + after)}`;
}

interface KeepProps {
  request: Request;
  eat: string | null;
  disabled: boolean;
}

function Keep({ request, eat, disabled }: KeepProps) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const eatAt = eat ? nextAt(eat, new Date()) : null;
  const keep = useMutation({
    mutationFn: () => keepCook(request, null, eatAt),
    onSuccess: (cook) => {
      cookChanged(queries, cook);
      void navigate({ to: "/" });
    },
  });
  const start = useMutation({
    mutationFn: async () => {
      const cook = await keepCook(request, null, eatAt);
      return sendReport(cook.id, {
        id: crypto.randomUUID(),
        ago_s: 0,
        happening: { kind: "started" },
      });
    },
    onSuccess: (cook) => {
      cookChanged(queries, cook);
      void navigate({ to: "/fryer/$id", params: { id: cook.id } });
    },
  });
  const error = keep.error ?? start.error;
  return (
    <Box mt="1" className="no-print" flexShrink="0">
      <Flex gap="2.5">
        <Action
          look="solid"
          type="button"
          disabled={disabled || start.isPending}
          onClick={() => start.mutate()}
        >
          Start now
        </Action>
        <Action type="button" disabled={disabled || keep.isPending} onClick={() => keep.mutate()}>
          Keep for later
        </Action>
      </Flex>
      {error ? (
        <Box mt="3">
          <Trouble>{error.message} Nothing you said is lost.</Trouble>
        </Box>
      ) : null}
    </Box>
  );
}
