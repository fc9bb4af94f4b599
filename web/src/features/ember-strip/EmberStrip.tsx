// The ember strip at full size: axis, depth, legend, pins, isolines, and a reading anywhere on it.
import { Box, chakra } from "@chakra-ui/react";
import { type KeyboardEvent, type MouseEvent, useState } from "react";
import type { Plan } from "../../api/types";
import { FieldCanvas } from "../../components/FieldCanvas";
import { SvgCircle, SvgPath, SvgRect, SvgText } from "../../components/Svg";
import { temperatureAt } from "../../domain/field";
import { STEP } from "../../domain/pins";
import { useWidth } from "../../lib/hooks";
import { length, temperature, type Units } from "../../lib/units";
import { Edges } from "./Edges";
import { AddBar, PinBar } from "./EditBar";
import { frameOf } from "./frame";
import { Handle } from "./Handle";
import { Isolines } from "./Isolines";
import { Legend } from "./Legend";
import { Pins } from "./Pins";
import { type EditingOf, useEditing } from "./useEditing";

export interface EmberStripProps extends EditingOf {
  /** The clock at a number of seconds from loading, if the plan is tied to the clock. */
  clockOf: (seconds: number) => string;
}

const Svg = chakra("svg");

/** Where the cook is looking: minute and depth share. */
interface Cursor {
  minute: number;
  depth: number;
}

export function EmberStrip(props: EmberStripProps) {
  const { plan, units, clockOf } = props;
  const editing = useEditing(props);
  const [ref, width] = useWidth<HTMLDivElement>();
  const [cursor, setCursor] = useState<Cursor | null>(null);
  const frame = frameOf(plan, width);
  const { left, top, height, inner, x, from, to, right } = frame;
  const end = plan.picture.minutes[plan.picture.minutes.length - 1] ?? 0;

  const addAt = (minute: number) => {
    const at = Math.round(minute) * 60;
    if (at >= STEP && at < plan.pull_at_s) editing.addAt(at);
  };
  /** Where on the picture something points, if on it. */
  const pointed = (event: MouseEvent): Cursor | null => {
    const box = event.currentTarget.getBoundingClientRect();
    const minute = from + ((event.clientX - box.left - left) / inner) * (to - from);
    const depth = (event.clientY - box.top - top) / height;
    const inside = minute >= 0 && minute <= end && depth >= 0 && depth <= 1;
    return inside ? { minute, depth } : null;
  };
  // A finger that taps has not moved before.
  const tap = (event: MouseEvent) => {
    const at = pointed(event);
    if (at) addAt(at.minute);
  };
  const step = (event: KeyboardEvent) => {
    const move = {
      ArrowRight: [1, 0],
      ArrowLeft: [-1, 0],
      ArrowDown: [0, 0.1],
      ArrowUp: [0, -0.1],
    }[event.key];
    if (event.key === "Escape") return setCursor(null);
    if (event.key === "Enter" && cursor) return addAt(cursor.minute);
    if (!move) return;
    event.preventDefault();
    const at = cursor ?? { minute: plan.pull_at_s / 60, depth: 0.5 };
    const clamp = (value: number, high: number) => Math.min(high, Math.max(0, value));
    setCursor(
      cursor
        ? {
            minute: clamp(at.minute + (move[0] ?? 0), end),
            depth: clamp(at.depth + (move[1] ?? 0), 1),
          }
        : at,
    );
  };

  return (
    <Box
      ref={ref}
      as="figure"
      position="relative"
      mx="0"
      aria-label="Heat through the piece over time"
    >
      <Box
        role="slider"
        tabIndex={0}
        aria-label="Temperature at a minute and a depth; move with the arrow keys, add a step with Enter"
        aria-valuemin={0}
        aria-valuemax={Math.round(end)}
        aria-valuenow={Math.round(cursor?.minute ?? 0)}
        aria-valuetext={cursor ? reading(plan, cursor, units) : "not looking anywhere yet"}
        onKeyDown={step}
        onPointerMove={(event) => setCursor(pointed(event))}
        onPointerLeave={() => setCursor(null)}
        onBlur={() => setCursor(null)}
        onClick={tap}
        position="relative"
        style={{ height: frame.total }}
      >
        <Box position="absolute" style={{ left, top }}>
          {width > 0 ? (
            <FieldCanvas picture={plan.picture} width={inner} height={height} from={from} to={to} />
          ) : null}
        </Box>
        <Svg
          position="absolute"
          inset="0"
          width="100%"
          height="100%"
          overflow="visible"
          aria-hidden
        >
          {plan.preheat_s ? (
            <g>
              <SvgRect x={left} y={top} width={x(0) - left} height={height} fill="well" />
              {x(0) - left > 74 ? (
                <SvgText
                  x={(left + x(0)) / 2}
                  y={top + height / 2 + 4}
                  textAnchor="middle"
                  textStyle="tiny"
                  fill="ink.soft"
                >
                  warming up
                </SvgText>
              ) : null}
            </g>
          ) : null}
          <Edges plan={plan} frame={frame} />
          <Isolines plan={plan} frame={frame} units={units} />
          <Axis frame={frame} thickness={length(plan.picture.thickness_mm, units)} />
          <Pins plan={plan} pins={editing.pins} frame={frame} clockOf={clockOf} />
          {right > 0 ? <Legend plan={plan} frame={frame} units={units} /> : null}
          {cursor ? <Crosshair frame={frame} cursor={cursor} /> : null}
        </Svg>
        {cursor ? (
          <Box
            position="absolute"
            pointerEvents="none"
            bg="solid"
            color="solid.ink"
            textStyle="small"
            borderRadius="word"
            px="2.5"
            py="1"
            whiteSpace="nowrap"
            transform={x(cursor.minute) > width - 220 ? "translateX(-105%)" : "translateX(10px)"}
            style={{ left: x(cursor.minute), top: top + cursor.depth * height - 34 }}
          >
            {reading(plan, cursor, units)}
          </Box>
        ) : null}
      </Box>
      {width > 0
        ? editing.pins.map((pin) => (
            <Handle
              key={`${pin.of} ${pin.action.kind}`}
              pin={pin}
              at={editing.held?.pin.of === pin.of ? editing.held.at : pin.at}
              most={plan.pull_at_s - STEP}
              chosen={editing.held?.pin.of === pin.of}
              frame={frame}
              units={units}
              onChoose={() => editing.choose(pin)}
              onMove={editing.move}
              onDrop={editing.keep}
              onRemove={() => editing.remove(pin)}
            />
          ))
        : null}
      {editing.held ? (
        <PinBar
          {...editing.held}
          units={units}
          effect={editing.effect}
          onMove={(at) => editing.move(at, false)}
          onDone={editing.close}
          onRemove={() => editing.held && editing.remove(editing.held.pin)}
        />
      ) : null}
      {editing.add !== null ? (
        <AddBar
          at={editing.add}
          units={units}
          dial={[plan.setting_c, props.request.machine.highest_c]}
          onAdd={(what) => editing.add !== null && editing.put(what, editing.add)}
          onCancel={editing.close}
        />
      ) : null}
    </Box>
  );
}

