// The floor of a machine and one piece on it, to scale in millimetres, seen from above.
import { chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Machine } from "../../api/types";
import { CORNER, corePath, floorSize, type Layout, type Pose, placed } from "./drawing";

const Svg = chakra("svg");
const Group = chakra("g");

const MARGIN = 8;

interface FloorProps {
  machine: Machine;
  role: "group" | "img";
  label: string;
  children: ReactNode;
}

export function Floor({ machine, role, label, children }: FloorProps) {
  const [width, depth] = floorSize(machine);
  return (
    <Svg
      viewBox={`${-width / 2 - MARGIN} ${-depth / 2 - MARGIN} ${width + 2 * MARGIN} ${depth + 2 * MARGIN}`}
      width="100%"
      // To look at beside a countdown, or to work on.
      maxH={role === "img" ? "basketSmall" : "basket"}
      display="block"
      role={role}
      aria-label={label}
      touchAction={role === "group" ? "none" : undefined}
    >
      <Group fill="well" stroke="ink.soft" strokeWidth="2">
        {machine.floor_shape === "round" ? (
          <circle r={width / 2} />
        ) : (
          <rect x={-width / 2} y={-depth / 2} width={width} height={depth} rx={CORNER} />
        )}
      </Group>
      {children}
    </Svg>
  );
}

export function PieceShape({
  layout,
  pose,
  number,
}: {
  layout: Layout;
  pose: Pose;
  number: number;
}) {
  return (
    <>
      <Group
        fill="brown.blond"
        stroke="brown.blond"
        strokeLinejoin="round"
        strokeLinecap="round"
        style={{ strokeWidth: 2 * layout.radius_mm }}
      >
        <path d={corePath(layout.core_mm)} transform={placed(pose)} />
      </Group>
      <Group fill="mark.ink" textStyle="section">
        <text x={pose.x_mm} y={-pose.y_mm + 5} textAnchor="middle">
          {number}
        </text>
      </Group>
    </>
  );
}

/** How to lay the pieces, to look at: at the fryer hands are wet. */
export function BasketPicture({ layout, machine }: { layout: Layout; machine: Machine }) {
  return (
    <Floor
      machine={machine}
      role="img"
      label={`${layout.poses.length} pieces as they lie in ${machine.name}, seen from above`}
    >
      {layout.poses.map((pose, n) => (
        <PieceShape key={n} layout={layout} pose={pose} number={n + 1} />
      ))}
    </Floor>
  );
}
