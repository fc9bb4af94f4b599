// One tray seen from above, to scale: pieces that can be moved and turned.
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import type { Loading, Machine } from "../../api/types";
import { Action } from "../../components/recipes";
import { length, type Units } from "../../lib/units";
import { allPoses, type Pose, type Shape, type Tray } from "./drawing";
import { Floor, PieceShape } from "./Floor";

interface BasketMapProps {
  loading: Loading;
  tray: Tray;
  /** Where the cook put the pieces, as it is asked for now; the plan may not have answered yet. */
  laid: Pose[] | null | undefined;
  /** What the tray is called, and where else a piece can go. */
  name: string;
  elsewhere: { name: string; batch: number; level: number }[];
  machine: Machine;
  units: Units;
  onLay: (poses: Pose[], told: string) => void;
}

const Group = chakra("g");

/** A key moves a piece by this much, mm, and turns it by this much, rad. */
const STEP = 5;
const TURN = Math.PI / 12;
/** Gaps from this on are wide enough, mm; below the other pieces touch. */
const ENOUGH = 7;
const TOUCHING = 2;
/** A pointer that moves less than this taps, px. */
const TAP = 5;

export function BasketMap(props: BasketMapProps) {
  const { loading, laid, tray, name, elsewhere, machine, units, onLay } = props;
  const known = allPoses(loading);
  const poses = laid?.length === known.length ? laid : known;
  const [dragged, setDragged] = useState<{ piece: number; pose: Pose } | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const poseOf = (piece: number): Pose | undefined =>
    dragged?.piece === piece ? dragged.pose : poses[piece];
  const lay = (piece: number, next: Partial<Pose>, told: string) => {
    const before = poses[piece];
    if (!before) return;
    onLay(poses.with(piece, { ...before, ...next }), `Piece ${piece + 1} ${told}.`);
  };
  const turn = (piece: number, by: number) =>
    lay(piece, { turned_rad: (poseOf(piece)?.turned_rad ?? 0) + by }, "turned");
  const key = (piece: number) => (event: KeyboardEvent) => {
    const pose = poseOf(piece);
    if (!pose) return;
    const moved: Partial<Pose> | undefined = {
      ArrowLeft: { x_mm: pose.x_mm - STEP },
      ArrowRight: { x_mm: pose.x_mm + STEP },
      ArrowUp: { y_mm: pose.y_mm + STEP },
      ArrowDown: { y_mm: pose.y_mm - STEP },
    }[event.key];
    const turned = { "[": TURN, "]": -TURN }[event.key];
    if (!moved && !turned) return;
    event.preventDefault();
    if (moved) lay(piece, moved, "moved");
    else if (turned) turn(piece, turned);
  };

  return (
    <Box>
      <Floor
        machine={machine}
        role="group"
        label={`${name} from above: ${tray.pieces.length} pieces`}
      >
        {tray.pieces.map((piece) => {
          const [shape, pose] = [loading.shapes[piece], poseOf(piece)];
          return shape && pose ? (
            <Piece
              key={piece}
              number={piece + 1}
              pose={pose}
              shape={shape}
              label={`Piece ${piece + 1}: ${nearest(tray, piece, units)}. Arrow keys move it, square brackets turn it.`}
              chosen={piece === chosen}
              onChoose={() => setChosen(piece)}
              onKeyDown={key(piece)}
              onBack={() => setDragged(null)}
              onDrag={(x_mm, y_mm, end) => {
                setDragged(end ? null : { piece, pose: { ...pose, x_mm, y_mm } });
                if (end) lay(piece, { x_mm, y_mm }, "moved");
              }}
            />
          ) : null;
        })}
        {dragged
          ? null
          : tray.near.map((near) => (
              <Gap
                key={`${near.piece} ${near.other ?? "wall"}`}
                at={near.at_mm}
                gap={near.gap_mm}
              />
            ))}
      </Floor>
      {chosen !== null && tray.pieces.includes(chosen) ? (
        <Flex gap="1" wrap="wrap" align="center" className="no-print">
          <Text textStyle="small" fontWeight="700">
            Piece {chosen + 1}
          </Text>
          <Action type="button" look="plain" onClick={() => turn(chosen, TURN)}>
            Turn left
          </Action>
          <Action type="button" look="plain" onClick={() => turn(chosen, -TURN)}>
            Turn right
          </Action>
          {elsewhere.map((place) => (
            <Action
              key={place.name}
              type="button"
              look="plain"
              onClick={() =>
                lay(chosen, { batch: place.batch, level: place.level }, `moved to ${place.name}`)
              }
            >
              To {place.name}
            </Action>
          ))}
        </Flex>
      ) : null}
    </Box>
  );
}