function reading(plan: Plan, cursor: Cursor, units: Units): string {
  const celsius = temperatureAt(plan.picture, cursor.minute, cursor.depth);
  const deep = length(cursor.depth * plan.picture.thickness_mm, units);
  return `after ${cursor.minute.toFixed(0)} min, ${deep} deep: ${temperature(celsius, units)}`;
}

type Frame = ReturnType<typeof frameOf>;

function Crosshair({ frame, cursor }: { frame: Frame; cursor: Cursor }) {
  const [cx, cy] = [frame.x(cursor.minute), frame.top + cursor.depth * frame.height];
  return (
    <g>
      <SvgPath
        d={`M${cx} ${frame.top}V${frame.top + frame.height}`}
        stroke="solid"
        strokeWidth="1"
        strokeDasharray="2 3"
      />
      <SvgCircle cx={cx} cy={cy} r={5} fill="paper" stroke="ink" strokeWidth="2" />
    </g>
  );
}

function Axis({ frame, thickness }: { frame: Frame; thickness: string }) {
  const { left, top, height, x, to, narrow } = frame;
  const bottom = top + height;
  const every = to > 90 ? 20 : to > 40 ? 10 : to > 14 ? 5 : 2;
  const ticks = Array.from({ length: Math.floor(to / every) + 1 }, (_, n) => n * every);
  return (
    <g>
      {ticks.map((minute) => (
        <g key={minute}>
          <SvgPath d={`M${x(minute)} ${bottom + 10}v9`} stroke="ink.soft" />
          <SvgText
            x={x(minute)}
            y={bottom + 34}
            textAnchor={minute === 0 ? "start" : "middle"}
            textStyle="tiny"
            fill="ink.soft"
          >
            {minute}
            {minute === 0 ? " min" : ""}
          </SvgText>
        </g>
      ))}
      {narrow ? null : (
        <g>
          {[
            ["upper", 12],
            ["core", height / 2 + 4],
            ["lower", height - 3],
          ].map(([name, y]) => (
            <SvgText
              key={name}
              x={left - 8}
              y={top + Number(y)}
              textAnchor="end"
              textStyle="tiny"
              fill="ink.soft"
            >
              {name}
            </SvgText>
          ))}
          <SvgText x={left - 8} y={bottom + 34} textAnchor="end" textStyle="tiny" fill="ink.soft">
            {thickness}
          </SvgText>
        </g>
      )}
    </g>
  );
}
