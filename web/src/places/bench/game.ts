// An exercise as it is played: the moves so far, the next possible moves, and their words.
import type { ExerciseName, Made, Move, Moves, Played, SeenMove } from "../../api/types";
import { minutes, temperature, type Units } from "../../lib/units";

export interface Game {
  exercise: ExerciseName;
  seed: number;
  moves: Made[];
  /** The exercise's clock, s. */
  now: number;
}

export const isGame = (value: unknown): value is Game =>
  typeof value === "object" && value !== null && "exercise" in value && "moves" in value;

export const WORDS: Record<ExerciseName, { title: string; task: string; shows: string }> = {
  crowded_basket: {
    title: "A crowded basket",
    task: "Two dozen wings, and room for one. All at once, or in two batches?",
    shows: "what space between the pieces is worth",
  },
  thin_and_thick: {
    title: "Thin and thick together",
    task: "Two thin chops and two thick ones lie side by side. Take each out in its time.",
    shows: "how much thickness counts",
  },
  sauce_and_sugar: {
    title: "Sauce and sugar",
    task: "Drumsticks, and a sauce with much sugar. When does it go on?",
    shows: "when sugar burns",
  },
  beside_the_bone: {
    title: "The thermometer and the bone",
    task: "Thighs. Where do you put the tip, and what do you believe?",
    shows: "what a tip in the wrong place shows",
  },
  carry_over: {
    title: "It goes on cooking",
    task: "Two thick chops. Take them out before they are there: the rest does what is left.",
    shows: "how far the core rises on the plate",
  },
  second_batch: {
    title: "The second batch",
    task: "Drumsticks twice. The machine is hot when the second batch goes in.",
    shows: "how much sooner the second batch is done",
  },
};

export const PLACES = {
  thickest: "in the middle of the thickest part",
  against_the_bone: "deep, against the bone",
  shallow: "just under the skin",
} as const;

export const begin = (exercise: ExerciseName): Game => ({
  exercise,
  seed: Math.floor(Math.random() * 2 ** 31),
  moves: [],
  now: 0,
});

export const movesOf = ({ exercise, seed, moves }: Game): Moves => ({ exercise, seed, moves });

export const make = (game: Game, what: Move): Game => ({
  ...game,
  moves: [...game.moves, { at_s: Math.round(game.now), what }],
});

/** The game without the refused moves. */
export function without(game: Game, seen: SeenMove[]): Game {
  const moves = game.moves.filter((_, n) => seen[n]?.kind !== "not");
  return moves.length === game.moves.length ? game : { ...game, moves };
}

/** Lots that are in, by their number. */
export const inside = (played: Played | undefined) =>
  (played?.lots ?? []).flatMap(({ out_at_s }, n) => (out_at_s == null ? [n] : []));

/** "12:30" on the clock of the exercise. */
export const onTheClock = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, "0")}`;

/** A move in words, with what was seen by it. */
export function told(
  { what }: Made,
  seen: SeenMove | undefined,
  names: string[],
  units: Units,
): string {
  switch (what.kind) {
    case "load":
      return what.preheated ? "loaded, preheated" : "loaded";
    case "turn":
      return "turned";
    case "sauce":
      return "sauced";
    case "look":
      return seen?.kind === "colour" ? `looked: ${seen.browning}` : "looked";
    case "read": {
      const lot = names.length > 1 ? `${names[what.lot]}, ` : "";
      const core = seen?.kind === "reading" ? `: ${temperature(seen.core_c, units)}` : "";
      return `read ${lot}${PLACES[what.place]}${core}`;
    }
    case "out":
      return `${names.length > 1 ? `${names[what.lot]} ` : ""}taken out`;
    case "serve":
      return "served";
  }
}

/** "1½ min later, 4 °C hotter inside, 2 % of the weight drier, golden instead of blond" */
export function costs(
  cost: { later_s: number; hotter_k: number; drier: number; colours: string[] },
  differences: (kelvins: number) => string,
): string {
  const parts: string[] = [];
  const { later_s, hotter_k, drier, colours } = cost;
  if (Math.abs(later_s) >= 30) {
    parts.push(`${minutes(Math.abs(later_s))} ${later_s > 0 ? "later" : "sooner"} on the table`);
  }
  if (Math.abs(hotter_k) >= 1) {
    parts.push(`${differences(Math.abs(hotter_k))} ${hotter_k > 0 ? "hotter" : "colder"} inside`);
  }
  if (Math.abs(drier) >= 0.005) {
    const share = `${Math.max(1, Math.round(Math.abs(drier) * 100))} %`;
    parts.push(`${share} of the weight ${drier > 0 ? "lost to the air" : "kept"}`);
  }
  if (colours[0] !== colours[1]) parts.push(`${colours[0]} instead of ${colours[1]}`);
  return parts.join(", ");
}