/** The nearest neighbour of a piece, in words. */
function nearest(tray: Tray, piece: number, units: Units): string {
  const [first] = tray.near
    .filter((near) => near.piece === piece || near.other === piece)
    .sort((a, b) => a.gap_mm - b.gap_mm);
  if (!first) return "plenty of space around";
  const other = first.piece === piece ? first.other : first.piece;
  const what = other == null ? "the wall" : `piece ${other + 1}`;
  return first.gap_mm > 0 ? `${length(first.gap_mm, units)} to ${what}` : `touches ${what}`;
}

interface PieceProps {
  number: number;
  pose: Pose;
  shape: Shape;
  label: string;
  chosen: boolean;
  onChoose: () => void;
  onKeyDown: (event: KeyboardEvent) => void;
  onDrag: (x: number, y: number, end: boolean) => void;
  /** The browser took the pointer for scrolling: the piece lies where it lay. */
  onBack: () => void;
}

const LIT = { "& path": { stroke: "brown.golden", fill: "brown.golden" } };

function Piece(props: PieceProps) {
  const { number, pose, shape, label, chosen, onChoose, onKeyDown, onDrag, onBack } = props;
  const from = useRef<{ x: number; y: number; at: [number, number]; moved: boolean } | null>(null);
  const group = useRef<SVGGElement>(null);
  // A finger scrolls the page until it has chosen a piece. Browsers do not heed `touch-action`
  // within a drawing, and React listens passively: hence by hand.
  useEffect(() => {
    const { current } = group;
    if (!chosen || !current) return;
    const stay = (event: TouchEvent) => event.preventDefault();
    current.addEventListener("touchstart", stay, { passive: false });
    return () => current.removeEventListener("touchstart", stay);
  }, [chosen]);
  /** A place on the screen in millimetres of the floor, back up. */
  const place = (event: PointerEvent<SVGGElement>): [number, number] => {
    const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return [point.x, -point.y];
  };
  const drag = (event: PointerEvent<SVGGElement>, end: boolean) => {
    const { current } = from;
    if (!current) return;
    const way = Math.hypot(event.clientX - current.x, event.clientY - current.y);
    current.moved ||= way >= TAP;
    if (end) from.current = null;
    if (!current.moved) return;
    const [x, y] = place(event);
    onDrag(x - current.at[0], y - current.at[1], end);
  };
  return (
    <Group
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={chosen}
      cursor="grab"
      ref={group}
      css={chosen ? LIT : undefined}
      // The outline of a group is its box, which hides the neighbours: the piece itself darkens.
      _focusVisible={{ outlineWidth: "0", ...LIT }}
      onKeyDown={onKeyDown}
      onFocus={onChoose}
      onPointerDown={(event: PointerEvent<SVGGElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        const [x, y] = place(event);
        const at: [number, number] = [x - pose.x_mm, y - pose.y_mm];
        from.current = { x: event.clientX, y: event.clientY, at, moved: false };
        onChoose();
      }}
      onPointerMove={(event: PointerEvent<SVGGElement>) => drag(event, false)}
      onPointerUp={(event: PointerEvent<SVGGElement>) => drag(event, true)}
      onPointerCancel={() => {
        from.current = null;
        onBack();
      }}
    >
      <PieceShape shape={shape} pose={pose} number={number} />
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
    <Group {...look} strokeLinecap="round" pointerEvents="none">
      <line x1={x1} y1={-y1} x2={x2} y2={-y2} />
    </Group>
  );
}
