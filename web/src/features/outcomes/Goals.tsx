// Both goals, and what they make of one another.
import { Text } from "@chakra-ui/react";
import type { Plan } from "../../api/types";
import { minutes, temperature, type Units } from "../../lib/units";

export function Goals({ plan, units }: { plan: Plan; units: Units }) {
  const words = goalWords(plan, units);
  return words ? (
    <Text textStyle="body" mb="2">
      {words}
    </Text>
  ) : null;
}

function goalWords(
  { goals: both, target_name, peak_core_c, measure_again }: Plan,
  units: Units,
): string {
  if (!both) return "";
  const name = target_name?.split(" and crisp")[0];
  if (measure_again && both.decides === "inside") {
    return `Out at ${temperature(both.inside_core_c, units)} inside, after ${minutes(both.inside_at_s)}; the rest takes it to about ${temperature(peak_core_c, units)}, and then it is measured again.`;
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
  return `${inside}${outside}${decides}.`;
}
