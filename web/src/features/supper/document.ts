// A supper as a document: begun, added to, put on another day, told as text.
import type { Request, Side, Supper, SupperPlan } from "../../api/types";
import { render } from "../../domain/message";
import { clock, day } from "../../lib/clock";
import { mass, smallMass, type Units } from "../../lib/units";

/** Where the supper that is being put together waits. */
export const DRAFT = "supper";

/** What the one being put together is called in an address. */
export const IN_HAND = "draft";

const EATERS = 4;
/** More pieces the server refuses; a roast is bought in such steps, g. */
const MOST_PIECES = 60;
const ROUND = 50;
const RINGS = 4;
const SHELVES = 3;

/** The next evening at seven that leaves two hours. */
export function emptySupper(now: Date, zone: string): Supper {
  const at = new Date(now.getTime() + 2 * 3_600_000);
  const serve = new Date(at);
  serve.setHours(19, 0, 0, 0);
  if (serve < at) serve.setDate(serve.getDate() + 1);
  return {
    name: "Supper",
    serve_at: serve.toISOString(),
    eaters: EATERS,
    hands: 1,
    rings: RINGS,
    shelves: SHELVES,
    quiet: { from: "22:00", to: "07:00", zone },
    dishes: [],
  };
}

/** When it is wanted: on the table, or the cook out of the kitchen; nothing for as soon as it can be. */
export const wantedAt = (supper: Supper): Date | null => {
  const at = supper.serve_at ?? supper.leave_by;
  return at ? new Date(at) : null;
};

/** The same for another time. */
export const movedTo = (supper: Supper, at: Date): Supper =>
  supper.leave_by
    ? { ...supper, leave_by: at.toISOString() }
    : { ...supper, serve_at: at.toISOString() };

export const withCook = (supper: Supper, request: Request): Supper => ({
  ...supper,
  dishes: [...supper.dishes, { cook: { request: { ...request, layout: undefined } } }],
});

/** The same with another sentence for a dish. The sentence has its preparation; reports of the earlier one are
 * dropped. */
export const withDish = (
  supper: Supper,
  number: number,
  request: Request,
  method?: string | null,
): Supper => ({
  ...supper,
  begun: supper.begun?.filter((one) => one.dish !== supper.dishes[number]?.id),
  dishes: supper.dishes.map((dish, n) =>
    n === number
      ? {
          id: dish.id,
          cook: { request: { ...ofItsOwn(request, dish), layout: undefined }, method },
        }
      : dish,
  ),
});

/** Learned values of one machine or one cut do not apply to another. */
function ofItsOwn(request: Request, dish: Supper["dishes"][number]): Request {
  const before = dish.cook?.request;
  const other = before?.machine.name !== request.machine.name || before.cut !== request.cut;
  const same = JSON.stringify(before?.known) === JSON.stringify(request.known);
  return other && same ? { ...request, known: undefined } : request;
}

/** Whether a side needs the machine of a cook, or waits for its meat. */
export const goesWithACook = (side: Side): boolean =>
  side.steps.some(
    ({ site, starts }) => site === "beside" || site === "machine" || (starts ?? "next") !== "next",
  );

/** The same side, with all quantities times a factor. */
export function timesAsMuch(side: Side, times: number): Side {
  const { recipe, side_mass_g } = side;
  return {
    ...side,
    side_mass_g: side_mass_g == null ? undefined : Math.round(side_mass_g * times),
    recipe: recipe && {
      ...recipe,
      serves: recipe.serves == null ? undefined : Math.round(recipe.serves * times),
      items: recipe.items.map((item) => ({
        ...item,
        amount: Math.round(item.amount * times * 1000) / 1000,
      })),
    },
  };
}

/** A side for all eaters; what needs a machine goes with the first cook. */
export function withSide(supper: Supper, side: Side): Supper {
  const cook = supper.dishes.findIndex((dish) => dish.cook);
  const serves = side.recipe?.serves;
  const own: Side = {
    ...(serves ? timesAsMuch(side, supper.eaters / serves) : side),
    with: goesWithACook(side) ? Math.max(0, cook) : undefined,
  };
  return { ...supper, dishes: [...supper.dishes, { side: own }] };
}

/** Without a dish; references to later dishes move along. */
export function withoutDish(supper: Supper, gone: number): Supper {
  const stays = supper.dishes.filter((dish, n) => n !== gone && dish.side?.with !== gone);
  const dishes = stays.map((dish) =>
    dish.side?.with != null && dish.side.with > gone
      ? { ...dish, side: { ...dish.side, with: dish.side.with - 1 } }
      : dish,
  );
  // Reports of the other dishes stay.
  const begun = supper.begun?.filter((one) => stays.some((dish) => dish.id === one.dish));
  return { ...supper, begun, dishes };
}

/** For another number of eaters: the sides follow, the meats are counted by piece. */
export const forEaters = (supper: Supper, eaters: number): Supper => ({
  ...supper,
  eaters,
  dishes: supper.dishes.map((dish) =>
    dish.side ? { ...dish, side: timesAsMuch(dish.side, eaters / supper.eaters) } : dish,
  ),
});

/** More of a meat, so that it is enough: more pieces, or a bigger one. */
export function enoughOf(supper: Supper, number: number, needed: number): Supper {
  const cook = supper.dishes[number]?.cook;
  if (!cook) return supper;
  const { request, method } = cook;
  const whole = request.pieces === 1;
  const more: Request = {
    ...request,
    weights_g: undefined,
    // A bigger roast is thicker, too.
    thickness_mm: whole ? undefined : request.thickness_mm,
    pieces: whole ? 1 : Math.min(MOST_PIECES, Math.ceil(needed / request.piece_mass_g)),
    piece_mass_g: whole ? Math.ceil(needed / ROUND) * ROUND : request.piece_mass_g,
  };
  return withDish(supper, number, more, method);
}

/** The same time of the clock on another day from today. */
export function onDay(serve: Date, days: number, now: Date): Date {
  const at = new Date(now);
  at.setHours(serve.getHours(), serve.getMinutes(), 0, 0);
  at.setDate(at.getDate() + days);
  return at;
}

/** Everything by the clock, and what to buy, as text to take along. */
export function markdown(supper: Supper, plan: SupperPlan, now: Date, units: Units): string {
  const at = (time: string) => `${day(new Date(time), now)} ${clock(new Date(time))}`;
  const lines = [
    `# ${supper.name}`,
    "",
    `On the table ${at(plan.serve_at)}, for ${supper.eaters}.`,
  ];
  lines.push("", "## By the clock", "");
  for (const moment of plan.agenda) {
    const dish = plan.dishes[moment.dish]?.name ?? "";
    lines.push(`- ${at(moment.at)} ${moment.what} (${dish})`);
    for (const note of moment.notes) lines.push(`  - ${render(note, units)}`);
    if (moment.caution) lines.push(`  - ${moment.caution}`);
  }
  lines.push("", "## To buy and weigh out", "");
  for (const one of plan.shopping) {
    lines.push(`- ${one.what}${one.mass_g > 0 ? `: ${mass(one.mass_g, units)}` : ""}`);
  }
  for (const dish of plan.dishes.filter((one) => one.amounts.length > 0)) {
    lines.push("", `## On the ${dish.name.replace(/^the /, "")}`, "");
    for (const one of dish.amounts) {
      lines.push(`- ${one.ingredient}: ${one.spoons}, ${smallMass(one.mass_g, units)}`);
    }
  }
  return `${lines.join("\n")}\n`;
}
