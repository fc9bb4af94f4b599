// What an earlier version wrote in this browser, in an address or in a file, as it is written now.

/** Surfaces had names before they were layers. */
const COATS: Record<string, string[]> = {
  wet: [],
  patted_dry: ["patted_dry"],
  oiled: ["patted_dry", "oil"],
  rubbed: ["patted_dry", "oil", "rub"],
  baking_powder: ["patted_dry", "baking_powder"],
  fridge_dried: ["fridge_dried", "rub"],
  floured: ["patted_dry", "flour", "spray"],
  crumbed: ["patted_dry", "flour", "egg", "crumb", "spray"],
  glazed: ["patted_dry", "glaze"],
};

/** Goes over every part of a JSON text as it is read. */
export function asNow(_key: string, value: unknown): unknown {
  if (typeof value !== "object" || value === null || !("coat" in value)) return value;
  const { coat, ...rest } = value;
  const surface = typeof coat === "string" ? COATS[coat] : undefined;
  return surface && !("surface" in rest) ? { ...rest, surface } : value;
}
