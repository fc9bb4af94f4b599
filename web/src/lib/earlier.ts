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
  return typeof value === "object" && value !== null ? steps(recipes(surface(value))) : value;
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

interface OldSide {
  name: string;
  site: string;
  joins?: string | null;
  joins_s?: number | null;
  work_s: number;
  shortest_s: number;
  best_s: number;
  longest_s: number;
  keeps_s: number;
}

const isOldSide = (value: object): value is OldSide =>
  "site" in value && "keeps_s" in value && "best_s" in value && !("steps" in value);

/** A side dish was one piece of work and one wait. */
function steps(value: object): object {
  if (!isOldSide(value)) return value;
  const { site, joins, joins_s, work_s, shortest_s, best_s, longest_s, ...rest } = value;
  const { name } = rest;
  const beside = site === "beside";
  return {
    ...rest,
    patience: site === "fridge" ? "well" : "fairly",
    steps: [
      ...(work_s > 0
        ? [
            {
              what: `Get ${name} ready`,
              site: "counter",
              work_s,
              shortest_s: work_s,
              best_s: work_s,
              longest_s: work_s,
              waits_s: 3600,
            },
          ]
        : []),
      ...(best_s > 0
        ? [
            {
              what: beside ? `${name} beside the meat` : `${name}: let it be`,
              site,
              starts: beside ? (joins ?? "last_minutes") : "next",
              ...(joins_s == null ? {} : { joins_s }),
              work_s: beside ? 0 : Math.min(60, shortest_s),
              shortest_s,
              best_s,
              longest_s,
              waits_s: 0,
            },
          ]
        : []),
    ],
  };
}
