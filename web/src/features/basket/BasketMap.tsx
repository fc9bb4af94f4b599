// The basket seen from above, to scale: pieces that can be moved and turned, with what it costs.
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useState } from "react";
import type { Machine, Plan, Request } from "../../api/types";
import { Action } from "../../components/recipes";
import { length, minutes, type Units } from "../../lib/units";
import { basketSvg, type Layout, type Pose } from "./drawing";
import { Floor, PieceShape } from "./Floor";

interface BasketMapProps {
  plan: Plan;
  layout: Layout;
  machine: Machine;
  units: Units;
  /** Whether the cook has moved pieces. */
  byHand: boolean;
  clockOf: (seconds: number) => string;
  onChange: (change: Partial<Request>) => void;
}

const Group = chakra("g");

/** A key moves a piece by this much, mm, and turns it by this much, rad. */
const STEP = 5;
const TURN = Math.PI / 12;
/** Gaps from this on are wide enough, mm; below the other pieces touch. */
const ENOUGH = 7;
const TOUCHING = 2;

type Moved = { poses: Pose[]; piece: number } | null;

export function BasketMap(props: BasketMapProps) {
  const { plan, layout, machine, units, byHand, clockOf, onChange } = props;
  const [dragged, setDragged] = useState<Moved>(null);
  const [before, setBefore] = useState<(Pose[] | undefined)[]>([]);
  const [told, setTold] = useState("");
  const poses = dragged?.poses ?? layout.poses;
  const several = plan.batches.length > 1;

  const commit = (next: Pose[] | undefined) => {
    setBefore([...before, byHand ? layout.poses : undefined]);
    onChange({ layout: next });
  };
  const move = (piece: number, by: Partial<Pose>) => {
    const next = poses.map((pose, n) =>
      n === piece
        ? {
            x_mm: pose.x_mm + (by.x_mm ?? 0),
            y_mm: pose.y_mm + (by.y_mm ?? 0),
            turned_rad: pose.turned_rad + (by.turned_rad ?? 0),
          }
        : pose,
    );
    commit(next);
    setTold(`Piece ${piece + 1} moved.`);
  };
  const key = (piece: number) => (event: KeyboardEvent) => {
    const by = {
      ArrowLeft: { x_mm: -STEP },
      ArrowRight: { x_mm: STEP },
      ArrowUp: { y_mm: STEP },
      ArrowDown: { y_mm: -STEP },
      "[": { turned_rad: TURN },
      "]": { turned_rad: -TURN },
    }[event.key];
    if (!by) return;
    event.preventDefault();
    move(piece, by);
  };

  return (
    <Box>
      <Floor
        machine={machine}
        role="group"
        label={`The basket from above: ${poses.length} pieces, ${plan.airiness}`}
      >
        {poses.map((pose, n) => (
          <Piece
            key={n}
            number={n + 1}
            pose={pose}
            layout={layout}
            label={`Piece ${n + 1}: ${nearest(layout, n, units)}. Arrow keys move it, square brackets turn it.`}
            onKeyDown={key(n)}
            onDrag={(x_mm, y_mm, end) => {
              const next = poses.map((known, k) => (k === n ? { ...known, x_mm, y_mm } : known));
              if (end) {
                setDragged(null);
                commit(next);
              } else {
                setDragged({ poses: next, piece: n });
              }
            }}
          />
        ))}
        {dragged
          ? null
          : layout.near.map((near) => (
              <Gap
                key={`${near.piece} ${near.other ?? "wall"}`}
                at={near.at_mm}
                gap={near.gap_mm}
              />
            ))}
      </Floor>
      <Text textStyle="small" mt="2">
        <Text as="span" fontWeight="700">
          {plan.airiness}
        </Text>
        {several ? `, batch 1 of ${plan.batches.length}` : ""}:{" "}
        {layout.gap_mm > 1
          ? `the smallest gap is ${length(layout.gap_mm, units)}`
          : "something touches"}
        {layout.later_than_airy_s >= 30
          ? `, ${minutes(layout.later_than_airy_s)} later than with much air`
          : ", as quick as with much air"}
        . Fan and element are above.
      </Text>
      {layout.other ? (
        <Text textStyle="small" mt="1">
          {layout.other.load === "all_at_once" ? "All at once" : `${layout.other.batches} batches`}:{" "}
          {layout.other.airiness}, out about {clockOf(layout.other.out_s)}, {layout.other.browning}.
        </Text>
      ) : null}
      <Flex gap="2" mt="2" wrap="wrap" className="no-print">
        {layout.other ? (
          <Action
            type="button"
            look="plain"
            onClick={() => onChange({ load: layout.other?.load, layout: undefined })}
          >
            {layout.other.load === "all_at_once" ? "Load all at once" : "Load with air"}
          </Action>
        ) : null}
        {byHand ? (
          <Action type="button" look="plain" onClick={() => commit(undefined)}>
            Lay out for me
          </Action>
        ) : null}
        {before.length > 0 ? (
          <Action
            type="button"
            look="plain"
            onClick={() => {
              onChange({ layout: before[before.length - 1] });
              setBefore(before.slice(0, -1));
            }}
          >
            Undo
          </Action>
        ) : null}
        <Action type="button" look="plain" onClick={() => download(props)}>
          Download the drawing
        </Action>
      </Flex>
      <Text srOnly role="status">
        {told ? `${told} ${plan.airiness}; ${minutes(layout.later_than_airy_s)} later.` : ""}
      </Text>
    </Box>
  );
}

