// The basket as a drawing of its own: plain SVG to scale, in millimetres, for print and download.
import type { Machine, Plan } from "../../api/types";

export type Layout = NonNullable<Plan["layout"]>;
export type Pose = Layout["poses"][number];

/** Corners of a drawer are rounded by about this, mm; as the core lays pieces out. */
export const CORNER = 12;
const MARGIN = 6;

export function floorSize(machine: Machine): [number, number] {
  return machine.floor_shape === "round"
    ? [machine.floor_width_mm, machine.floor_width_mm]
    : [machine.floor_width_mm, machine.floor_depth_mm];
}

/** Seen from above: the back is up. */
export const placed = (pose: Pose) =>
  `translate(${round(pose.x_mm)} ${round(-pose.y_mm)}) rotate(${round((-pose.turned_rad * 180) / Math.PI)})`;

/** Corners of a piece as a path; drawn with a round stroke of twice the radius it has its shape. */
export const corePath = (core: number[][]) =>
  `${core.map(([x = 0, y = 0], n) => `${n ? "L" : "M"}${round(x)} ${round(-y)}`).join("")}Z`;

const round = (value: number) => Math.round(value * 10) / 10;

export function basketSvg(layout: Layout, machine: Machine, title: string): string {
  const [width, depth] = floorSize(machine);
  const box = `${-width / 2 - MARGIN} ${-depth / 2 - MARGIN} ${width + 2 * MARGIN} ${depth + 2 * MARGIN}`;
  const floor =
    machine.floor_shape === "round"
      ? `<circle r="${width / 2}"/>`
      : `<rect x="${-width / 2}" y="${-depth / 2}" width="${width}" height="${depth}" rx="${CORNER}"/>`;
  const pieces = layout.poses
    .map(
      (pose, n) =>
        `<g transform="${placed(pose)}"><path d="${corePath(layout.core_mm)}" fill="#e8c48a" stroke="#e8c48a" stroke-width="${round(2 * layout.radius_mm)}" stroke-linejoin="round" stroke-linecap="round"/></g><text x="${round(pose.x_mm)}" y="${round(-pose.y_mm + 5)}" text-anchor="middle" font-size="14" font-family="sans-serif">${n + 1}</text>`,
    )
    .join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}" width="${width + 2 * MARGIN}mm" height="${depth + 2 * MARGIN}mm"><title>${escaped(title)}</title><g fill="none" stroke="#2b2420" stroke-width="1.5">${floor}</g>${pieces}</svg>`;
}

const escaped = (text: string) =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");
