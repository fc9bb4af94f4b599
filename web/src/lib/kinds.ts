/** Kinds of machine in neutral words. */
export const KINDS = {
  drawer: "one drawer",
  oven_style: "oven style",
  lidded_grill: "lidded grill",
  twin_drawers: "two drawers",
  fan_oven: "household oven",
  still_oven: "household oven",
} as const;
