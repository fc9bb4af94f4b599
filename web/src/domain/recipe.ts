// An ingredient as a cook writes it.
import type { Recipe } from "../api/types";

const UNITS: Record<Recipe["items"][number]["unit"], string> = {
  gram: "g",
  ounce: "oz",
  pound: "lb",
  millilitre: "ml",
  teaspoon: "tsp",
  tablespoon: "tbsp",
  cup: "cup",
  piece: "",
  pinch: "pinch",
};

const amount = (value: number) => String(Math.round(value * 1000) / 1000);

/** An ingredient as a line that is read again as the same. */
export const lineOf = ({ amount: of, unit, what }: Recipe["items"][number]) =>
  [amount(of), UNITS[unit], what].filter((word) => word !== "").join(" ");
