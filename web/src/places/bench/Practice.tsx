import type { Units } from "../../lib/units";
export function Practice(_: { units: Units }) {
  return null;
}
