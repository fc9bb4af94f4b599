// Surfaces: layers, the lowest first.
import type { Catalogue, CutEntry, Layer } from "../api/types";

export const isSame = (one: Layer[], other: Layer[]) =>
  one.length === other.length && one.every((layer, n) => layer === other[n]);

export const layerWords = (layer: Layer, layers: Catalogue["layers"]): string =>
  layers.find((one) => one.layer === layer)?.words ?? layer;

/** The name cooks have for it, or its layers one after the other. */
export function surfaceWords(
  surface: Layer[],
  entry: CutEntry,
  layers: Catalogue["layers"],
): string {
  const usual = entry.surfaces.find((one) => isSame(one.surface, surface));
  return usual?.words ?? surface.map((layer) => layerWords(layer, layers)).join(", ");
}
