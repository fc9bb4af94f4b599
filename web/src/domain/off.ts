// How far plans were off: in the middle of the last cooks, by machine and by cut.
export interface Off {
  machine: string;
  cut: string;
  off_s: number;
  planned_s: number;
}

/** Cooks that say how it is now. */
const LATEST = 20;

function median(values: number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const [low, high] = [sorted[Math.ceil(sorted.length / 2) - 1] ?? 0, sorted[middle] ?? 0];
  return (low + high) / 2;
}

export interface Figure {
  name: string;
  cooks: number;
  /** Seconds off either way, in the middle. */
  off_s: number;
}

const figure = (name: string, of: Off[]): Figure => ({
  name,
  cooks: of.length,
  off_s: median(of.map(({ off_s }) => Math.abs(off_s))),
});

function by(of: Off[], key: "machine" | "cut"): Figure[] {
  const names = [...new Set(of.map((one) => one[key]))];
  return names
    .map((name) =>
      figure(
        name,
        of.filter((one) => one[key] === name),
      ),
    )
    .sort((a, b) => b.cooks - a.cooks || a.name.localeCompare(b.name));
}

/** Of the latest cooks, which come first; nothing where there are none. */
export function figures(off: Off[]) {
  const latest = off.slice(0, LATEST);
  if (latest.length === 0) return null;
  return {
    all: figure("all", latest),
    before: off.length > LATEST ? figure("before", off.slice(LATEST, 2 * LATEST)) : null,
    machines: by(latest, "machine"),
    cuts: by(latest, "cut"),
  };
}
