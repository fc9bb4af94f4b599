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
        ? ": it is there. Take it out."
        : `: ${minutes(forecast.more_s)} more${band(forecast)}, then check again. ${temperature(forecast.expected_c, units)} was expected.`}
    </Text>
  );
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
