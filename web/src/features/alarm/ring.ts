// When what rings, worked out ahead for a list of things that are due.
import type { Sound } from "./sound";

/** Something that will be due. */
export interface Due {
  /** The same for as long as it is the same thing. */
  key: string;
  /** ms, by this device's clock. */
  at: number;
  /** Nothing where it only waits. */
  sound: Sound | null;
  /** The end of a wait rings once; a step for hands rings until it is answered. */
  once: boolean;
}

/** The sound of a due step. */
export interface Alarm {
  due: Due;
  /** When, ms by this device's clock. */
  at: number;
  /** What it asks for. */
  what: string;
  /** Of what. */
  name: string;
}

export interface Ring {
  at: number;
  sound: Sound;
}

/** Until it is answered, a step rings this often, ms, and for this time, ms. */
const REPEAT = 15_000;
const LONGEST = 10 * 60_000;

/** Everything that rings from now within a while, ms. `before` is how long before it is due a first, soft
 * sound comes, ms. */
export function rings(dues: Due[], now: number, within: number, before: number): Ring[] {
  const all = dues.flatMap((due): Ring[] => {
    const { sound } = due;
    if (sound === null) return [];
    const own: Ring[] = [];
    if (before > 0 && !due.once) own.push({ at: due.at - before, sound: "soon" });
    const last = due.once ? due.at : due.at + LONGEST;
    for (let at = due.at; at <= last; at += REPEAT) own.push({ at, sound });
    return own;
  });
  return all.filter((ring) => ring.at >= now && ring.at <= now + within);
}
