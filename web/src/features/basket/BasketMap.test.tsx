// @vitest-environment jsdom
import { fireEvent, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { beforeEach, expect, test, vi } from "vitest";
import type { Loading, Machine } from "../../api/types";
import { draw, metric } from "../../testing/kitchen";
import { BasketMap } from "./BasketMap";
import type { Pose } from "./drawing";

const pose = (x_mm: number): Pose => ({ batch: 1, level: 1, x_mm, y_mm: 0, turned_rad: 0 });
const tray = {
  level: 1,
  pieces: [0, 1],
  poses: [pose(-40), pose(40)],
  near: [],
  gap_mm: 20,
  coverage: 0.3,
};
const shape = {
  radius_mm: 10,
  core_mm: [
    [-20, 0],
    [20, 0],
  ],
};
const loading = {
  shapes: [shape, shape],
  levels: [{ name: "basket" }],
  loads: [{ airiness: "plenty of space", gap_mm: 20, trays: [tray] }],
  browning: ["golden", "golden"],
  later_than_airy_s: 0,
} as unknown as Loading;
const machine = {
  kind: "drawer",
  floor_shape: "round",
  floor_width_mm: 220,
  floor_depth_mm: 220,
  floor_corner_mm: 12,
} as Machine;

beforeEach(() => {
  // A millimetre of the floor is a pixel.
  const same = { inverse: () => same };
  Object.assign(SVGElement.prototype, { getScreenCTM: () => same });
  vi.stubGlobal(
    "DOMPoint",
    class {
      constructor(
        readonly x: number,
        readonly y: number,
      ) {}
      matrixTransform() {
        return this;
      }
    },
  );
});

/** As a plan that is slow to answer: what is laid out by hand stands, the plan stays as it was. */
function Slow({ told }: { told: (poses: Pose[]) => void }) {
  const [laid, setLaid] = useState<Pose[]>();
  return (
    <BasketMap
      loading={loading}
      laid={laid}
      tray={tray}
      name="basket"
      elsewhere={[]}
      machine={machine}
      units={metric}
      onLay={(poses) => {
        setLaid(poses);
        told(poses);
      }}
    />
  );
}

const piece = (number: number) =>
  screen.getByRole("button", { name: new RegExp(`^Piece ${number}:`) });
const xs = (poses: Pose[] | undefined) => poses?.map((one) => one.x_mm);

test("a motionless tap chooses a piece and moves none", () => {
  const told = vi.fn();
  draw(<Slow told={told} />);
  fireEvent.pointerDown(piece(1), { clientX: -40, clientY: 0, pointerId: 1 });
  fireEvent.pointerMove(piece(1), { clientX: -38, clientY: 1, pointerId: 1 });
  fireEvent.pointerUp(piece(1), { clientX: -38, clientY: 1, pointerId: 1 });
  expect(told).not.toHaveBeenCalled();
  expect(piece(1).getAttribute("aria-pressed")).toBe("true");
});

test("a drag moves a piece by what the finger went", () => {
  const told = vi.fn();
  draw(<Slow told={told} />);
  fireEvent.pointerDown(piece(1), { clientX: -35, clientY: 0, pointerId: 1 });
  fireEvent.pointerMove(piece(1), { clientX: -15, clientY: 0, pointerId: 1 });
  fireEvent.pointerUp(piece(1), { clientX: -15, clientY: 0, pointerId: 1 });
  expect(xs(told.mock.lastCall?.[0])).toEqual([-20, 40]);
});

test("a finger the page takes for scrolling puts the piece back where it was", () => {
  const told = vi.fn();
  draw(<Slow told={told} />);
  fireEvent.pointerDown(piece(1), { clientX: -35, clientY: 0, pointerId: 1 });
  fireEvent.pointerMove(piece(1), { clientX: -15, clientY: 20, pointerId: 1 });
  // A browser that begins to scroll cancels, and gives no place.
  fireEvent.pointerCancel(piece(1), { clientX: 0, clientY: 0, pointerId: 1 });
  expect(told).not.toHaveBeenCalled();
});

test("quick second moves keep the first, before the plan has answered", async () => {
  const user = userEvent.setup();
  const told = vi.fn();
  draw(<Slow told={told} />);
  piece(1).focus();
  await user.keyboard("{ArrowRight}{ArrowRight}");
  piece(2).focus();
  await user.keyboard("{ArrowLeft}");
  expect(xs(told.mock.lastCall?.[0])).toEqual([-30, 35]);
});
