// What the household agreed on, on every device: guidance and units. Light and sound stay with the
// device.
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect } from "react";
import { ApiFailure } from "../../api/client";
import { chooseForHousehold, householdQuery } from "../../api/queries";
import type { HouseholdSettings, KitchenSettings } from "../../api/types";
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
      chosenBy(change, chosen, data?.revision ?? 0).then(
        (known) => queries.setQueryData(householdQuery().queryKey, known),
        () => {},
      );
    },
    [queries, settings, data],
  );
}

/** After this many tries a conflict between two devices is left to them. */
const TRIES = 4;

/** Sent with the version that was seen, so that other choices of another device meanwhile stay. */
async function chosenBy(
  change: Partial<HouseholdSettings>,
  chosen: HouseholdSettings,
  revision: number,
  tries = TRIES,
): Promise<KitchenSettings> {
  try {
    return await chooseForHousehold(chosen, revision);
  } catch (error) {
    const current = error instanceof ApiFailure ? error.problem?.current : null;
    if (!current || tries <= 1) throw error;
    const theirs = current as unknown as KitchenSettings;
    const both = { ...chosen, ...theirs.settings, ...change };
    return chosenBy(change, both, theirs.revision, tries - 1);
  }
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
