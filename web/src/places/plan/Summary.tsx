// The plan in one breath: in, turn, check, out, rest, table.
import { Text } from "@chakra-ui/react";
import type { Plan } from "../../api/types";
import { clock } from "../../lib/clock";
import { hours, minutes, share, temperature, type Units } from "../../lib/units";

interface SummaryProps {
  plan: Plan;
  units: Units;
  clockOf: (seconds: number) => string;
  late: boolean;
  /** What is done before the meat goes in, s. */
  ahead: number;
}

export function Summary({ plan, units, clockOf, late, ahead }: SummaryProps) {
  const turn = plan.turn_at_s ? `turn at ${clockOf(plan.turn_at_s)}, ` : "";
  return (
    <Text textStyle="line" pt="2" pb="2">
      {late ? (
        <Text as="span" color="beet" fontWeight="700">
          Too late for that by the clock; start now and eat at{" "}
          {clock(new Date(Date.now() + plan.eat_at_s * 1000))}.{" "}
        </Text>
      ) : null}
      {ahead >= 60 ? `Got ready from ${clockOf(-ahead)} on, ${hours(ahead)} before. ` : ""}
      <Text as="span" fontWeight="700">
        In at {clockOf(0)}, {turn}start checking at {clockOf(plan.check_from_s)}, out{" "}
        {plan.pull_band_s
          ? `between ${clockOf(plan.pull_band_s[0] ?? 0)} and ${clockOf(plan.pull_band_s[1] ?? 0)}, most likely `
          : "by "}
        {clockOf(plan.pull_at_s)}.
      </Text>{" "}
      {goals(plan, units)}
      {layer(plan)}{" "}
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

/** Both goals, and what they make of one another. */
function goals(
  { goals: both, target_name, peak_core_c, measure_again }: Plan,
  units: Units,
): string {
  if (!both) return "";
  const name = target_name?.split(" and crisp")[0];
  if (measure_again && both.decides === "inside") {
    return `Out at ${temperature(both.inside_core_c, units)} inside, after ${minutes(both.inside_at_s)}; the rest takes it to about ${temperature(peak_core_c, units)}, and then it is measured again. `;
  }
  const inside = `Safe${name ? ` and ${name}` : ""} inside after ${minutes(both.inside_at_s)}`;
  const outside =
    both.outside === "as_it_comes"
      ? ""
      : both.outside_at_s == null
        ? `, not quite ${both.outside} by the end`
        : `, ${both.outside} after ${minutes(both.outside_at_s)}`;
  const decides = {
    inside: both.outside === "as_it_comes" ? "" : ": the inside decides",
    outside: ": the outside decides",
    planned: ": what you planned decides",
  }[both.decides];
  const numbers = `Out at ${temperature(both.inside_core_c, units)}, after the rest about ${temperature(peak_core_c, units)}. `;
  return `${inside}${outside}${decides}. ${both.decides === "inside" ? numbers : ""}`;
}

/** How the pieces share the machine. */
function layer({ loading, batches, airiness }: Plan): string {
  if (loading?.spit) return "It turns on the spit.";
  if (loading?.tumbler) return `They tumble, the basket ${share(loading.tumbler.fill)} full.`;
  if (batches.length > 1) {
    return `${batches.length} batches, ${batches.map((batch) => batch.pieces).join(" and ")}; the next goes into a hot machine.`;
  }
  const trays = loading?.loads[0]?.trays ?? [];
  if (trays.length < 2) return `One layer, ${airiness}.`;
  const words = trays.map(
    (tray) => `${tray.pieces.length} ${on(loading?.levels[tray.level - 1]?.name ?? "")}`,
  );
  return `${words.join(", ")}; ${airiness}.`;
}

const on = (level: string) => (level.startsWith("rack") ? `on ${level}` : `in the ${level}`);

/** When it is on the table: a window as wide as that of the pull. */
function table(plan: Plan, clockOf: (seconds: number) => string): string {
  const [early, late] = plan.pull_band_s ?? [];
  if (early == null || late == null) return `at ${clockOf(plan.eat_at_s)}`;
  const after = plan.eat_at_s - plan.pull_at_s;
  return `between ${clockOf(early + after)} and ${clockOf(late + after)}`;
}
