// What the log is asked for, as it stands in its address.
import type { CookFilter } from "../../api/queries";

export type LogFilter = Pick<CookFilter, "cut" | "machine" | "how" | "found" | "season">;

export const FOUND: Record<NonNullable<LogFilter["found"]>, string> = {
  right: "just right inside",
  raw: "too raw inside",
  dry: "too dry",
  soft: "soft outside",
};

export const HOW: Record<NonNullable<LogFilter["how"]>, string> = {
  bare: "left bare in the fridge",
  covered: "brined or marinated",
  parboiled: "parboiled",
  own: "by a method of mine",
  frozen: "from frozen",
  crumbed: "floured or crumbed",
  sauced: "sauced",
  spit: "on the spit",
  two_settings: "at two settings",
};

export const SEASONS: Record<NonNullable<LogFilter["season"]>, string> = {
  dec_to_feb: "December to February",
  mar_to_may: "March to May",
  jun_to_aug: "June to August",
  sep_to_nov: "September to November",
};

export interface LogSearch extends LogFilter {
  page?: number;
  q?: string;
}

/** Reads an address; what makes no sense is taken out. */
export function readLogSearch(search: Record<string, unknown>): LogSearch {
  const { page, q, cut, machine, how, found, season } = search;
  const text = (value: unknown) =>
    value === undefined || value === "" ? undefined : String(value).slice(0, 100);
  const one = <T extends string>(value: unknown, words: Record<T, string>) =>
    (Object.keys(words) as T[]).find((word) => word === value);
  return {
    page: Number.isInteger(page) && Number(page) > 1 ? Number(page) : undefined,
    q: text(q),
    // Whether there is such a cut, the server says.
    cut: text(cut) as LogFilter["cut"],
    machine: text(machine)?.slice(0, 60),
    how: one(how, HOW),
    found: one(found, FOUND),
    season: one(season, SEASONS),
  };
}
