// The name of this device, guessed from the browser's, and the data of a household that it stores.
import { forgetAll } from "../../lib/boxStore";

const KINDS: [RegExp, string][] = [
  [/iPad|Tablet/, "Tablet"],
  [/iPhone|Android.*Mobile|Mobile/, "Phone"],
  [/Android/, "Tablet"],
];

/** A name to begin with. */
export function deviceName(agent: string): string {
  return KINDS.find(([says]) => says.test(agent))?.[1] ?? "Computer";
}

const OURS = "zesty-ember.";
const HOUSEHOLD = `${OURS}of`;

/** Forgets everything that this browser keeps of a household: answers, drafts, what waits to be sent. */
export async function forgetHousehold() {
  await forgetAll();
  sessionStorage.clear();
  for (const key of Object.keys(localStorage)) {
    if (key.startsWith(OURS)) localStorage.removeItem(key);
  }
}

/** True when this browser kept things of another household until now; they are forgotten then. */
export async function isAnother(household: string): Promise<boolean> {
  const before = localStorage.getItem(HOUSEHOLD);
  if (before !== null && before !== household) await forgetHousehold();
  localStorage.setItem(HOUSEHOLD, household);
  return before !== null && before !== household;
}
