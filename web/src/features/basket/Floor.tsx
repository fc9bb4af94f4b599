// The floor of a machine and one piece on it, to scale in millimetres, seen from above.
import { chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Loading, Machine } from "../../api/types";
import { SvgText } from "../../components/Svg";
import { corePath, corner, floorSize, type Pose, placed, type Shape, type Tray } from "./drawing";

const Svg = chakra("svg");
const Group = chakra("g");

const MARGIN = 8;
/** Room for the words at the back and the front. */
const WORDS = 16;
/** The element above is about a disc of this radius. */
const ELEMENT = 90;

interface FloorProps {
  machine: Machine;
  role: "group" | "img";
  label: string;
  children: ReactNode;
}

export function Floor({ machine, role, label, children }: FloorProps) {
  const [width, depth] = floorSize(machine);
  const radius = Math.min(ELEMENT, width / 2 - MARGIN, depth / 2 - MARGIN);
  return (
    <Svg
      viewBox={`${-width / 2 - MARGIN} ${-depth / 2 - MARGIN - WORDS} ${width + 2 * MARGIN} ${depth + 2 * (MARGIN + WORDS)}`}
      width="100%"
      // To look at beside a countdown, or to work on.
      maxH={role === "img" ? "basketSmall" : "basket"}
      display="block"
      role={role}
      aria-label={label}
      touchAction={role === "group" ? "none" : undefined}
    >
      <Group fill="well" stroke="ink.soft" strokeWidth="2">
        <rect
          x={-width / 2}
          y={-depth / 2}
          width={width}
          height={depth}
          rx={Math.max(1, corner(machine))}
        />
      </Group>
      <Group fill="none" stroke="ember" strokeWidth="1" strokeDasharray="2 5">
        <circle r={radius} />
        <path d={fan(radius)} />
      </Group>
      <SvgText x={0} y={-depth / 2 - MARGIN} textAnchor="middle" textStyle="tiny" fill="ink.soft">
        back
      </SvgText>
      <SvgText
        x={0}
        y={depth / 2 + MARGIN + 9}
        textAnchor="middle"
        textStyle="tiny"
        fill="ink.soft"
      >
        front
      </SvgText>
      {children}
    </Svg>
  );
}

/** Two arrows round the element: the way the fan above turns the air. */
function fan(radius: number): string {
  const head = 7;
  return [
    `M${radius - head} ${-head}L${radius} 0L${radius + head} ${-head}`,
    `M${-radius - head} ${head}L${-radius} 0L${-radius + head} ${head}`,
  ].join("");
}

interface PieceShapeProps {
  shape: Shape;
  pose: Pose;
  number: number;
}

export function PieceShape({ shape, pose, number }: PieceShapeProps) {
  return (
    <>
      <Group
        fill="brown.blond"
        stroke="brown.blond"
        strokeLinejoin="round"
        strokeLinecap="round"
        style={{ strokeWidth: 2 * shape.radius_mm }}
      >
        <path d={corePath(shape.core_mm)} transform={placed(pose)} />
      </Group>
      <Group fill="mark.ink" textStyle="section">
        <text x={pose.x_mm} y={-pose.y_mm + 5} textAnchor="middle">
          {number}
        </text>
      </Group>
    </>
  );
}

/** How to lay the pieces of a tray, to look at: at the fryer hands are wet. */
export function TrayPicture({
  loading,
  tray,
  machine,
}: {
  loading: Loading;
  tray: Tray;
  machine: Machine;
}) {
  return (
    <Floor
      machine={machine}
      role="img"
      label={`${tray.pieces.length} pieces as they lie in ${machine.name}, seen from above`}
    >
      {tray.pieces.map((piece, n) => {
        const [shape, pose] = [loading.shapes[piece], tray.poses[n]];
        return shape && pose ? (
          <PieceShape key={piece} shape={shape} pose={pose} number={piece + 1} />
        ) : null;
      })}
    </Floor>
  );
}
