// Everything on one time axis: a lane for each place and one for the hands, the table at its end.
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useEffect, useEffectEvent, useState } from "react";
import type { SupperPlan } from "../../api/types";
import { Action } from "../../components/recipes";
import { clock, day } from "../../lib/clock";
import { useNow, useSettled, useWidth } from "../../lib/hooks";
import { BarBox, ClashBox, PINS, Pins, ROW } from "./Bars";
import { bars, hoursBetween } from "./lanes";

interface LanesProps {
  plan: SupperPlan;
  /** Another serving time; absent where it cannot be moved. */
  onServe?: (at: Date) => void;
}

const MINUTE = 60_000;
const ZOOMS = [
  ["everything", null],
  ["the last six hours", 360],
  ["the last hour", 60],
] as const;
/** Width of a clock time, with some air, px. */
const MARK = 52;
/** After the table, min. */
const AFTER = 12;
const STEP = 5;
/** Less than this is a tap, px. */
const TAP = 5;
/** Key presses are asked for together once they rest this long, ms. */
const CALM = 300;

export function Lanes({ plan, onServe }: LanesProps) {
  const [zoom, setZoom] = useState<number | null>(null);
  // A pointer on the table's line: where it came down and where the line would go. */
  const [dragged, setDragged] = useState<{ from: number; at: number; moved: boolean } | null>(null);
  const [frame, width] = useWidth<HTMLDivElement>();
  const now = useNow(30_000);
  const serve = new Date(plan.serve_at).getTime();
  const from =
    zoom === null ? new Date(plan.begins_at).getTime() - 5 * MINUTE : serve - zoom * MINUTE;
  const to = serve + AFTER * MINUTE;
  const x = (time: number) => ((time - from) / (to - from)) * width;
  // Asked for and not answered yet: the next press goes on from there.
  const [wanted, setWanted] = useState<{ at: number; before: number } | null>(null);
  const asked = wanted && wanted.before === serve ? wanted.at : serve;
  const shown = dragged?.at ?? asked;
  const rested = useSettled(wanted, CALM) === wanted;
  const ask = useEffectEvent((at: number) => onServe?.(new Date(at)));
  useEffect(() => {
    if (rested && asked !== serve) ask(asked);
  }, [rested, asked, serve]);
  const lanes = bars(plan);
  const drag = (event: PointerEvent) => {
    if (!dragged) return;
    const across = event.clientX - dragged.from;
    if (!dragged.moved && Math.abs(across) < TAP) return;
    const time = asked + (across / Math.max(1, width)) * (to - from);
    setDragged({ ...dragged, at: Math.round(time / (STEP * MINUTE)) * STEP * MINUTE, moved: true });
  };
  const key = (event: KeyboardEvent) => {
    const by = { ArrowLeft: -STEP, ArrowRight: STEP, PageUp: 30, PageDown: -30 }[event.key];
    if (!by) return;
    event.preventDefault();
    if (onServe) setWanted({ at: asked + by * MINUTE, before: serve });
  };
  return (
    <Box>
      <Flex gap="1" wrap="wrap" className="no-print" role="group" aria-label="How much is shown">
        {ZOOMS.map(([name, minutes]) => (
          <Action
            key={name}
            type="button"
            look="plain"
            aria-pressed={zoom === minutes}
            fontWeight={zoom === minutes ? "700" : "400"}
            onClick={() => setZoom(minutes)}
          >
            {name}
          </Action>
        ))}
      </Flex>
      <Box position="relative" overflow="hidden" pt="7" pb="2">
        <Box ref={frame} position="relative" css={{ marginInlineStart: "{sizes.lane}" }}>
          {hoursBetween(from, to, Math.max(2, Math.min(10, width / MARK))).map((hour) => (
            <Box
              key={hour}
              position="absolute"
              top="-24px"
              bottom="0"
              borderStart="1px solid"
              borderColor="line"
              style={{ left: x(hour) }}
            >
              <Text textStyle="tiny" color="ink.soft" ps="1" whiteSpace="nowrap">
                {clock(new Date(hour))}
              </Text>
            </Box>
          ))}
          {lanes.map((lane) => (
            <Box
              key={lane.name}
              position="relative"
              borderTop="1px solid"
              borderColor="line"
              style={{
                height: Math.max(1, lane.rows) * ROW + 6 + (lane.bars[0]?.hands ? PINS : 0),
              }}
            >
              <Text
                textStyle="small"
                position="absolute"
                insetStart="calc(-1 * var(--chakra-sizes-lane))"
                w="lane"
                pe="2"
                pt="1.5"
                bg="paper"
                zIndex="1"
              >
                {lane.name}
              </Text>
              {lane.bars.map((bar) => (
                <BarBox key={`${bar.name} ${bar.from}`} bar={bar} x={x} width={width} />
              ))}
              {lane.bars[0]?.hands ? <Pins bars={lane.bars} x={x} width={width} /> : null}
              {lane.clashes.map((clash) => (
                <ClashBox key={`${clash.what} ${clash.from}`} clash={clash} x={x} width={width} />
              ))}
            </Box>
          ))}
          {now > from && now < to ? (
            <Box
              position="absolute"
              top="-6px"
              bottom="0"
              borderStart="2px dotted"
              borderColor="ember"
              style={{ left: x(now) }}
            >
              <Text textStyle="tiny" color="ember" ps="1" bg="paper">
                now
              </Text>
            </Box>
          ) : null}
          <chakra.button
            type="button"
            role="slider"
            aria-label="On the table"
            aria-valuemin={0}
            aria-valuemax={Math.round((to - from) / MINUTE)}
            aria-valuenow={Math.round((shown - from) / MINUTE)}
            aria-valuetext={`${day(new Date(shown), new Date(now))} ${clock(new Date(shown))}`}
            aria-disabled={onServe ? undefined : true}
            position="absolute"
            top="-28px"
            bottom="0"
            w="8"
            ms="-4"
            zIndex="2"
            cursor={onServe ? "ew-resize" : "default"}
            touchAction="none"
            style={{ left: x(shown) }}
            onKeyDown={key}
            onPointerDown={(event) => {
              if (!onServe) return;
              event.currentTarget.setPointerCapture(event.pointerId);
              setDragged({ from: event.clientX, at: asked, moved: false });
            }}
            onPointerMove={drag}
            onPointerUp={() => {
              if (dragged?.moved) setWanted({ at: dragged.at, before: serve });
              setDragged(null);
            }}
            onPointerCancel={() => setDragged(null)}
          >
            <Box mx="auto" h="full" w="3px" bg="ink" />
            <Text
              textStyle="tiny"
              position="absolute"
              top="0"
              insetEnd="6"
              bg="zest"
              color="zest.ink"
              px="1"
              borderRadius="hair"
              whiteSpace="nowrap"
            >
              table {clock(new Date(shown))}
            </Text>
          </chakra.button>
        </Box>
      </Box>
    </Box>
  );
}
