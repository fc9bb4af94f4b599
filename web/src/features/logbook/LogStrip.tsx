// A row of the log: planned above, what happened below, on one time axis.
import { Box, chakra } from "@chakra-ui/react";
import type { Mark, Picture, Step } from "../../api/types";
import { FieldCanvas } from "../../components/FieldCanvas";
import { SvgCircle, SvgPath, SvgText } from "../../components/Svg";
import { useWidth } from "../../lib/hooks";
import { degrees, type Units } from "../../lib/units";

interface LogStripProps {
  picture: Picture;
  steps: Step[];
  pullAt: number;
  turnAt: number | null | undefined;
  marks: Mark[];
  units: Units;
  /** Where the time scale ends at least, min: for strips that stand over one another. */
  until?: number;
}

const HEIGHT = 64;
const BELOW = 46;

export function LogStrip({
  picture,
  steps,
  pullAt,
  turnAt,
  marks,
  units,
  until = 0,
}: LogStripProps) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const planned = picture.minutes[picture.minutes.length - 1] ?? 1;
  const readings = marks.flatMap(({ minute, happening }) =>
    happening.kind === "reading" ? [{ minute, core: happening.core_c }] : [],
  );
  const kindOf = (mark: Mark) =>
    mark.happening.kind === "step_done" ? steps[mark.happening.step]?.kind : undefined;
  const turned = marks.find((mark) => kindOf(mark) === "turn");
  const pulls = marks.filter((mark) => kindOf(mark) === "pull" || mark.happening.kind === "pulled");
  const out = pulls[0];
  const happened = [...readings.map((reading) => reading.minute), out?.minute ?? 0];
  // A little room at the right for the last label.
  const to = Math.max(planned, Math.max(...happened) * 1.06, until);
  const x = (minute: number) => (minute / to) * width;
  const line = HEIGHT + 14;
  return (
    <Box
      ref={ref}
      position="relative"
      // The canvas must not widen its parent: a phone that is turned makes the page narrower.
      css={{ contain: "inline-size" }}
      role="img"
      aria-label={spoken(readings, out?.minute, pullAt, units)}
    >
      <Box style={{ height: HEIGHT }}>
        {width > 0 ? (
          <FieldCanvas picture={picture} width={x(planned)} height={HEIGHT} from={0} to={planned} />
        ) : null}
      </Box>
      <chakra.svg
        position="absolute"
        inset="0"
        width="100%"
        overflow="visible"
        style={{ height: HEIGHT + BELOW }}
      >
        {turnAt ? (
          <SvgPath d={`M${x(turnAt / 60)} 0V${HEIGHT}`} stroke="mark.ink" strokeWidth="1.5" />
        ) : null}
        <SvgPath d={`M${x(pullAt / 60)} 0V${HEIGHT}`} stroke="mark.ink" strokeWidth="2.5" />
        {marks.length > 0 ? (
          <SvgPath d={`M0 ${line}H${x(out?.minute ?? to)}`} stroke="ink.soft" strokeWidth="2" />
        ) : null}
        {turned ? <Tick x={x(turned.minute)} y={line} name="turned" /> : null}
        {out ? <Tick x={x(out.minute)} y={line} name="out" /> : null}
        {readings.map((reading) => (
          <g key={reading.minute}>
            <SvgCircle cx={x(reading.minute)} cy={line} r={5} fill="ember" />
            <SvgText
              x={x(reading.minute)}
              y={line + 24}
              textAnchor="middle"
              textStyle="small"
              fontWeight="700"
              fill="ink"
            >
              {degrees(reading.core, units)}
            </SvgText>
          </g>
        ))}
      </chakra.svg>
      <Box style={{ height: BELOW }} />
    </Box>
  );
}

function Tick({ x, y, name }: { x: number; y: number; name: string }) {
  return (
    <g>
      <SvgPath d={`M${x} ${y - 8}V${y + 8}`} stroke="ink" strokeWidth="2" />
      {name === "out" ? (
        <SvgText x={x + 9} y={y + 5} textStyle="tiny" fill="ink.soft">
          {name}
        </SvgText>
      ) : (
        <SvgText x={x - 6} y={y + 24} textAnchor="end" textStyle="tiny" fill="ink.soft">
          {name}
        </SvgText>
      )}
    </g>
  );
}

function spoken(
  readings: { minute: number; core: number }[],
  out: number | undefined,
  pullAt: number,
  units: Units,
): string {
  const planned = `Planned out at minute ${Math.round(pullAt / 60)}.`;
  const read = readings
    .map((reading) => `${degrees(reading.core, units)} at minute ${Math.round(reading.minute)}`)
    .join(", ");
  const happened = out === undefined ? "" : ` Came out at minute ${Math.round(out)}.`;
  return planned + happened + (read ? ` Readings: ${read}.` : "");
}
