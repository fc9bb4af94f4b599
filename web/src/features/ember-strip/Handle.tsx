// A pin of the strip that can be taken: dragged by mouse or finger, moved with the arrow keys, removed
// with Delete.
import { chakra } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { actionWords } from "../../domain/actions";
import { type Pin, STEP } from "../../domain/pins";
import { capital } from "../../lib/text";
import { minutes, type Units } from "../../lib/units";
import type { Frame } from "./frame";

interface HandleProps {
  pin: Pin;
  /** Its minute, s, also while it is being moved. */
  at: number;
  /** The last moment it can be moved to, s. */
  most: number;
  chosen: boolean;
  frame: Frame;
  units: Units;
  onChoose: () => void;
  onMove: (at_s: number, dragged: boolean) => void;
  onDrop: () => void;
  onRemove: () => void;
}

/** A finger's width, px. */
const WIDTH = 44;
const FIVE = 5 * STEP;
/** Less than this is a tap, not a drag, px. */
const TAP = 4;

export function Handle(props: HandleProps) {
  const { pin, at, most, chosen, frame, units, onChoose, onMove, onDrop, onRemove } = props;
  const drag = useRef<{ from: number; at: number; moved: boolean } | null>(null);
  const name = capital(actionWords(pin.action, units));

  const down = (event: PointerEvent<HTMLElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { from: event.clientX, at, moved: false };
    onChoose();
  };
  const move = (event: PointerEvent<HTMLElement>) => {
    const { current } = drag;
    if (!current) return;
    const across = event.clientX - current.from;
    if (!current.moved && Math.abs(across) < TAP) return;
    current.moved = true;
    const seconds = (across / frame.inner) * (frame.to - frame.from) * 60;
    onMove(current.at + seconds, true);
  };
  const up = () => {
    if (drag.current?.moved) onDrop();
    drag.current = null;
  };
  const key = (event: KeyboardEvent) => {
    const by = {
      ArrowRight: STEP,
      ArrowUp: STEP,
      ArrowLeft: -STEP,
      ArrowDown: -STEP,
      PageUp: FIVE,
      PageDown: -FIVE,
    }[event.key];
    if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      event.stopPropagation();
      return onRemove();
    }
    if (event.key === "Enter") return onDrop();
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    onMove(Math.round(at / STEP) * STEP + by, false);
  };

  return (
    <chakra.button
      type="button"
      role="slider"
      aria-label={name}
      aria-orientation="horizontal"
      aria-valuemin={1}
      aria-valuemax={Math.floor(most / 60)}
      aria-valuenow={Math.round(at / 60)}
      aria-valuetext={`after ${minutes(at)}`}
      title={`${name} after ${minutes(at)}: drag to move`}
      position="absolute"
      w="11"
      h="11"
      cursor="ew-resize"
      touchAction="none"
      display="grid"
      placeItems="center"
      zIndex={chosen ? 2 : 1}
      className="no-print"
      style={{ left: frame.x(at / 60) - WIDTH / 2, top: frame.top + frame.height - WIDTH / 2 }}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
      onFocus={onChoose}
      onKeyDown={key}
      onBlur={onDrop}
    >
      {Math.abs(at - pin.at) > 1 ? (
        <chakra.span
          aria-hidden
          position="absolute"
          w="2px"
          bg="mark.ink"
          style={{ bottom: WIDTH / 2, height: frame.height }}
        />
      ) : null}
      <chakra.span
        aria-hidden
        w={chosen ? "6" : "5"}
        h={chosen ? "6" : "5"}
        borderRadius="full"
        bg={chosen ? "zest" : "raised"}
        border="3px solid"
        borderColor={chosen ? "zest.ink" : "ink"}
      />
    </chakra.button>
  );
}
