// Where the outside takes the inside far past its goal: what would bring both nearer, as computed; each
// can be taken.
import { Box, Text } from "@chakra-ui/react";
import type { Plan, Request } from "../../api/types";
import { Action } from "../../components/recipes";
import * as show from "../../lib/units";

type Alternative = NonNullable<Plan["goals"]>["alternatives"][number];

interface AlternativesProps {
  plan: Plan;
  units: show.Units;
  onChange: (change: Partial<Request>) => void;
}

/** An alternative is shown if it is nearer to the wanted inside by this, K, or takes less than this share of the time. */
const NEARER = 1.5;
const QUICKER = 0.9;
/** How long a hot finish lasts, s: as it was computed. */
const FINISH = 240;

export function Alternatives({ plan, units, onChange }: AlternativesProps) {
  const core = (plan.goals?.inside_core_c ?? 0) + (plan.goals?.past_k ?? 0);
  const better = (plan.goals?.alternatives ?? []).filter(
    (one) => core - one.core_c > NEARER || one.pull_at_s < QUICKER * plan.pull_at_s,
  );
  if (better.length === 0) return null;
  return (
    <Box as="section" aria-label="What brings both nearer together" pb="3" maxW="sentence">
      <Text textStyle="small" color="ink.say">
        The outside keeps it in longer than the inside needs. Instead:
      </Text>
      <Box as="ul" listStyleType="none">
        {better.map((one) => (
          <Box as="li" key={one.change} textStyle="small">
            <Action type="button" look="inline" onClick={() => onChange(changed(one))}>
              {words(one, units)}
            </Action>{" "}
            <Text as="span" color="ink.soft">
              out at {show.minutes(one.pull_at_s)}, {show.temperature(one.core_c, units)} inside,{" "}
              {one.browning}
            </Text>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function words(one: Alternative, units: show.Units): string {
  const setting = one.setting_c == null ? "" : show.setting(one.setting_c, units);
  return {
    hotter: `Set it to ${setting}`,
    hot_finish: `${setting} for the last minutes`,
    drier: "Dry it in the fridge first",
    oil: "Oil it",
    sugar: "Glaze it with something sweet",
    later_turn: "Turn it later",
    leave_it_pale: "Leave it pale",
  }[one.change];
}

function changed(one: Alternative): Partial<Request> {
  switch (one.change) {
    case "hotter":
      return { setting_c: one.setting_c ?? undefined };
    case "hot_finish":
      return {
        programme: {
          kind: "hot_finish",
          stage_setting_c: one.setting_c ?? 200,
          stage_s: FINISH,
        },
      };
    case "drier":
    case "oil":
    case "sugar":
      return { surface: one.surface ?? undefined };
    case "later_turn":
      return { turn: "equal_browning" };
    case "leave_it_pale":
      return { outside: "as_it_comes" };
  }
}
