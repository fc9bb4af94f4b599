import { expect, test } from "vitest";
import { drawnSize } from "../../lib/shrink";
import { readLogSearch } from "./search";

test("an address of the log is read, and what makes no sense is taken out", () => {
  expect(readLogSearch({ page: 3, q: "cider", cut: "pork_chop", found: "dry" })).toEqual({
    page: 3,
    q: "cider",
    cut: "pork_chop",
    machine: undefined,
    found: "dry",
    season: undefined,
  });
  const odd = readLogSearch({
    page: 1,
    q: "",
    found: "odd",
    season: "winter",
    machine: "x".repeat(90),
  });
  expect(odd.found ?? odd.season ?? odd.page ?? odd.q).toBeUndefined();
  expect(odd.machine).toHaveLength(60);
});

test("a photograph is made smaller, never larger, and keeps its shape", () => {
  expect(drawnSize(4000, 3000)).toEqual([1280, 960]);
  expect(drawnSize(640, 480)).toEqual([640, 480]);
  expect(drawnSize(4000, 1)).toEqual([1280, 1]);
});
