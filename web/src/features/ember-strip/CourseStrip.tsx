// The strip at the fryer: the past is bright, the future dim, and now is marked.
import { Box, chakra } from "@chakra-ui/react";
import type { Estimate, Plan } from "../../api/types";
import { FieldCanvas } from "../../components/FieldCanvas";
import { SvgPath, SvgText } from "../../components/Svg";
import { useWidth } from "../../lib/hooks";

interface CourseStripProps {
  plan: Plan;
  /** Minutes since loading, or nothing before. */
  now: number | null;
  /** The core as it really goes, over the planned one. */
  estimate: Estimate | null | undefined;
}

const HEIGHT = 96;
const NAMES: Record<string, string> = {
  load: "in",
  turn: "turn",
  sauce: "sauce",
  check: "check",
  pull: "out",
  serve: "eat",
};
const GAP = 34;

export function CourseStrip({ plan, now, estimate }: CourseStripProps) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const end = plan.picture.minutes[plan.picture.minutes.length - 1] ?? 1;
  const x = (minute: number) => (minute / end) * width;
  const at = now === null ? 0 : Math.min(end, Math.max(0, now));
  let last = Number.NEGATIVE_INFINITY;
  const pins = plan.steps
    .filter((step) => step.kind in NAMES && step.batch <= 1 && step.at_s / 60 <= end + 0.5)
    .map((step) => ({ kind: step.kind, at: Math.min(end, step.at_s / 60) }))
    .map((pin) => {
      // A name is left out where it would lie on the one before or on "now".
      const place = x(pin.at);
      const free = place - last >= GAP && (now === null || Math.abs(place - x(at)) >= GAP);
      if (free) last = place;
      return { ...pin, free };
    });
  return (
    <Box ref={ref} position="relative" aria-hidden>
      {width > 0 ? (
        <FieldCanvas picture={plan.picture} width={width} height={HEIGHT} from={0} to={end} />
      ) : (
        <Box style={{ height: HEIGHT }} />
      )}
      <Box
        position="absolute"
        top="0"
        bg="paper"
        opacity="0.62"
        style={{ left: x(at), width: Math.max(0, width - x(at)), height: HEIGHT }}
      />
      <chakra.svg
        position="absolute"
        inset="0"
        width="100%"
        overflow="visible"
        style={{ height: HEIGHT + 22 }}
      >
        {pins.map((pin) => (
          <g key={`${pin.kind}${pin.at}`}>
            <SvgPath d={`M${x(pin.at)} 0V${HEIGHT}`} stroke="ink.soft" strokeWidth="1.5" />
            {pin.free ? (
              <SvgText
                x={Math.min(width - 2, Math.max(2, x(pin.at)))}
                y={HEIGHT + 17}
                textAnchor={x(pin.at) < 16 ? "start" : x(pin.at) > width - 16 ? "end" : "middle"}
                textStyle="tiny"
                fill="ink.soft"
              >
                {NAMES[pin.kind]}
              </SvgText>
            ) : null}
          </g>
        ))}
        <Core plan={plan} estimate={estimate} now={now} x={x} end={end} />
        {now !== null ? (
          <>
            <SvgPath d={`M${x(at)} 0V${HEIGHT}`} stroke="zest.mark" strokeWidth="4" />
            <SvgText
              x={Math.min(width - 14, Math.max(14, x(at)))}
              y={HEIGHT + 17}
              textAnchor="middle"
              textStyle="tiny"
              fontWeight="700"
              fill="ink"
            >
              now
            </SvgText>
          </>
        ) : null}
      </chakra.svg>
      <Box h="labels" />
    </Box>
  );
}

/** The core by temperature, from the lower edge up: planned thin, as it really goes thick up to now and
 * thin after it. */
const TOP = 100;

interface CoreProps {
  plan: Plan;
  estimate: Estimate | null | undefined;
  now: number | null;
  x: (minute: number) => number;
  end: number;
}

function Core({ plan, estimate, now, x, end }: CoreProps) {
  if (now === null || !estimate) return null;
  const y = (celsius: number) => HEIGHT * (1 - Math.min(TOP, Math.max(0, celsius)) / TOP);
  const line = (minutes: number[], core: number[]) =>
    minutes
      .flatMap((minute, n) => (minute <= end ? [`${x(minute)} ${y(core[n] ?? 0)}`] : []))
      .join("L");
  const { path_min, path_c } = estimate;
  const until = path_min.findLastIndex((minute) => minute <= now) + 1;
  const before = line(path_min.slice(0, until), path_c);
  const after = line(path_min.slice(Math.max(0, until - 1)), path_c.slice(Math.max(0, until - 1)));
  return (
    <>
      <SvgPath
        d={`M${line(plan.picture.minutes, plan.picture.core_c)}`}
        stroke="mark.ink"
        strokeWidth="1.5"
        strokeDasharray="3 4"
        fill="none"
      />
      {after ? <SvgPath d={`M${after}`} stroke="ink" strokeWidth="1.5" fill="none" /> : null}
      {before ? <SvgPath d={`M${before}`} stroke="ink" strokeWidth="3.5" fill="none" /> : null}
    </>
  );
}
