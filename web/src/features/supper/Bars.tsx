// The contents of a lane: tasks, and clashes where they need too much.
import { Box, Text } from "@chakra-ui/react";
import { FieldCanvas } from "../../components/FieldCanvas";
import { clock } from "../../lib/clock";
import type { Bar, Lane } from "./lanes";

/** Height of a row, px. */
export const ROW = 34;
const MINUTE = 60_000;
/** A name in less is a letter, px. */
const LEGIBLE = 44;

interface BarBoxProps {
  bar: Bar;
  x: (time: number) => number;
  width: number;
}

/** A task; a cook shows the heat walking in. */
export function BarBox({ bar, x, width }: BarBoxProps) {
  const left = Math.max(0, x(bar.from));
  const right = Math.min(width, x(bar.to));
  if (right <= 0 || left >= width) return null;
  const wide = Math.max(3, right - left);
  const { picture } = bar;
  const last = picture?.minutes[picture.minutes.length - 1] ?? 0;
  return (
    <Box
      position="absolute"
      overflow="hidden"
      borderRadius="hair"
      bg={bar.hands ? "zest.mark" : picture ? "well" : "line"}
      border={bar.begun ? "2px solid" : undefined}
      borderColor="ink"
      title={`${bar.name}, ${clock(new Date(bar.from))} to ${clock(new Date(bar.to))}`}
      style={{ left, width: wide, top: bar.row * ROW + 3, height: ROW - 4 }}
    >
      {picture && bar.load !== undefined ? (
        <Box position="absolute" insetStart="0" top="0">
          <FieldCanvas
            picture={picture}
            width={wide}
            height={ROW - 4}
            from={(bar.from - bar.load) / MINUTE}
            to={Math.min(last, (bar.to - bar.load) / MINUTE)}
          />
        </Box>
      ) : null}
      {bar.hands || wide < LEGIBLE ? null : (
        <Text
          textStyle="tiny"
          position="relative"
          px="1"
          whiteSpace="nowrap"
          color={picture ? "mark.ink" : "ink"}
          bg={picture ? "mark.paper" : undefined}
          w="fit-content"
          maxW="full"
          overflow="hidden"
          textOverflow="ellipsis"
          borderRadius="hair"
        >
          {bar.name}
        </Text>
      )}
    </Box>
  );
}

/** Height of the clock times under the hands, and how far they stand apart, px. */
export const PINS = 20;
const APART = 42;

interface PinsProps {
  bars: Bar[];
  x: (time: number) => number;
  width: number;
}

/** When hands are needed, by the clock, as far as there is room to read it. */
export function Pins({ bars, x, width }: PinsProps) {
  let last = Number.NEGATIVE_INFINITY;
  const pins = [...bars]
    .sort((a, b) => a.from - b.from)
    .filter((bar) => {
      const left = x(bar.from);
      const room = left >= 0 && left <= width - APART && left - last >= APART;
      if (room) last = left;
      return room;
    });
  return pins.map((bar) => (
    <Text
      key={bar.from}
      textStyle="tiny"
      position="absolute"
      bottom="0"
      whiteSpace="nowrap"
      title={bar.name}
      style={{ left: x(bar.from) }}
    >
      {clock(new Date(bar.from))}
    </Text>
  ));
}

interface ClashBoxProps {
  clash: Lane["clashes"][number];
  x: (time: number) => number;
  width: number;
}

/** Hatched over whatever is there, so that it is seen without colour too. */
export function ClashBox({ clash, x, width }: ClashBoxProps) {
  const left = Math.max(0, x(clash.from));
  const right = Math.min(width, x(clash.to));
  if (right <= 0 || left >= width) return null;
  return (
    <Box
      position="absolute"
      top="0"
      bottom="0"
      border="2px solid"
      borderColor="beet"
      borderRadius="hair"
      pointerEvents="none"
      css={{
        backgroundImage:
          "repeating-linear-gradient(135deg, {colors.beet} 0 1px, transparent 1px 11px)",
      }}
      style={{ left, width: Math.max(6, right - left) }}
      title={`${clash.what}, ${clock(new Date(clash.from))} to ${clock(new Date(clash.to))}`}
    />
  );
}
