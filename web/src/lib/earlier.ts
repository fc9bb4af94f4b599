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
  return typeof value === "object" && value !== null ? recipes(surface(value)) : value;
}

function surface(value: object): object {
  if (!("coat" in value)) return value;
  const { coat, ...rest } = value;
  const layers = typeof coat === "string" ? COATS[coat] : undefined;
  return layers && !("surface" in rest) ? { ...rest, surface: layers } : value;
}

/** There was one recipe, a blend of spices in grams. */
function recipes(value: object): object {
  if (!("blend" in value)) return value;
  const { blend, ...rest } = value;
  return isBlend(blend) ? { ...rest, recipes: [asRecipe(blend)] } : rest;
}

interface Blend {
  name: string;
  parts: { what: string; mass_g: number; salt?: boolean; allergen?: string | null }[];
}

const isBlend = (value: unknown): value is Blend =>
  typeof value === "object" && value !== null && "parts" in value && Array.isArray(value.parts);

const asRecipe = ({ name, parts }: Blend) => ({
  name,
  kind: "rub",
  items: parts.map(({ what, mass_g, salt, allergen }) => ({
    what,
    amount: mass_g,
    unit: "gram",
    ...(salt ? { salt_percent: 100 } : {}),
    ...(allergen ? { allergens: [allergen] } : {}),
  })),
});
