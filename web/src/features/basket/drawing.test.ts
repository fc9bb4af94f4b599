import { expect, test } from "vitest";
import type { Loading, Machine } from "../../api/types";
import { allPoses, basketSvg, corePath, halfWidth, placed, trayName } from "./drawing";

const drum: Machine = {
  name: "the drum",
  kind: "drawer",
  floor_shape: "round",
  floor_width_mm: 220,
  floor_depth_mm: 220,
  height_mm: 90,
  power_w: 1400,
  lowest_c: 80,
  highest_c: 200,
  step_k: 5,
};

const capsule = {
  core_mm: [
    [20, 0],
    [-20, 0],
  ],
  radius_mm: 12,
  thick_end: true,
};
const across = { x_mm: -40, y_mm: 0, turned_rad: 0, batch: 1, level: 1 };
const upright = { x_mm: 10, y_mm: 30, turned_rad: Math.PI / 2, batch: 2, level: 1 };
const tray = (piece: number, pose: typeof across) => ({
  level: 1,
  pieces: [piece],
  poses: [pose],
  gap_mm: 20,
  coverage: 0.1,
  near: [],
});

const loading: Loading = {
  shapes: [capsule, capsule],
  levels: [{ name: "floor", height_mm: 0, clearance_mm: 60 }],
  // The heavier piece went into the first batch.
  loads: [
    { airiness: "airy", gap_mm: 20, trays: [tray(1, across)] },
    { airiness: "airy", gap_mm: 20, trays: [tray(0, upright)] },
  ],
  later_than_airy_s: 0,
  browning: ["golden", "golden"],
};

test("the back of the floor is up and turns are counter-clockwise", () => {
  expect(placed(upright)).toBe("translate(10 -30) rotate(-90)");
});

test("a piece is its corners with a round stroke", () => {
  expect(corePath(capsule.core_mm)).toBe("M20 0L-20 0Z");
});

// By hand: 20 mm to the middle of the round end and 12 mm around it, or only the 12 mm.
test("from the front a piece is as wide as it lies", () => {
  expect(halfWidth(capsule, across)).toBeCloseTo(32, 9);
  expect(halfWidth(capsule, upright)).toBeCloseTo(12, 9);
});

test("a layout by hand begins from every piece, by its number, in any batch", () => {
  expect(allPoses(loading)).toEqual([upright, across]);
  expect(trayName(loading, 1, tray(0, upright))).toBe("batch 2");
});

test("the drawing is to scale, numbered, and safe to name", () => {
  const svg = basketSvg(loading, tray(1, across), drum, "wings <&> more");
  expect(svg).toContain('width="232mm"');
  expect(svg).toContain('rx="110"');
  expect(svg).toContain('stroke-width="24"');
  expect(svg).toContain(">2</text>");
  expect(svg).toContain("<title>wings &lt;&amp;&gt; more</title>");
});
