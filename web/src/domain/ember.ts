// The colour of heat: ordered by lightness, so that it reads in grey and for colour-blind eyes.

const STOPS: [number, [number, number, number]][] = [
  [0, [226, 236, 238]],
  [30, [240, 233, 215]],
  [60, [243, 214, 148]],
  [80, [231, 164, 62]],
  [105, [199, 92, 30]],
  [140, [150, 40, 20]],
  [190, [56, 18, 14]],
];

export function ember(celsius: number): [number, number, number] {
  const after = STOPS.findIndex(([at]) => at >= celsius);
  const [first, last] = [STOPS[0], STOPS[STOPS.length - 1]];
  if (after === 0 && first) return first[1];
  const high = STOPS[after];
  const low = STOPS[after - 1];
  if (!high || !low) return last ? last[1] : [0, 0, 0];
  const part = (celsius - low[0]) / (high[0] - low[0]);
  const mix = (n: 0 | 1 | 2) => Math.round(low[1][n] + part * (high[1][n] - low[1][n]));
  return [mix(0), mix(1), mix(2)];
}

/** Colours by whole degrees, 0 to 255. */
export const EMBER_TABLE: Uint8ClampedArray = Uint8ClampedArray.from(
  { length: 256 * 3 },
  (_, n) => ember(Math.floor(n / 3))[(n % 3) as 0 | 1 | 2],
);

export const css = ([r, g, b]: [number, number, number]) => `rgb(${r} ${g} ${b})`;
