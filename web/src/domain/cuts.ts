// Finding a cut by any of its names.
import type { Catalogue, CutEntry } from "../api/types";

type NotYet = Catalogue["not_yet"][number];

export interface FoundCuts {
  cuts: CutEntry[];
  /** Cuts of such a name that are not planned. */
  notYet: NotYet[];
}

const letters = (text: string) =>
  text
    .toLowerCase()
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .replace(/[^a-z0-9 ]/g, " ")
    .replace(/\s+/g, " ")
    .trim();

/** How well a name answers what is searched: 0 begins with it, 1 a word of it does, 2 not at all. */
function rank(name: string, searched: string): 0 | 1 | 2 {
  const words = letters(name);
  if (words.startsWith(searched)) return 0;
  return words.includes(` ${searched}`) ? 1 : 2;
}

/** "wings" finds a wing: a plural counts as its singular. */
const spellings = (searched: string) =>
  searched.endsWith("s") ? [searched, searched.replace(/e?s$/, "")] : [searched];

const best = (names: string[], searched: string): number =>
  Math.min(...spellings(searched).flatMap((one) => names.map((name) => rank(name, one))));

/** The cuts that match the search, matches of their own name first. */
export function findCuts(catalogue: Catalogue, text: string): FoundCuts {
  const searched = letters(text);
  if (!searched) return { cuts: catalogue.cuts, notYet: [] };
  const ranked = catalogue.cuts.map((cut) => {
    const own = best([cut.name, cut.plural], searched);
    const other = best(cut.other_names, searched);
    return { cut, rank: own < 2 ? own : 2 + other };
  });
  return {
    cuts: ranked
      .filter((one) => one.rank < 4)
      .sort((a, b) => a.rank - b.rank)
      .map((one) => one.cut),
    notYet: catalogue.not_yet.filter((one) => best(one.names, searched) < 2),
  };
}

/** The name by which it was found, where it is not its own. */
export function alsoCalled(cut: CutEntry, text: string): string | undefined {
  const searched = letters(text);
  if (!searched || best([cut.name, cut.plural], searched) < 2) return undefined;
  return cut.other_names.find((name) => best([name], searched) < 2);
}
