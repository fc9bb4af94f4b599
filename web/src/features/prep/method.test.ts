import { expect, test } from "vitest";
import type { Method, OwnMethod, Request } from "../../api/types";
import {
  chosenOf,
  copied,
  doing,
  doingOf,
  lasting,
  methodAhead,
  ownAhead,
  ownFor,
  sameAhead,
  stepsBefore,
} from "./method";

const night = {
  id: "night",
  own: false,
  name: "bare overnight",
  coat: "rubbed",
  seasonings: [{ kind: "salt", salt_percent: 1 }],
  tasks: [
    {
      name: "Blot it",
      place: "counter",
      ahead: { kind: "blot", ahead_s: 0 },
      shortest_s: 180,
      best_s: 180,
      longest_s: 180,
      hands_on_s: 180,
    },
    { name: "Salt it", place: "counter", ahead: null, best_s: 180, hands_on_s: 180 },
    {
      name: "Let it dry",
      place: "fridge",
      ahead: { kind: "uncovered", ahead_s: 43_200 },
      shortest_s: 14_400,
      best_s: 43_200,
      longest_s: 86_400,
      hands_on_s: 120,
    },
  ],
} as unknown as Method;

test("a method does to the meat what its tasks do, for as long as the cook says", () => {
  const usual = [
    { kind: "blot" as const, ahead_s: 0 },
    { kind: "uncovered" as const, ahead_s: 43_200 },
  ];
  expect(methodAhead(night, {})).toEqual(usual);
  expect(sameAhead(methodAhead(night, {}), usual)).toBe(true);
  const longer = methodAhead(night, { "night Let it dry": 72_000 });
  expect(longer[1]?.ahead_s).toBe(72_000);
  expect(sameAhead(longer, usual)).toBe(false);
  expect(sameAhead([], usual)).toBe(false);
});

test("a method is copied with the cook's own times, which its window holds", () => {
  const own = copied(night, "drumstick", { "night Let it dry": 100_000 });
  expect(own.name).toBe("our way: bare overnight");
  expect(own.tasks[2]).toMatchObject({ does: "uncovered", best_s: 100_000, longest_s: 100_000 });
  expect(ownAhead(own)).toEqual(methodAhead(night, { "night Let it dry": 100_000 }));
});

test("the method counted with is the cook's own by name, a method by what it does", () => {
  const own = { ...night, id: "own: ours", own: true, name: "ours" };
  const request = { cut: "drumstick", coat: "rubbed", ahead: methodAhead(night, {}) } as Request;
  expect(chosenOf([night, own], request, {})).toBe(night);
  const said = { cut: "drumstick", name: "ours" } as OwnMethod;
  expect(chosenOf([night, own], { ...request, method: said }, {})).toBe(own);
  // A way that came along with a sentence stands beside those that are kept for its cut.
  const kept = [{ cut: "pork_chop", name: "chops" } as OwnMethod];
  expect(ownFor({ ...request, method: said }, kept)).toEqual([said]);
  expect(ownFor({ ...request, method: said }, [said])).toEqual([said]);
});

test("what comes before stands among the steps, backwards from the switch", () => {
  const ahead = methodAhead(night, { "night Let it dry": 36_000 });
  const steps = stepsBefore(night, ahead, 300);
  // By hand: 5 min of preheating, 10 h of drying, 3 min of salt, 3 of the towel.
  expect(steps.map((step) => step.at_s)).toEqual([-36_660, -36_480, -36_300]);
  expect(steps.map((step) => step.title)).toEqual(["Blot it", "Salt it", "Let it dry"]);
  // A method with other times, within what it allows, is that method; beyond it is another thing.
  const said = { cut: "drumstick", coat: "rubbed", ahead } as Request;
  expect(chosenOf([night], said, {})).toBe(night);
  const long = methodAhead(night, { "night Let it dry": 90_000 });
  expect(chosenOf([night], { ...said, ahead: long }, {})).toBeUndefined();
});

test("a task that is let be has a window, work lasts as long as hands are at it", () => {
  const task = copied(night, "drumstick", {}).tasks[2];
  if (!task) throw new Error("no task");
  expect(lasting(task, 7200)).toMatchObject({ shortest_s: 7200, best_s: 7200, longest_s: 86_400 });
  const work = lasting(doing(task, "hob"), 600);
  expect(work).toMatchObject({ place: "hob", shortest_s: 600, longest_s: 600, hands_on_s: 600 });
  expect(doingOf(work)).toBe("hob");
  expect(doingOf(doing(task, "parboil"))).toBe("parboil");
});
