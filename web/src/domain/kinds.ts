/** Kinds of machine in neutral words. */
export const KINDS = {
  drawer: "one drawer",
  oven_style: "oven style",
  lidded_grill: "lidded grill",
  twin_drawers: "two drawers",
  fan_oven: "household oven with a fan",
  still_oven: "household oven without a fan",
} as const;
