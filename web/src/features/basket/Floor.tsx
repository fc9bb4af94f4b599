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
  children?: ReactNode;
}

export function Floor({ machine, role, label, children }: FloorProps) {
  const [width, depth] = floorSize(machine);
  return (
    <Svg
      viewBox={`${-width / 2 - MARGIN} ${-depth / 2 - MARGIN - WORDS} ${width + 2 * MARGIN} ${depth + 2 * (MARGIN + WORDS)}`}
      width="100%"
      // To look at beside a countdown, or to work on.
      maxH={role === "img" ? "basketSmall" : "basket"}
      display="block"
      role={role}
      aria-label={label}
      touchAction={role === "group" ? "pan-y pinch-zoom" : undefined}
    >
      <Outline machine={machine} />
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

/** All machines to one scale, so that they compare. */
const WIDEST = 460;
const DEEPEST = 370;
const BETWEEN = 14;

/** A machine among others: the floors it has, without words. */
export function FloorThumb({ machine, label }: Pick<FloorProps, "machine" | "label">) {
  const [width] = floorSize(machine);
  const twin = machine.kind === "twin_drawers";
  return (
    <Svg
      viewBox={`${-WIDEST / 2} ${-DEEPEST / 2} ${WIDEST} ${DEEPEST}`}
      width="100%"
      display="block"
      role="img"
      aria-label={label}
    >
      {(twin ? [-1, 1] : [0]).map((side) => (
        <g key={side} transform={`translate(${(side * (width + BETWEEN)) / 2} 0)`}>
          <Outline machine={machine} />
        </g>
      ))}
    </Svg>
  );
}

/** The wall, the element above, and the way its fan turns the air. */
function Outline({ machine }: { machine: Machine }) {
  const [width, depth] = floorSize(machine);
  const radius = Math.min(ELEMENT, width / 2 - MARGIN, depth / 2 - MARGIN);
  return (
    <>
      <Group fill="well" stroke="ink.soft" strokeWidth="2">
        <rect
          x={-width / 2}
          y={-depth / 2}
          width={width}
          height={depth}
          rx={Math.max(1, corner(machine))}
        />
      </Group>
      <Group fill="none" stroke="ember" strokeWidth="1.2">
        <circle r={radius} strokeDasharray="2 5" />
        {machine.kind === "still_oven" ? null : <path d={fan(radius)} strokeWidth="2.2" />}
      </Group>
    </>
  );
}

/** Two arrows round the element: the way the fan above turns the air. */
function fan(radius: number): string {
  const head = 8;
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
