import { expect, test } from "vitest";
import type { CountedMethod, Method, OwnMethod, Request } from "../../api/types";
import {
  copied,
  doing,
  doingOf,
  lasting,
  methodAhead,
  ownAhead,
  ownFor,
  stepsBefore,
} from "./method";

const night = {
  id: "night",
  own: false,
  name: "bare overnight",
  surface: ["patted_dry", "oil", "rub"],
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
  const longer = methodAhead(night, { "night Let it dry": 72_000 });
  expect(longer[1]?.ahead_s).toBe(72_000);
});

test("a method is copied with the cook's own times, which its window holds", () => {
  const own = copied(night, "drumstick", { "night Let it dry": 100_000 });
  expect(own.name).toBe("our way: bare overnight");
  expect(own.tasks[2]).toMatchObject({ does: "uncovered", best_s: 100_000, longest_s: 100_000 });
  expect(ownAhead(own)).toEqual(methodAhead(night, { "night Let it dry": 100_000 }));
});

test("a method that came along with a sentence stands beside those that are kept for its cut", () => {
  const said = { cut: "drumstick", name: "ours" } as OwnMethod;
  const request = { cut: "drumstick", method: said } as Request;
  const kept = [{ cut: "pork_chop", name: "chops" } as OwnMethod];
  expect(ownFor(request, kept)).toEqual([said]);
  expect(ownFor(request, [said])).toEqual([said]);
});

test("the tasks before are among the steps, backwards from the switch", () => {
  const method = {
    tasks: [
      { name: "Blot it", before_s: 36_360, reason: "it is wet" },
      { name: "Let it dry", before_s: 36_000, reason: "to crisp", caution: "Keep it low." },
    ],
  } as CountedMethod;
  const steps = stepsBefore(method, 300);
  // By hand: the machine is switched on 5 min before loading.
  expect(steps.map((step) => step.at_s)).toEqual([-36_660, -36_300]);
  expect(steps.map((step) => step.title)).toEqual(["Blot it", "Let it dry"]);
  expect(steps[1]?.caution).toBe("Keep it low.");
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
