// Small changes of lists, as new lists.

export const without = <T>(list: readonly T[], n: number): T[] => list.filter((_, m) => m !== n);

/** The one at a place and the one before it change places. */
export const earlier = <T>(list: readonly T[], n: number): T[] => [
  ...list.slice(0, n - 1),
  ...list.slice(n, n + 1),
  ...list.slice(n - 1, n),
  ...list.slice(n + 1),
];
