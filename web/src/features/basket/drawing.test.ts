import { expect, test } from "vitest";
import type { Machine } from "../../api/types";
import { basketSvg, corePath, type Layout, placed } from "./drawing";

const machine: Machine = {
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

const layout: Layout = {
  core_mm: [
    [20, 0],
    [-20, 0],
  ],
  radius_mm: 12,
  poses: [
    { x_mm: 10, y_mm: 30, turned_rad: Math.PI / 2 },
    { x_mm: -40, y_mm: 0, turned_rad: 0 },
  ],
  gap_mm: 20,
  near: [],
  later_than_airy_s: 0,
};

test("the back of the floor is up and turns are counter-clockwise", () => {
  expect(placed(layout.poses[0] ?? { x_mm: 0, y_mm: 0, turned_rad: 0 })).toBe(
    "translate(10 -30) rotate(-90)",
  );
});

test("a piece is its corners with a round stroke", () => {
  expect(corePath(layout.core_mm)).toBe("M20 0L-20 0Z");
});

test("the drawing is to scale, numbered, and safe to name", () => {
  const svg = basketSvg(layout, machine, "wings <&> more");
  expect(svg).toContain('width="232mm"');
  expect(svg).toContain('<circle r="110"/>');
  expect(svg).toContain('stroke-width="24"');
  expect(svg.match(/<text/g)).toHaveLength(2);
  expect(svg).toContain("<title>wings &lt;&amp;&gt; more</title>");
});
