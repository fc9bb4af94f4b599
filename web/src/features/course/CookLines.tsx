// Lines about a cook under way: what the last reading means, and a standing mark below the floor.
import { Box, Text } from "@chakra-ui/react";
import type { Cook } from "../../api/types";
import { Caution } from "../../components/Notice";
import { clock } from "../../lib/clock";
import { minutes, temperature, type Units } from "../../lib/units";

/** What the last reading means, while it still counts. */
export function ForecastLine({ cook, units }: { cook: Cook; units: Units }) {
  const forecast = cook.course?.forecast;
  if (!forecast || cook.course?.pulled_at) return null;
  const there = forecast.more_s <= 0;
  return (
    <Text textStyle="line" fontWeight="700" mb="4" role="status">
      {temperature(forecast.core_c, units)} read at {clock(new Date(forecast.at))}
      {there
        ? forecast.outside_more_s == null
          ? ": the inside is done. Take it out, if the outside is as you want it."
          : ": both are done. Take it out."
        : forecast.inside_done
          ? `: the inside is done; the outside about ${minutes(forecast.outside_more_s ?? 0)} more.`
          : `: ${minutes(forecast.more_s)} more${band(forecast)}, then check again. ${temperature(forecast.expected_c, units)} was expected.`}
    </Text>
  );
}

/** After the rest it is not there: back in. */
export function BackIn({ cook, units }: { cook: Cook; units: Units }) {
  const again = cook.plan.measure_again;
  const reading = lastRested(cook);
  if (!again || reading === null || isEnough(cook, reading)) return null;
  return (
    <Box mt="2" role="alert">
      <Caution>
        {temperature(reading, units)} is below {temperature(shown(cook, again.least_c), units)}.
        Back in for about {minutes(again.back_in_s)}, then measure again.
      </Caution>
    </Box>
  );
}

/** What the thermometer shows at a core, °C. */
const shown = (cook: Cook, core: number) => core + (cook.request.thermometer_offset_k ?? 0);

/** Whether a reading after the rest is what the plan counts on. */
export const isEnough = ({ plan, request }: Cook, celsius: number): boolean =>
  plan.measure_again == null ||
  celsius >= plan.measure_again.least_c + (request.thermometer_offset_k ?? 0) - 0.05;

/** The last reading since everything is out, °C. */
function lastRested(cook: Cook): number | null {
  const pulled = cook.course?.pulled_at;
  const last = cook.events.findLast(
    (event) => event.happening.kind === "reading" && pulled != null && event.at >= pulled,
  )?.happening;
  return last?.kind === "reading" ? last.core_c : null;
}

/** Where eight cooks in ten end, after the reading. */
function band({ more_s, more_band_s }: { more_s: number; more_band_s?: number[] | null }): string {
  const [early = more_s, late = more_s] = more_band_s ?? [];
  const [from, to] = [Math.floor(early / 60), Math.ceil(late / 60)];
  return to - from > 1 ? ` (${from} to ${to})` : "";
}

export function BelowFloor({ cook, units }: { cook: Cook; units: Units }) {
  const { floor, core_target_c } = cook.plan;
  return (
    <Box mt="2">
      <Caution>
        Planned to {temperature(core_target_c, units)}, below the{" "}
        {temperature(floor.core_c ?? 0, units)} of {floor.authority}.
      </Caution>
    </Box>
  );
}
