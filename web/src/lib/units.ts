// Showing quantities in the cook's units. Display only: the rules live in the core.

/** Numbers as this device's language writes them: "1.5" or "1,5". */
const language = typeof navigator === "undefined" ? undefined : navigator.language;
const FORMATS = [0, 1, 2, 3].map(
  (maximumFractionDigits) =>
    new Intl.NumberFormat(language, { maximumFractionDigits, useGrouping: false }),
);

/** A number with at most `decimals` decimals, without noughts at its end. */
export const decimal = (value: number, decimals: 0 | 1 | 2 | 3) =>
  (FORMATS[decimals] as Intl.NumberFormat).format(value);

export interface Units {
  temperature: "celsius" | "fahrenheit";
  weight: "metric" | "imperial";
}

const GRAMS_PER_OUNCE = 28.349523125;
export const MM_PER_INCH = 25.4;

export const toScale = (celsius: number, units: Units) =>
  units.temperature === "celsius" ? celsius : celsius * 1.8 + 32;

export const fromScale = (value: number, units: Units) =>
  units.temperature === "celsius" ? value : (value - 32) / 1.8;

export const degree = (units: Units) => (units.temperature === "celsius" ? "°C" : "°F");

/** To one degree, as a thermometer shows it. */
export const temperature = (celsius: number, units: Units) =>
  `${Math.round(toScale(celsius, units))} ${degree(units)}`;

/** Without the letter, for marks on a picture. */
export const degrees = (celsius: number, units: Units) => `${Math.round(toScale(celsius, units))}°`;

/** As a dial shows it: whole °C, the nearest 5 °F. */
export const setting = (celsius: number, units: Units) =>
  units.temperature === "celsius"
    ? `${Math.round(celsius)} °C`
    : `${Math.round((celsius * 1.8 + 32) / 5) * 5} °F`;

export const difference = (kelvins: number, units: Units) =>
  `${Math.round(units.temperature === "celsius" ? kelvins : kelvins * 1.8)} ${degree(units)}`;

export function mass(grams: number, units: Units): string {
  if (units.weight === "metric") {
    return grams < 999.5 ? `${Math.round(grams)} g` : `${decimal(grams / 1000, 2)} kg`;
  }
  // A weight below the step of a scale in ounces is written in grams, as spoons are.
  if (grams < GRAMS_PER_OUNCE / 2) return `${decimal(grams, grams < 10 ? 1 : 0)} g`;
  const ounces = Math.round((grams / GRAMS_PER_OUNCE) * 4) / 4;
  const pounds = Math.floor(ounces / 16);
  const rest = ounces - pounds * 16;
  if (pounds === 0) return `${decimal(rest, 2)} oz`;
  return rest > 0 ? `${pounds} lb ${decimal(rest, 2)} oz` : `${pounds} lb`;
}

export function length(mm: number, units: Units): string {
  if (units.weight === "metric") return `${Math.round(mm)} mm`;
  const inches = mm / MM_PER_INCH;
  // A ruler in inches has sixteenths; less is not read on it.
  if (inches > 0.005 && inches < 0.15) return inches * 16 < 1.5 ? "1/16 in" : "1/8 in";
  const quarters = Math.round(inches * 4) / 4;
  if (Math.abs(inches - quarters) > 0.01) return `${decimal(inches, 1)} in`;
  const whole = Math.floor(quarters);
  const part = { 0.25: "1/4", 0.5: "1/2", 0.75: "3/4" }[quarters - whole] ?? "";
  return `${[whole > 0 ? whole : "", part].filter(Boolean).join(" ") || "0"} in`;
}

/** How deep something thin is, such as a dry skin. */
export const thin = (mm: number, units: Units) =>
  units.weight === "metric" ? `${decimal(mm, 2)} mm` : `${decimal(mm / MM_PER_INCH, 3)} in`;

const LITRES_PER_QUART = 0.946352946;

export const volume = (litres: number, units: Units) =>
  units.weight === "metric"
    ? `${decimal(litres, 1)} l`
    : `${decimal(litres / LITRES_PER_QUART, 1)} qt`;

export const share = (of: number, decimals: 0 | 1 = 0) => `${decimal(of * 100, decimals)}\u00a0%`;

/** Minutes as a kitchen clock tells them. */
export function minutes(seconds: number): string {
  const halves = Math.round(seconds / 30);
  const whole = Math.floor(halves / 2);
  const half = halves % 2 === 1;
  if (whole >= 60)
    return whole % 60 === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${whole % 60} min`;
  if (half) return whole === 0 ? "½ min" : `${whole}½ min`;
  return `${whole} min`;
}

/** Whole minutes, as a timer is set. */
export const wholeMinutes = (seconds: number) => minutes(Math.round(seconds / 60) * 60);

/** Hours where there are many minutes. */
export function hours(seconds: number): string {
  return seconds < 3 * 3600 ? minutes(seconds) : `${decimal(Math.round(seconds / 1800) / 2, 1)} h`;
}

/** Two lengths of one thing, with one unit: "260 by 190 mm". */
export function lengths(first: number, second: number, units: Units): string {
  const [a, b] = [length(first, units), length(second, units)];
  return `${a.slice(0, a.lastIndexOf(" "))} by ${b}`;
}

/** As a small scale shows it. */
export const smallMass = (grams: number, units: Units) =>
  units.weight === "metric" && grams < 10 ? `${decimal(grams, 1)} g` : mass(grams, units);
