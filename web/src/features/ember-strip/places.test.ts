import { expect, test } from "vitest";
import { placed } from "./places";

test("names that would overlap stand on two lines, and a third is left out", () => {
  const name = (at: number) => ({ at, width: 60, last: false });
  const rows = placed([name(0), name(100), name(130), name(150), name(300)], [280, 400]);
  expect(rows.map((one) => one.row)).toEqual([0, 0, 1, null, 1]);
  // Nearer than two letters they would read as one.
  expect(placed([name(0), name(64)], [200, 300]).map((one) => one.row)).toEqual([0, 1]);
});
