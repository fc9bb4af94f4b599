// What the household agreed on, on every device: guidance and units. Light and sound stay with the
// device.
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect } from "react";
import { chooseForHousehold, householdQuery } from "../../api/queries";
import type { HouseholdSettings } from "../../api/types";
import { changeSettings, type Settings } from "../../domain/settings";

/** Takes over what the household chose, and gives a way to choose for it. */
export function useHousehold(settings: Settings) {
  const queries = useQueryClient();
  const { data } = useQuery(householdQuery());
  useEffect(() => {
    if (data?.settings) changeSettings(data.settings);
  }, [data]);
  return useCallback(
    (change: Partial<HouseholdSettings>) => {
      const chosen = { ...agreed(settings), ...change };
      // At once on this device, also without a server.
      changeSettings(chosen);
      chooseForHousehold(chosen).then(
        (known) => queries.setQueryData(householdQuery().queryKey, known),
        () => {},
      );
    },
    [queries, settings],
  );
}

/** What all devices share of the settings. */
const agreed = (settings: Settings): HouseholdSettings => ({
  region: settings.region,
  temperature: settings.temperature,
  weight: settings.weight,
  altitude_m: settings.altitude_m,
  thermometer_offset_k: settings.thermometer_offset_k,
  thermometer: settings.thermometer,
  vulnerable: settings.vulnerable,
});
