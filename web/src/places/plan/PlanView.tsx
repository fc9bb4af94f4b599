// The plan of a sentence: it follows every changed word, and holds its picture until the next.
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiFailure } from "../../api/client";
import { planQuery } from "../../api/queries";
import type { Catalogue, CutEntry, Loading, Machine, Plan, Request } from "../../api/types";
import { Trouble, Waiting } from "../../components/Notice";
import { useSettings } from "../../domain/settings";
import { Explained } from "../../features/assumptions/Explained";
import { Worth } from "../../features/assumptions/Worth";
import { LoadingSection } from "../../features/basket/LoadingSection";
import { Curves } from "../../features/ember-strip/Curves";
import { EmberStrip } from "../../features/ember-strip/EmberStrip";
import { Found } from "../../features/outcomes/Found";
import { stepsBefore } from "../../features/prep/method";
import { Prep } from "../../features/prep/Prep";
import { useWays } from "../../features/prep/useWays";
import { Alternatives } from "../../features/sentence/Alternatives";
import { InTime } from "../../features/sentence/InTime";
import { Sentence } from "../../features/sentence/Sentence";
import { StepList } from "../../features/steps/StepList";
import { Warnings } from "../../features/steps/Warnings";
import { clock, nextAt, weekday } from "../../lib/clock";
import { useNow, useSettled } from "../../lib/hooks";
import { BackToSupper } from "./BackToSupper";
import { Beside } from "./Beside";
import { Keep } from "./Keep";
import { SaveCook } from "./SaveCook";
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
/** The schools, which are a cook each, follow later, ms. */
const CALM = 250;
const MINUTE = 60_000;

export function PlanView(props: PlanViewProps) {
  const { request, eat } = props;
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
  const { chosen } = useWays(calm);
  const before =
    shown && chosen && calm.ahead?.length
      ? stepsBefore(chosen, calm.ahead, shown.preheat_s ?? 0)
      : [];
  const ahead = -(before[0]?.at_s ?? 0);
  const load = loadTime(shown, eat, now, ahead);
  const late = eat !== null && load < now - MINUTE;
  // Another day than today is named.
  const clockOf = (seconds: number) => {
    const at = new Date(load + seconds * 1000);
    const today = at.toDateString() === new Date(now).toDateString();
    return today ? clock(at) : `${weekday(at)} ${clock(at)}`;
  };

  return (
    <Box pt="2">
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
          <Flex
            align="flex-start"
            justify="space-between"
            gap="6"
            wrap={{ base: "wrap", lg: "nowrap" }}
          >
            <Box>
              <Summary plan={shown} units={units} clockOf={clockOf} late={late} ahead={ahead} />
              {late && shown.batches.length === 1 ? (
                <InTime
                  request={request}
                  left={(load - now) / 1000 + shown.pull_at_s - (shown.preheat_s ?? 0)}
                  units={units}
                  onChange={props.onChange}
                />
              ) : null}
            </Box>
            {props.of ? (
              <BackToSupper request={request} of={props.of} disabled={failure !== null} />
            ) : props.cook ? (
              <SaveCook
                id={props.cook}
                request={request}
                eatAt={eat && shown ? new Date(load + shown.eat_at_s * 1000) : null}
                disabled={failure !== null}
              />
            ) : (
              <Keep
                request={request}
                eatAt={eat && shown ? new Date(load + shown.eat_at_s * 1000) : null}
                disabled={failure !== null}
              />
            )}
          </Flex>
          <Alternatives plan={shown} units={units} onChange={props.onChange} />
          <EmberStrip plan={shown} units={units} clockOf={clockOf} />
          <Grid templateColumns={{ base: "1fr", lg: "1.25fr 2fr" }} gap="9" mt="3">
            <Box as="section" minW="0">
              <Title>What to do</Title>
              <StepList
                steps={[...before, ...shown.steps]}
                units={units}
                clockOf={clockOf}
                now={0}
              />
              <Box mt="8">
                <Title>Before that</Title>
                <Prep
                  key={request.cut}
                  request={calm}
                  entry={props.entry}
                  units={units}
                  onChange={props.onChange}
                />
              </Box>
              <Box mt="8">
                <Title>What to know</Title>
                <Warnings plan={shown} units={units} />
              </Box>
            </Box>
            <Grid templateColumns={{ base: "1fr", lg: "1fr 1fr" }} gap="9" alignContent="start">
              {shown.loading ? (
                <Box as="section" gridColumn={{ lg: "1 / -1" }}>
                  <Title>{lies(shown.loading)}</Title>
                  <LoadingSection
                    plan={shown}
                    loading={shown.loading}
                    request={settled}
                    units={units}
                    clockOf={clockOf}
                    onChange={props.onChange}
                  />
                  <Beside
                    catalogue={props.catalogue}
                    request={settled}
                    entry={props.entry}
                    units={units}
                    clockOf={clockOf}
                  />
                </Box>
              ) : null}
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
            </Grid>
          </Grid>
        </Box>
      ) : failure?.problem ? (
        <Keep request={request} eatAt={null} disabled />
      ) : failure ? null : (
        <Waiting>Working out how the heat walks in…</Waiting>
      )}
    </Box>
  );
}

/** What a loading does in its machine. */
function lies({ spit, tumbler }: Loading): string {
  if (spit) return "How it turns";
  return tumbler ? "How it tumbles" : "How it lies";
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
