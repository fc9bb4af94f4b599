import type { Cook, Mark } from "../../api/types";

/** What happened in a cook as marks on its strip, by minutes from loading. */
export function marksOf({ course, events }: Cook): Mark[] {
  const loaded = course?.loaded_at ? Date.parse(course.loaded_at) : null;
  if (loaded === null) return [];
  return events.map(({ at, happening }) => ({
    minute: (Date.parse(at) - loaded) / 60_000,
    happening,
  }));
}
