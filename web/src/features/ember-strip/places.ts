// Where the names of pins stand: on the first line, above it where two would overlap, nowhere where both
// lines are taken.

interface Name {
  /** Where its pin stands, px. */
  at: number;
  width: number;
  /** To the left of its pin rather than to the right. */
  last: boolean;
}

/** Between two names of a line, px: less reads as one. */
const GAP = 8;

/** Each name with its line, from 0; null without room. `taken` is part of the first line. */
export function placed<T extends Name>(
  names: T[],
  taken: [number, number],
): (T & { row: number | null })[] {
  const rows: [number, number][][] = [[taken], []];
  return names.map((name) => {
    const [a, b] = name.last ? [name.at - name.width, name.at] : [name.at, name.at + name.width];
    const row = rows.findIndex((spans) =>
      spans.every(([from, to]) => b + GAP < from || a - GAP > to),
    );
    if (row < 0) return { ...name, row: null };
    rows[row]?.push([a, b]);
    return { ...name, row };
  });
}
