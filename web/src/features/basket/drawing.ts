// The basket as a drawing of its own: plain SVG to scale, in millimetres, for print and download.
import type { Loading, Machine } from "../../api/types";

export type Shape = Loading["shapes"][number];
export type Load = Loading["loads"][number];
export type Tray = Load["trays"][number];
export type Pose = Tray["poses"][number];

const USUAL_CORNER = 12;
const MARGIN = 6;

export function floorSize(machine: Machine): [number, number] {
  return machine.floor_shape === "round"
    ? [machine.floor_width_mm, machine.floor_width_mm]
    : [machine.floor_width_mm, machine.floor_depth_mm];
}

export const corner = (machine: Machine) =>
  machine.floor_shape === "round"
    ? machine.floor_width_mm / 2
    : (machine.floor_corner_mm ?? USUAL_CORNER);

/** Seen from above: the back is up. */
export const placed = (pose: Pose) =>
  `translate(${round(pose.x_mm)} ${round(-pose.y_mm)}) rotate(${round((-pose.turned_rad * 180) / Math.PI)})`;

/** Corners of a piece as a path; drawn with a round stroke of twice the radius it has its shape. */
export const corePath = (core: number[][]) =>
  `${core.map(([x = 0, y = 0], n) => `${n ? "L" : "M"}${round(x)} ${round(-y)}`).join("")}Z`;

/** How far a piece reaches to either side, seen from the front. */
export function halfWidth(shape: Shape, pose: Pose): number {
  const [cos, sin] = [Math.cos(pose.turned_rad), Math.sin(pose.turned_rad)];
  const sides = shape.core_mm.map(([x = 0, y = 0]) => Math.abs(x * cos - y * sin));
  return Math.max(0, ...sides) + shape.radius_mm;
}

/** Where every piece lies, by its number: what a layout by hand begins from. */
export function allPoses(loading: Loading): Pose[] {
  const poses: Pose[] = [];
  for (const load of loading.loads) {
    for (const tray of load.trays) {
      tray.pieces.forEach((piece, n) => {
        const pose = tray.poses[n];
        if (pose) poses[piece] = pose;
      });
    }
  }
  return poses;
}

/** The words on a tray: which batch, which rack or drawer. */
export function trayName(loading: Loading, batch: number, tray: Tray): string {
  const of = loading.loads.length > 1 ? [`batch ${batch + 1}`] : [];
  const level = loading.levels[tray.level - 1];
  if (level && loading.levels.length > 1) of.push(level.name);
  return of.join(", ") || "everything";
}

const round = (value: number) => Math.round(value * 10) / 10;

export function basketSvg(loading: Loading, tray: Tray, machine: Machine, title: string): string {
  const [width, depth] = floorSize(machine);
  const box = `${-width / 2 - MARGIN} ${-depth / 2 - MARGIN} ${width + 2 * MARGIN} ${depth + 2 * MARGIN}`;
  const floor = `<rect x="${-width / 2}" y="${-depth / 2}" width="${width}" height="${depth}" rx="${corner(machine)}"/>`;
  const pieces = tray.pieces
    .map((piece, n) => {
      const [shape, pose] = [loading.shapes[piece], tray.poses[n]];
      if (!shape || !pose) return "";
      return `<g transform="${placed(pose)}"><path d="${corePath(shape.core_mm)}" fill="#e8c48a" stroke="#e8c48a" stroke-width="${round(2 * shape.radius_mm)}" stroke-linejoin="round" stroke-linecap="round"/></g><text x="${round(pose.x_mm)}" y="${round(-pose.y_mm + 5)}" text-anchor="middle" font-size="14" font-family="sans-serif">${piece + 1}</text>`;
    })
    .join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}" width="${width + 2 * MARGIN}mm" height="${depth + 2 * MARGIN}mm"><title>${escaped(title)}</title><g fill="none" stroke="#2b2420" stroke-width="1.5">${floor}</g>${pieces}</svg>`;
}

const escaped = (text: string) =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");

/** Prints a drawing alone, as large as the paper takes it. */
export function print(svg: string, title: string) {
  const frame = document.createElement("iframe");
  frame.title = title;
  frame.style.cssText = "position:fixed;inset:0 auto auto 0;width:0;height:0;border:0";
  frame.srcdoc = `<title>${escaped(title)}</title><style>body{margin:0;font-family:sans-serif}svg{max-width:100%;max-height:90vh}</style><p>${escaped(title)}</p>${svg}`;
  frame.onload = () => {
    frame.contentWindow?.addEventListener("afterprint", () => frame.remove());
    frame.contentWindow?.print();
  };
  document.body.append(frame);
}
