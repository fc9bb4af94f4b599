// Surfaces: layers, the lowest first.
import type { Catalogue, CutEntry, Layer } from "../api/types";

export const isSame = (one: Layer[], other: Layer[]) =>
  one.length === other.length && one.every((layer, n) => layer === other[n]);

/** The name cooks have for it, or its layers one after the other. */
export function surfaceWords(
  surface: Layer[],
  entry: CutEntry,
  layers: Catalogue["layers"],
): string {
  const usual = entry.surfaces.find((one) => isSame(one.surface, surface));
  const words = surface.map((layer) => layers.find((one) => one.layer === layer)?.words ?? layer);
  return usual?.words ?? words.join(", ");
}
