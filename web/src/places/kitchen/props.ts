// What the sentence of a machine is made from.
import type { Machine } from "../../api/types";
import type { Units } from "../../lib/units";

export interface MachineSentenceProps {
  machine: Machine;
  units: Units;
  /** The field a refusal names. */
  wrong: string | null | undefined;
  onChange: (change: Partial<Machine>) => void;
}
