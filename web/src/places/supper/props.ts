// What the line of a dish is made from.
import type { Catalogue, Machine, Supper, SupperDish } from "../../api/types";
import type { Units } from "../../lib/units";

export interface DishLineProps {
  catalogue: Catalogue;
  machines: Machine[];
  supper: Supper;
  number: number;
  name: string;
  units: Units;
  /** The kept supper it belongs to; nothing for the one being put together. */
  kept: string | undefined;
  onChange: (dish: SupperDish) => void;
  onRemove: () => void;
}
