import { expect, test } from "vitest";
import { figures } from "./off";

const cook = (machine: string, cut: string, off_s: number) => ({
  machine,
  cut,
  off_s,
  planned_s: 1200,
});

test("plans are off by the middle of the last cooks, either way", () => {
  const off = [
    cook("the drum", "drumsticks", 60),
    cook("the drum", "drumsticks", -120),
    cook("the shelves", "beef steaks", 300),
  ];
  // By hand: 60, 120 and 300 s.
  expect(figures(off)).toEqual({
    all: { name: "all", cooks: 3, off_s: 120 },
    before: null,
    machines: [
      { name: "the drum", cooks: 2, off_s: 90 },
      { name: "the shelves", cooks: 1, off_s: 300 },
    ],
    cuts: [
      { name: "drumsticks", cooks: 2, off_s: 90 },
      { name: "beef steaks", cooks: 1, off_s: 300 },
    ],
  });
  expect(figures([])).toBeNull();
});

test("cooks before the last twenty are separate", () => {
  const off = Array.from({ length: 30 }, (_, n) => cook("the drum", "wings", n < 20 ? 60 : 240));
  expect(figures(off)?.all.off_s).toBe(60);
  expect(figures(off)?.before).toEqual({ name: "before", cooks: 10, off_s: 240 });
});
