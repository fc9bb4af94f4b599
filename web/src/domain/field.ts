// Reading a temperature field: columns in time, each of `depths` values from the upper face down.

export interface Field {
  depths: number;
  minutes: number[];
  field_c: number[];
}

/** The column at or before a minute, and how far the minute is towards the next. */
export function columnAt(field: Field, minute: number): [number, number] {
  const { minutes } = field;
  let low = 0;
  let high = minutes.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((minutes[middle] ?? 0) <= minute) low = middle;
    else high = middle;
  }
  const from = minutes[low] ?? 0;
  const to = minutes[Math.min(low + 1, minutes.length - 1)] ?? from;
  const part = to > from ? Math.min(1, Math.max(0, (minute - from) / (to - from))) : 0;
  return [low, part];
}

/** Temperature at a minute and a depth (0 upper face, 1 lower face), linear between values. */
export function temperatureAt(field: Field, minute: number, depth: number): number {
  const [column, part] = columnAt(field, minute);
  const next = Math.min(column + 1, field.minutes.length - 1);
  const place = Math.min(1, Math.max(0, depth)) * (field.depths - 1);
  const row = Math.min(Math.floor(place), Math.max(0, field.depths - 2));
  const down = place - row;
  const at = (c: number, r: number) => field.field_c[c * field.depths + r] ?? 0;
  const mix = (c: number) => at(c, row) * (1 - down) + at(c, row + 1) * down;
  return mix(column) * (1 - part) + mix(next) * part;
}

export interface Point {
  minute: number;
  depth: number;
}

/** Where heat of a temperature has got to: one line walking in from each face, each broken where
 * its face is cooler. */
export function isolines(field: Field, celsius: number): Point[][] {
  const lines: Point[][] = [];
  for (const fromAbove of [true, false]) {
    let line: Point[] = [];
    field.minutes.forEach((minute, column) => {
      const depth = frontDepth(field, column, celsius, fromAbove);
      if (depth === null) {
        if (line.length > 1) lines.push(line);
        line = [];
      } else {
        line.push({ minute, depth });
      }
    });
    if (line.length > 1) lines.push(line);
  }
  return lines;
}

function frontDepth(field: Field, column: number, celsius: number, fromAbove: boolean) {
  const last = field.depths - 1;
  const at = (n: number) =>
    field.field_c[column * field.depths + (fromAbove ? n : last - n)] ?? Number.NaN;
  if (!(at(0) >= celsius)) return null;
  for (let n = 1; n <= last; n++) {
    if (at(n) < celsius) {
      const depth = (n - (celsius - at(n)) / (at(n - 1) - at(n))) / last;
      return fromAbove ? depth : 1 - depth;
    }
  }
  return null;
}
