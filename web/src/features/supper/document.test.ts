import { expect, test } from "vitest";
import type { Request, Side, Supper, SupperPlan } from "../../api/types";
import { clock } from "../../lib/clock";
import {
  emptySupper,
  enoughOf,
  forEaters,
  markdown,
  movedTo,
  onDay,
  wantedAt,
  withCook,
  withDish,
  withoutDish,
  withSide,
} from "./document";

const now = new Date(2026, 10, 25, 18, 30);
const machine = { name: "the drum" };
const request = { cut: "drumstick", machine, layout: [] } as unknown as Request;
const potatoes: Side = {
  name: "potatoes",
  patience: "fairly",
  keeps_s: 600,
  side_mass_g: 720,
  recipe: {
    name: "potatoes",
    kind: "side",
    serves: 4,
    items: [{ what: "potatoes", amount: 720, unit: "gram" }],
  },
  steps: [
    {
      what: "Roast them",
      site: "beside",
      starts: "last_minutes",
      work_s: 0,
      shortest_s: 900,
      best_s: 900,
      longest_s: 900,
      waits_s: 0,
    },
  ],
};

/** As the server gives them. */
const withIds = (supper: Supper): Supper => ({
  ...supper,
  dishes: supper.dishes.map((dish, n) => ({ ...dish, id: `${n}` })),
});

test("a new supper is on the next evening that leaves time", () => {
  const supper = emptySupper(now, "Europe/London");
  expect(new Date(supper.serve_at ?? "").getTime()).toBe(new Date(2026, 10, 26, 19, 0).getTime());
});

test("sides are for all eaters, and go with their cook", () => {
  let supper = withCook(emptySupper(now, "UTC"), request);
  supper = withSide(withCook(supper, request), potatoes);
  expect(supper.dishes[2]?.side).toMatchObject({ with: 0, side_mass_g: 720 });
  expect(supper.dishes[0]?.cook?.request.layout).toBeUndefined();
  // Without its cook a side goes too; without another it keeps its own.
  expect(withoutDish(supper, 0).dishes).toHaveLength(1);
  supper = {
    ...supper,
    dishes: [supper.dishes[0] ?? {}, supper.dishes[1] ?? {}, { side: { ...potatoes, with: 1 } }],
  };
  expect(withoutDish(supper, 0).dishes[1]?.side?.with).toBe(0);
});

test("leaving a dish out keeps what has begun of the others", () => {
  let supper = withSide(withCook(emptySupper(now, "UTC"), request), potatoes);
  supper = withCook(supper, request);
  const at = now.toISOString();
  const begun = { task: "cook", start_at: at, end_at: at, moments: 1 };
  supper = withIds({ ...supper, begun: ["0", "2"].map((dish) => ({ dish, ...begun })) });
  // The potatoes go with the first cook.
  expect(withoutDish(supper, 0).begun).toEqual([{ dish: "2", ...begun }]);
  expect(withoutDish(supper, 1).begun?.map((one) => one.dish)).toEqual(["0", "2"]);
});

test("a dish goes back into its supper as it is said now, and has not begun", () => {
  let supper = withCook(withCook(emptySupper(now, "UTC"), request), request);
  const at = now.toISOString();
  const begun = { task: "cook", start_at: at, end_at: at, moments: 1 };
  supper = withIds({ ...supper, begun: ["0", "1"].map((dish) => ({ dish, ...begun })) });
  const changed = withDish(supper, 1, { ...request, pieces: 4 });
  expect(changed.dishes[1]?.cook?.request.pieces).toBe(4);
  expect(changed.begun?.map((one) => one.dish)).toEqual(["0"]);
  expect(changed.dishes[1]?.id).toBe("1");
});

test("learned values of one cut are not carried to another", () => {
  const known = { cooks: 5 };
  const learned = { ...request, known } as unknown as Request;
  const supper = withCook(emptySupper(now, "UTC"), learned);
  const anew = (request: Request) => withDish(supper, 0, request).dishes[0]?.cook?.request.known;
  expect(anew({ ...learned, pieces: 4 })).toEqual(known);
  expect(anew({ ...learned, cut: "thigh" } as unknown as Request)).toBeUndefined();
});

test("more eaters take more of the sides, and enough meat at a word", () => {
  const eight = { ...request, pieces: 8, piece_mass_g: 115 } as Request;
  let supper = withSide(withCook(emptySupper(now, "UTC"), eight), potatoes);
  supper = forEaters(supper, 6);
  expect(supper.dishes[1]?.side?.side_mass_g).toBe(6 * 180);
  // By hand: 1500 g are 13.04 drumsticks of 115 g.
  const more = enoughOf(supper, 0, 1500);
  expect(more.dishes[0]?.cook?.request.pieces).toBe(14);
  const roast = withCook(emptySupper(now, "UTC"), { ...eight, pieces: 1, piece_mass_g: 900 });
  expect(enoughOf(roast, 0, 1320).dishes[0]?.cook?.request.piece_mass_g).toBe(1350);
});

test("the time is that of the table, or of leaving the kitchen", () => {
  const supper = emptySupper(now, "UTC");
  const leave = { ...supper, serve_at: undefined, leave_by: supper.serve_at };
  expect(wantedAt(leave)).toEqual(wantedAt(supper));
  expect(movedTo(leave, now)).toMatchObject({ leave_by: now.toISOString(), serve_at: undefined });
  expect(wantedAt({ ...supper, serve_at: undefined })).toBeNull();
});

test("another day keeps the clock", () => {
  const at = onDay(new Date(2026, 10, 25, 19, 15), 2, now);
  expect(at.getTime()).toBe(new Date(2026, 10, 27, 19, 15).getTime());
});

test("a supper is written as text", () => {
  const plan = {
    serve_at: new Date(2026, 10, 25, 20, 0).toISOString(),
    dishes: [
      {
        name: "8 drumsticks",
        amounts: [{ ingredient: "fine salt", mass_g: 9, spoons: "1 1/2 tsp" }],
      },
    ],
    agenda: [
      {
        at: new Date(2026, 10, 25, 19, 5).toISOString(),
        what: "Load them",
        dish: 0,
        task: 0,
        notes: [{ text: "at {}, airy", values: [{ kind: "setting_c", value: 200 }] }],
        caution: "Hot.",
      },
    ],
    shopping: [{ what: "drumsticks", mass_g: 920 }],
  } as unknown as SupperPlan;
  const text = markdown(emptySupper(now, "UTC"), plan, now, {
    temperature: "celsius",
    weight: "metric",
  });
  expect(text).toContain(
    `- today ${clock(new Date(2026, 10, 25, 19, 5))} Load them (8 drumsticks)\n  - at 200 °C, airy\n  - Hot.`,
  );
  expect(text).toContain("## On the 8 drumsticks\n\n- fine salt: 1 1/2 tsp, 9 g");
  expect(text).toContain("- drumsticks: 920 g");
});
