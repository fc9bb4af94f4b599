import { expect, test } from "vitest";
import type { Supper, SupperPlan } from "../../api/types";
import { cards } from "./cards";
import { bars } from "./lanes";
import { isDone, isWork, nextMoment, told, withWaiting } from "./next";

const HOUR = 3_600_000;
const MINUTE = 60_000;
const start = Date.UTC(2026, 10, 25, 18);
const at = (minutes: number) => new Date(start + minutes * MINUTE).toISOString();

/** Salt for three minutes, an hour in the fridge, then half an hour in the drum with a turn. */
const plan = {
  serve_at: at(100),
  lanes: [
    { kind: "machine", name: "the drum", levels: 1 },
    { kind: "hob", name: "hob", levels: 4 },
    { kind: "fridge", name: "fridge", levels: 3 },
  ],
  dishes: [
    {
      id: "1",
      name: "drumsticks",
      load_at: at(66),
      tasks: [
        {
          key: "prepare:salt",
          name: "Salt",
          start_at: at(0),
          end_at: at(3),
          lane: null,
          begun: false,
        },
        { key: "prepare:dry", name: "Dry", start_at: at(3), end_at: at(63), lane: 2, begun: false },
        { key: "cook", name: "Cook", start_at: at(66), end_at: at(96), lane: 0, begun: false },
      ],
    },
  ],
  agenda: [
    [0, 0, 0, 3, "Salt"],
    [1, 0, 3, 5, "Into the fridge"],
    [2, 0, 66, 69, "Load"],
    [2, 1, 80, 82, "Turn"],
    [2, 2, 94, 96, "Take out"],
  ].map(([task, moment, from, to, what]) => ({
    dish: 0,
    task,
    moment,
    at: at(Number(from)),
    end_at: at(Number(to)),
    what,
    notes: [],
    steps: task === 2 ? [Number(moment)] : [],
  })),
  clashes: [
    { start_at: at(70), end_at: at(90), lane: 0, hands: false, what: "two at once in the drum" },
    { start_at: at(70), end_at: at(72), lane: null, hands: true, what: "hands" },
  ],
} as unknown as SupperPlan;
const supper = { name: "Supper", dishes: [{ id: "1" }] } as unknown as Supper;

const [salt, dry, load, turn, out] = plan.agenda;
if (!salt || !dry || !load || !turn || !out) throw new Error("five moments");

test("one thing after the other is next, each moment of a task on its own", () => {
  expect(nextMoment({ supper: supper, plan, cooks: [] }, start)).toBe(salt);
  expect(isWork(plan, salt)).toBe(true);
  expect(isWork(plan, load)).toBe(false);
  let now = told(supper, plan, salt, "done", start + 2 * MINUTE);
  expect(nextMoment({ supper: now, plan, cooks: [] }, start)).toBe(dry);
  now = told(now, plan, load, "begun", start + 66 * MINUTE);
  // Loaded: what came before is done, the turn comes next, and the cook goes on.
  expect(now.begun).toHaveLength(3);
  expect(nextMoment({ supper: now, plan, cooks: [] }, start)).toBe(turn);
  now = told(now, plan, turn, "done", start + 81 * MINUTE);
  expect(nextMoment({ supper: now, plan, cooks: [] }, start)).toBe(out);
  expect(now.begun?.find((one) => one.task === "cook")?.end_at).toBe(at(96));
  now = told(now, plan, out, "done", start + 98 * MINUTE);
  expect(now.begun?.find((one) => one.task === "cook")?.end_at).toBe(at(98));
  expect(nextMoment({ supper: now, plan, cooks: [] }, start)).toBeUndefined();
});

test("a finished task ends the tasks under way before it", () => {
  const drying = told(supper, plan, dry, "begun", start + 3 * MINUTE);
  const loaded = told(drying, plan, load, "begun", start + 40 * MINUTE);
  expect(loaded.begun?.find((one) => one.task === "prepare:dry")).toMatchObject({
    start_at: at(3),
    end_at: at(40),
  });
  expect(isDone(loaded, plan, dry)).toBe(true);
});

test("a late task begins later, or takes longer once it has begun", () => {
  const late = told(supper, plan, load, "later", start);
  // Only put off: the tasks before it are still to do.
  expect(late.begun).toEqual([
    { dish: "1", task: "cook", start_at: at(71), end_at: at(101), moments: 0 },
  ]);
  expect(isDone(late, plan, load)).toBe(false);
  expect(nextMoment({ supper: late, plan, cooks: [] }, start)).toBe(salt);
  const begun = told(supper, plan, load, "begun", start + 66 * MINUTE);
  const longer = told(begun, plan, load, "later", start + 70 * MINUTE);
  expect(longer.begun?.find((one) => one.task === "cook")).toMatchObject({
    end_at: at(101),
    moments: 1,
  });
  // Long past and never told is not asked for any more.
  expect(nextMoment({ supper: supper, plan, cooks: [] }, start + 2 * HOUR)).toBe(load);
});

test("cards are for getting ready and for each cook", () => {
  const told = cards(plan).map((card) => [card.title, card.moments.map((one) => one.what)]);
  expect(told).toEqual([
    ["Get ready", ["Salt", "Into the fridge"]],
    ["Cook drumsticks", ["Load", "Turn", "Take out"]],
  ]);
});

test("clashes are in the lane that has too little room", () => {
  const lanes = bars(plan);
  const clashing = lanes.filter((lane) => lane.clashes.length > 0);
  expect(clashing.map((lane) => lane.name)).toEqual(["the drum", "your hands"]);
});

test("what waits to be sent counts at once, and the same told twice counts once", () => {
  const happened = { dish: "1", task: "cook", moment: 0, what: "begun" as const };
  const one = { id: "a", of: "s", at: start + 66 * MINUTE, happening: happened };
  const now = withWaiting(supper, plan, [one, { ...one, id: "b", at: start + 70 * MINUTE }]);
  expect(now.begun?.find((known) => known.task === "cook")).toMatchObject({
    start_at: at(66),
    end_at: at(96),
    moments: 1,
  });
  // About a task that is not there any more: nothing.
  const gone = { ...one, happening: { ...happened, dish: "7" } };
  expect(withWaiting(supper, plan, [gone])).toEqual(supper);
});
