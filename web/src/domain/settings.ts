// What the cook prefers, remembered in this browser.
import { stored } from "../lib/stored";
import type { Units } from "../lib/units";

export interface Settings extends Units {
  region: "us" | "ca" | "uk" | "anz";
  /** Of the kitchen, over the sea. */
  altitude_m: number;
  /** What its thermometer shows in ice water. */
  thermometer_offset_k: number;
  thermometer: boolean;
  /** Whether a person at the table is usually at risk. */
  vulnerable: boolean;
  colour: "auto" | "light" | "dark";
  muted: boolean;
  /** Whether single keys do something. */
  shortcuts: boolean;
  /** A soft sound comes this long before a step is due, minutes; 0 for no sound. */
  prealert_min: number;
}

const KEY = "zesty-ember.settings";
const english = typeof navigator === "undefined" ? "" : navigator.language;
const USUAL: Settings = {
  temperature: english === "en-US" ? "fahrenheit" : "celsius",
  weight: english === "en-US" ? "imperial" : "metric",
  region:
    ({ "en-GB": "uk", "en-CA": "ca", "en-AU": "anz", "en-NZ": "anz" } as const)[english] ?? "us",
  altitude_m: 0,
  thermometer_offset_k: 0,
  thermometer: true,
  vulnerable: false,
  colour: "auto",
  muted: false,
  shortcuts: true,
  prealert_min: 5,
};

const settings = stored(
  KEY,
  (value): Settings => ({
    ...USUAL,
    ...(typeof value === "object" ? value : {}),
  }),
);

export const changeSettings = (change: Partial<Settings>) =>
  settings.set({ ...settings.get(), ...change });

/** The present settings. */
export const currentSettings = settings.get;

export const useSettings = settings.use;