/** What is nearest to a piece, in words. */
function nearest(layout: Layout, piece: number, units: Units): string {
  const [first] = layout.near
    .filter((near) => near.piece === piece || near.other === piece)
    .sort((a, b) => a.gap_mm - b.gap_mm);
  if (!first) return "much air around";
  const other = first.piece === piece ? first.other : first.piece;
  const what = other == null ? "the wall" : `piece ${other + 1}`;
  return first.gap_mm > 0 ? `${length(first.gap_mm, units)} to ${what}` : `touches ${what}`;
}

interface PieceProps {
  number: number;
  pose: Pose;
  layout: Layout;
  label: string;
  onKeyDown: (event: KeyboardEvent) => void;
  onDrag: (x: number, y: number, end: boolean) => void;
}

function Piece({ number, pose, layout, label, onKeyDown, onDrag }: PieceProps) {
  const [from, setFrom] = useState<[number, number] | null>(null);
  /** A place on the screen in millimetres of the floor, back up. */
  const place = (event: PointerEvent<SVGGElement>): [number, number] => {
    const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return [point.x, -point.y];
  };
  const drag = (event: PointerEvent<SVGGElement>, end: boolean) => {
    if (!from) return;
    const [x, y] = place(event);
    onDrag(x - from[0], y - from[1], end);
    if (end) setFrom(null);
  };
  return (
    <Group
      role="button"
      tabIndex={0}
      aria-label={label}
      cursor="grab"
      // The outline of a group is its box, which hides the neighbours: the piece itself darkens.
      _focusVisible={{
        outline: "none",
        "& path": { stroke: "brown.golden", fill: "brown.golden" },
      }}
      onKeyDown={onKeyDown}
      onPointerDown={(event: PointerEvent<SVGGElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        const [x, y] = place(event);
        setFrom([x - pose.x_mm, y - pose.y_mm]);
      }}
      onPointerMove={(event: PointerEvent<SVGGElement>) => drag(event, false)}
      onPointerUp={(event: PointerEvent<SVGGElement>) => drag(event, true)}
    >
      <PieceShape layout={layout} pose={pose} number={number} />
    </Group>
  );
}

/** A gap by colour and by pattern: enough is a thin line, little is dashed, touching is a bar. */
function Gap({ at, gap }: { at: number[][]; gap: number }) {
  const [[x1 = 0, y1 = 0] = [], [x2 = 0, y2 = 0] = []] = at;
  const look =
    gap >= ENOUGH
      ? { stroke: "zest.mark", strokeWidth: 2, strokeDasharray: "none" }
      : gap >= TOUCHING
        ? { stroke: "ember", strokeWidth: 3, strokeDasharray: "2 2" }
        : { stroke: "beet", strokeWidth: 6, strokeDasharray: "none" };
  return (
    <Group {...look} strokeLinecap="round">
      <line x1={x1} y1={-y1} x2={x2} y2={-y2} />
    </Group>
  );
}

function download({ layout, machine, plan }: BasketMapProps) {
  const title = `${layout.poses.length} pieces in ${machine.name}, ${plan.airiness}`;
  const file = new Blob([basketSvg(layout, machine, title)], { type: "image/svg+xml" });
  const link = document.createElement("a");
  link.href = URL.createObjectURL(file);
  link.download = "basket.svg";
  link.click();
  URL.revokeObjectURL(link.href);
}
