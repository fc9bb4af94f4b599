// A supper: its sentence, its dishes, its lanes, and everything by the clock.
import { Box, Grid, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { catalogueQuery, machinesQuery } from "../../api/queries";
import type { Problem, Supper, SupperPlan } from "../../api/types";
import { Caution, Trouble, Waiting } from "../../components/Notice";
import { refusal } from "../../domain/message";
import { useSettings } from "../../domain/settings";
import { Agenda, type Moment } from "../../features/supper/Agenda";
import { Cards } from "../../features/supper/Cards";
import { enoughOf, forEaters, movedTo, withoutDish } from "../../features/supper/document";
import { Lanes } from "../../features/supper/Lanes";
import { isDone } from "../../features/supper/next";
import { Shopping } from "../../features/supper/Shopping";
import { clock } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
import { temperature, type Units } from "../../lib/units";
import { Adding } from "./Adding";
import { DishLine } from "./DishLine";
import { Infeasible } from "./Infeasible";
import { SupperSentence } from "./SupperSentence";
import { Take } from "./Take";

interface SupperViewProps {
  supper: Supper;
  plan: SupperPlan | undefined;
  problem: Problem | null;
  /** The kept supper it is; nothing for the one being put together. */
  kept?: string;
  /** Whether a newer answer is on its way. */
  busy: boolean;
  onChange: (supper: Supper) => void;
  /** Begun, done, late. */
  controls?: (moment: Moment) => ReactNode;
  /** What else can be done with it. */
  children: ReactNode;
}

/** A cook that waits longer is told how to keep, ms. */
const WAITS = 5 * 60_000;

export function SupperView(props: SupperViewProps) {
  const { supper, plan, problem, busy, kept, onChange, controls, children } = props;
  const units = useSettings();
  const catalogue = useQuery(catalogueQuery());
  const own = useQuery(machinesQuery());
  const now = useNow(30_000);
  if (catalogue.isError && !catalogue.data) return <Trouble>{catalogue.error.message}</Trouble>;
  if (!catalogue.data) return <Waiting>Loading…</Waiting>;
  const machines = [
    ...(own.data?.items ?? []).map((known) => known.machine),
    ...catalogue.data.machine_presets.map((preset) => preset.machine),
  ];
  const shown = plan && plan.dishes.length > 0 ? plan : null;
  return (
    <Box pt="2" css={{ "@media print": { "& > :not(.cards)": { display: "none" } } }}>
      {shown && supper.dishes.length > 0 ? (
        <Cards supper={supper} plan={shown} units={units} />
      ) : null}
      <SupperSentence
        supper={supper}
        now={new Date(now)}
        wrong={problem?.field}
        onChange={(change) =>
          onChange(change.eaters ? forEaters(supper, change.eaters) : { ...supper, ...change })
        }
      />
      {problem ? (
        <Text role="alert" textStyle="line" color="beet" fontWeight="600" mt="2">
          {refusal(problem, units)}
        </Text>
      ) : null}
      <Box as="ul" listStyleType="none" mt="4">
        {supper.dishes.map((dish, n) => (
          <DishLine
            key={n}
            catalogue={catalogue.data}
            machines={machines}
            supper={supper}
            number={n}
            name={plan?.dishes[n]?.name ?? dish.side?.name ?? "this dish"}
            units={units}
            kept={kept}
            onChange={(next) =>
              onChange({
                ...supper,
                dishes: supper.dishes.map((known, m) => (m === n ? next : known)),
              })
            }
            onRemove={() => onChange(withoutDish(supper, n))}
          />
        ))}
      </Box>
      <Adding catalogue={catalogue.data} machines={machines} supper={supper} onChange={onChange} />
      {plan?.infeasibility ? <Infeasible plan={plan} onChange={onChange} /> : null}
      {plan && plan.moved.length > 0 ? (
        <Text role="status" textStyle="body" mt="3">
          Moved:{" "}
          {plan.moved
            .slice(0, 4)
            .map(
              (one) =>
                `${one.what} from ${clock(new Date(one.from))} to ${clock(new Date(one.to))}`,
            )
            .join("; ")}
          {plan.moved.length > 4 ? `; and ${plan.moved.length - 4} more` : ""}.
        </Text>
      ) : null}
      {shown && supper.dishes.length > 0 ? (
        <Box aria-busy={busy} opacity={problem ? 0.4 : 1} mt="5">
          <Lanes plan={shown} onServe={(at) => onChange(movedTo(supper, at))} />
          <Take supper={supper} plan={shown} units={units}>
            {children}
          </Take>
          {shown.proven || shown.infeasibility ? null : (
            <Text textStyle="small" color="ink.soft" mt="1">
              A good order; there may be a better one.
            </Text>
          )}
          <Grid templateColumns={{ base: "1fr", lg: "1.6fr 1fr" }} gap="9" mt="4">
            <Box as="section">
              <Text as="h2" textStyle="section">
                {shown.infeasibility ? "By the clock, as you asked for it" : "By the clock"}
              </Text>
              <Agenda
                plan={shown}
                now={now}
                isDone={(moment) => isDone(supper, shown, moment)}
                controls={controls}
              />
            </Box>
            <Box as="section">
              <Text as="h2" textStyle="section" mb="2">
                To buy and weigh out
              </Text>
              <Shopping
                plan={shown}
                eaters={supper.eaters}
                units={units}
                onEnough={(dish, needed) => onChange(enoughOf(supper, dish, needed))}
              />
              <Ready
                plan={shown}
                hot={
                  catalogue.data.regions.find((one) => one.region === units.region)
                    ?.hot_holding_c ?? 60
                }
                units={units}
              />
            </Box>
          </Grid>
        </Box>
      ) : null}
    </Box>
  );
}

/** When each dish is ready, and what it loses until the table. */
function Ready({ plan, hot, units }: { plan: SupperPlan; hot: number; units: Units }) {
  const serve = new Date(plan.serve_at).getTime();
  const waits = plan.dishes.some(
    (dish) => dish.load_at && serve - new Date(dish.ready_at).getTime() >= WAITS,
  );
  return (
    <Box mt="6">
      <Text as="h2" textStyle="section" mb="2">
        Holding before serving
      </Text>
      {plan.dishes.map((dish) => (
        <Text key={dish.name} textStyle="body">
          {dish.name}: ready at {clock(new Date(dish.ready_at))}
          {dish.loses === "nothing" ? "" : `, loses ${dish.loses} by waiting`}.
        </Text>
      ))}
      {waits ? (
        <Box mt="2">
          <Caution>
            Food that waits is kept hot, at {temperature(hot, units)} or more. Chill what is left
            within two hours; your local authority decides.
          </Caution>
        </Box>
      ) : null}
    </Box>
  );
}
