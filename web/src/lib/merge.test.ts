import { expect, test } from "vitest";
import { merge, put, same } from "./merge";

const base = {
  name: "the drum",
  power_w: 1500,
  racks_mm: [40],
  words: { low: "160", high: "200" },
};

test("what one side changed is taken, whichever it was", () => {
  const mine = { ...base, name: "the barrel" };
  const theirs = { ...base, power_w: 1700, words: { ...base.words, high: "205" } };
  const { document, conflicts, taken } = merge(base, mine, theirs);
  expect(document).toEqual({
    ...base,
    name: "the barrel",
    power_w: 1700,
    words: { low: "160", high: "205" },
  });
  expect(conflicts).toEqual([]);
  expect(taken).toEqual([["power_w"], ["words"]]);
});

test("what both changed alike is agreed, and differently is decided", () => {
  const mine = { ...base, name: "the cask", power_w: 1800 };
  const theirs = { ...base, name: "the barrel", power_w: 1800 };
  const { document, conflicts } = merge(base, mine, theirs);
  expect(document.power_w).toBe(1800);
  expect(conflicts).toEqual([{ path: ["name"], mine: "the cask", theirs: "the barrel" }]);
  expect(put(document, ["name"], "the barrel").name).toBe("the barrel");
});

test("a list without identities is one value", () => {
  const { conflicts } = merge(base, { ...base, racks_mm: [40, 80] }, { ...base, racks_mm: [60] });
  expect(conflicts).toEqual([{ path: ["racks_mm"], mine: [40, 80], theirs: [60] }]);
});

test("dishes of a supper are merged one by one", () => {
  const dish = (id: string, pieces: number) => ({ id, pieces });
  const supper = { dishes: [dish("chops", 4), dish("wings", 12), dish("rice", 1)] };
  const mine = { dishes: [dish("chops", 6), dish("wings", 12), dish("rice", 1), dish("mine", 1)] };
  // Left the rice out, changed the wings, added one.
  const theirs = { dishes: [dish("chops", 4), dish("wings", 20), dish("theirs", 2)] };
  const { document, conflicts } = merge(supper, mine, theirs);
  expect(conflicts).toEqual([]);
  expect(document.dishes).toEqual([
    dish("chops", 6),
    dish("wings", 20),
    dish("mine", 1),
    dish("theirs", 2),
  ]);
});

test("a dish that one left out and the other changed is decided", () => {
  const supper = {
    dishes: [
      { id: "chops", pieces: 4 },
      { id: "rice", pieces: 1 },
    ],
  };
  const mine = { dishes: [{ id: "rice", pieces: 1 }] };
  const theirs = {
    dishes: [
      { id: "chops", pieces: 6 },
      { id: "rice", pieces: 1 },
    ],
  };
  const { document, conflicts } = merge(supper, mine, theirs);
  expect(conflicts).toEqual([
    { path: ["dishes", "chops"], mine: undefined, theirs: { id: "chops", pieces: 6 } },
  ]);
  expect(document.dishes).toEqual([{ id: "rice", pieces: 1 }]);
  const decided = put(document, ["dishes", "chops"], { id: "chops", pieces: 6 });
  expect(decided.dishes.map((one) => one.id)).toEqual(["rice", "chops"]);
});

test("absent and null are the same, in any order of fields", () => {
  expect(same({ a: 1, b: null }, { a: 1 })).toBe(true);
  expect(same({ a: 1, b: 2 }, { b: 2, a: 1 })).toBe(true);
  expect(same([1, 2], [2, 1])).toBe(false);
});

// Whatever the three are: with no change on one side the other one stands, and merging is the same from both
// sides but for who is "mine".
test("merging keeps to its laws over random documents", () => {
  let seed = 7;
  const dice = (n: number) => {
    seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648;
    return seed % n;
  };
  const random = () => ({
    a: dice(3),
    b: { c: dice(3), d: dice(3) },
    list: ["x", "y", "z"].filter(() => dice(2) === 0).map((id) => ({ id, n: dice(3) })),
  });
  for (let n = 0; n < 2000; n++) {
    const [was, a, b] = [random(), random(), random()];
    expect(same(merge(was, a, was).document, a)).toBe(true);
    const left = merge(was, a, b);
    const right = merge(was, b, a);
    expect(left.conflicts.length).toBe(right.conflicts.length);
    // Decided for the other side everywhere, it is what the other side gets.
    const decided = left.conflicts.reduce(
      (document, { path, theirs }) => put(document, path, theirs),
      left.document,
    );
    const sorted = (one: typeof was) => ({
      ...one,
      list: one.list.toSorted((p, q) => p.id.localeCompare(q.id)),
    });
    expect(same(sorted(decided), sorted(right.document))).toBe(true);
  }
});
