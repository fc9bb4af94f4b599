// A supper: its sentence, its dishes, its lanes, and everything by the clock.
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { catalogueQuery, machinesQuery } from "../../api/queries";
import type { Catalogue, Machine, Problem, Supper, SupperPlan } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Trouble, Waiting } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { Agenda, type Moment } from "../../features/supper/Agenda";
import { markdown, withCook, withoutDish, withSide } from "../../features/supper/document";
import { Lanes } from "../../features/supper/Lanes";
import { Shopping } from "../../features/supper/Shopping";
import { clock, day } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
import { refusal } from "../../lib/message";
import { entryOf, usual } from "../../lib/request";
import { saveFile } from "../../lib/save";
import { useSettings } from "../../lib/settings";
import { capital } from "../../lib/text";
import { DishLine } from "./DishLine";
import { SupperSentence } from "./SupperSentence";

interface SupperViewProps {
  supper: Supper;
  plan: SupperPlan | undefined;
  problem: Problem | null;
  /** Whether a newer answer is on its way. */
  busy: boolean;
  onChange: (supper: Supper) => void;
  /** Begun, done, late. */
  controls?: (moment: Moment) => ReactNode;
  /** What else can be done with it. */
  children: ReactNode;
}

export function SupperView(props: SupperViewProps) {
  const { supper, plan, problem, busy, onChange, controls, children } = props;
  const units = useSettings();
  const catalogue = useQuery(catalogueQuery());
  const own = useQuery(machinesQuery());
  const now = useNow(30_000);
  if (catalogue.isError) return <Trouble>{catalogue.error.message}</Trouble>;
  if (!catalogue.data) return <Waiting>Laying the table…</Waiting>;
  const machines = [
    ...(own.data ?? []).map((known) => known.machine),
    ...catalogue.data.machine_presets.map((preset) => preset.machine),
  ];
  const shown = plan && plan.dishes.length > 0 ? plan : null;
  return (
    <Box pt="2">
      <SupperSentence
        supper={supper}
        now={new Date(now)}
        wrong={problem?.field}
        onChange={(change) => onChange({ ...supper, ...change })}
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
      <Adding
        catalogue={catalogue.data}
        machines={machines}
        supper={supper}
        region={units.region}
        onChange={onChange}
      />
      {plan?.binding ? <Binding plan={plan} supper={supper} onChange={onChange} /> : null}
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
          <Lanes
            plan={shown}
            onServe={(at) => onChange({ ...supper, serve_at: at.toISOString() })}
          />
          <Flex gap="2.5" wrap="wrap" align="center" mt="2" className="no-print">
            {children}
            <Action type="button" look="plain" onClick={() => window.print()}>
              Print
            </Action>
            <Action
              type="button"
              look="plain"
              onClick={() =>
                saveFile(markdown(supper, shown, new Date(), units), "text/markdown", "supper.md")
              }
            >
              As text
            </Action>
            <Action
              type="button"
              look="plain"
              onClick={() =>
                saveFile(JSON.stringify(supper, null, 2), "application/json", "supper.json")
              }
            >
              As a file
            </Action>
          </Flex>
          {shown.proven ? null : (
            <Text textStyle="small" color="ink.soft" mt="1">
              A good order; there may be a better one.
            </Text>
          )}
          <Grid templateColumns={{ base: "1fr", lg: "1.6fr 1fr" }} gap="9" mt="4">
            <Box as="section">
              <Text as="h2" textStyle="section">
                By the clock
              </Text>
              <Agenda plan={shown} now={now} controls={controls} />
            </Box>
            <Box as="section" css={{ "@media print": { breakBefore: "page" } }}>
              <Text as="h2" textStyle="section" mb="2">
                To buy and weigh out
              </Text>
              <Shopping plan={shown} eaters={supper.eaters} units={units} />
              <Ready plan={shown} />
            </Box>
          </Grid>
        </Box>
      ) : null}
    </Box>
  );
}

/** When each dish is ready, and what it loses until the table. */
function Ready({ plan }: { plan: SupperPlan }) {
  return (
    <Box mt="6">
      <Text as="h2" textStyle="section" mb="2">
        What waits
      </Text>
      {plan.dishes.map((dish) => (
        <Text key={dish.name} textStyle="body">
          {dish.name}: ready at {clock(new Date(dish.ready_at))}
          {dish.loses === "nothing" ? "" : `, loses ${dish.loses} by waiting`}.
        </Text>
      ))}
    </Box>
  );
}

interface BindingProps {
  plan: SupperPlan;
  supper: Supper;
  onChange: (supper: Supper) => void;
}

/** What is in the way, and the ways out. */
function Binding({ plan, supper, onChange }: BindingProps) {
  const at = (time: string) => `${day(new Date(time), new Date())} at ${clock(new Date(time))}`;
  return (
    <Box role="alert" borderTop="2px solid" borderColor="beet" pt="2" mt="3" maxW="sentence">
      <Text textStyle="line" color="beet" fontWeight="600">
        It does not go like that. {capital(plan.binding ?? "")}.
      </Text>
      {plan.ways.length > 0 ? (
        <Text textStyle="body" mt="1">
          Ways out, drawn below with the first:{" "}
          {plan.ways.map((way) => (way.later ? `eat ${at(way.serve_at)}` : way.words)).join("; ")}.
        </Text>
      ) : null}
      <Flex gap="2" wrap="wrap" mt="2">
        {plan.ways
          .filter((way) => way.later || way.hands)
          .map((way) => (
            <Action
              key={way.words}
              type="button"
              onClick={() =>
                onChange(
                  way.later
                    ? { ...supper, serve_at: way.serve_at }
                    : { ...supper, hands: supper.hands + 1 },
                )
              }
            >
              {way.later ? `Eat ${at(way.serve_at)}` : "Another pair of hands"}
            </Action>
          ))}
      </Flex>
    </Box>
  );
}

interface AddingProps {
  catalogue: Catalogue;
  machines: Machine[];
  supper: Supper;
  region: Parameters<typeof usual>[2];
  onChange: (supper: Supper) => void;
}

function Adding({ catalogue, machines, supper, region, onChange }: AddingProps) {
  const machine = supper.dishes.find((dish) => dish.cook)?.cook?.request.machine ?? machines[0];
  const first = catalogue.cuts[0];
  if (!machine || !first) return null;
  return (
    <Text
      textStyle="line"
      color="ink.say"
      borderTop="1px solid"
      borderColor="line"
      py="2"
      className="no-print"
    >
      Add{" "}
      <Word label="Add a cook" text="a cook" state="guessed">
        {(close) => (
          <Choice<string>
            items={catalogue.cuts.map((cut) => ({ value: cut.cut, text: cut.plural }))}
            chosen=""
            onChoose={(cut) => {
              const request = { ...usual(first, machine, region), cut: cut as typeof first.cut };
              const entry = entryOf(catalogue, request);
              if (entry) onChange(withCook(supper, usual(entry, machine, region)));
              close();
            }}
          />
        )}
      </Word>{" "}
      or{" "}
      <Word label="Add a side" text="a side dish" state="guessed">
        {(close) => (
          <Choice<string>
            items={catalogue.sides.map(({ side, reason }) => ({
              value: side.name,
              text: side.name,
              reason,
            }))}
            chosen=""
            onChoose={(name) => {
              const known = catalogue.sides.find(({ side }) => side.name === name);
              if (known) onChange(withSide(supper, known.side));
              close();
            }}
          />
        )}
      </Word>
      .
    </Text>
  );
}
