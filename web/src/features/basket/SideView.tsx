// A load from the side, to scale: racks, pieces, guard and element with the air between them.
import { chakra } from "@chakra-ui/react";
import type { Loading, Machine } from "../../api/types";
import { SvgCircle, SvgPath, SvgRect, SvgText } from "../../components/Svg";
import { length, type Units } from "../../lib/units";
import { floorSize, halfWidth, type Load } from "./drawing";

const Svg = chakra("svg");

const MARGIN = 10;
/** Room for the words at the side. */
const WORDS = 122;

interface SideViewProps {
  machine: Machine;
  units: Units;
  /** What lies in it; nothing for the empty machine. */
  loading?: Loading;
  load?: Load;
  thickness?: number;
}

export function SideView({ machine, units, loading, load, thickness = 0 }: SideViewProps) {
  const [width] = floorSize(machine);
  const element = machine.element_mm ?? machine.height_mm;
  const left = -width / 2;
  const racks = machine.racks_mm ?? [];
  const inUse = load?.trays.flatMap((tray) => loading?.levels[tray.level - 1] ?? []) ?? [];
  const words = inUse.map(
    (level) => `${length(level.clearance_mm, units)} of air above ${level.name}`,
  );
  return (
    <Svg
      viewBox={`${left - MARGIN} ${-element - MARGIN - 8} ${width + MARGIN + WORDS} ${element + 2 * MARGIN + 8}`}
      width="100%"
      maxH="basketSmall"
      display="block"
      role="img"
      aria-label={`From the side: ${length(machine.height_mm, units)} free, element at ${length(element, units)}${words.length ? `; ${words.join("; ")}` : ""}`}
    >
      <SvgRect
        x={left}
        y={-element}
        width={width}
        height={element}
        rx={4}
        fill="well"
        stroke="ink.soft"
        strokeWidth="2"
      />
      <SvgPath
        d={coil(left + 12, width - 24, -element + 5)}
        stroke="ember"
        strokeWidth="3"
        strokeLinejoin="round"
      />
      <SvgText
        x={width / 2 + 6}
        y={-element + 8}
        textStyle="tiny"
        fill="ember"
      >{`element ${length(element, units)}`}</SvgText>
      {machine.height_mm < element - 1 ? (
        <>
          <SvgPath
            d={`M${left} ${-machine.height_mm}h${width}`}
            stroke="ink.soft"
            strokeWidth="1.5"
            strokeDasharray="6 4"
          />
          <SvgText
            x={width / 2 + 6}
            y={Math.max(-machine.height_mm + 8, -element + 24)}
            textStyle="tiny"
            fill="ink.soft"
          >{`guard ${length(machine.height_mm, units)}`}</SvgText>
        </>
      ) : null}
      {racks.map((rack, n) => (
        <g key={rack}>
          <SvgPath
            d={`M${left} ${-rack}h${width}`}
            stroke="ink.soft"
            strokeWidth="2"
            strokeDasharray="1 3"
          />
          <SvgText
            x={width / 2 + 6}
            y={-rack + 4}
            textStyle="tiny"
            fill="ink.soft"
          >{`rack ${n + 1}, ${length(rack, units)}`}</SvgText>
        </g>
      ))}
      {machine.spit && !load ? (
        <>
          <SvgCircle
            cx={0}
            cy={-machine.height_mm / 2}
            r={machine.spit.spit_diameter_mm / 2}
            fill="none"
            stroke="zest.mark"
            strokeWidth="1.5"
            strokeDasharray="6 4"
          />
          <SvgCircle cx={0} cy={-machine.height_mm / 2} r={4} fill="ember" />
          <SvgText
            x={0}
            y={-machine.height_mm / 2 + 18}
            textAnchor="middle"
            textStyle="tiny"
            fill="ink"
          >{`turns ${length(machine.spit.spit_diameter_mm, units)}`}</SvgText>
        </>
      ) : null}
      {load?.trays.map((tray) => {
        const level = loading?.levels[tray.level - 1];
        const at = level?.height_mm ?? 0;
        return (
          <g key={tray.level}>
            {tray.pieces.map((piece, n) => {
              const [shape, pose] = [loading?.shapes[piece], tray.poses[n]];
              if (!shape || !pose) return null;
              const half = halfWidth(shape, pose);
              return (
                <SvgRect
                  key={piece}
                  x={pose.x_mm - half}
                  y={-at - thickness}
                  width={2 * half}
                  height={thickness}
                  rx={Math.min(half, thickness / 2) * 0.7}
                  fill="brown.blond"
                  stroke="brown.golden"
                  strokeWidth="1"
                />
              );
            })}
            {level ? (
              <Clearance
                from={-at - thickness}
                room={level.clearance_mm}
                x={left + 14}
                units={units}
              />
            ) : null}
          </g>
        );
      })}
    </Svg>
  );
}

interface ClearanceProps {
  from: number;
  room: number;
  x: number;
  units: Units;
}

/** The air above the pieces, as an arrow with its length. */
function Clearance({ from, room, x, units }: ClearanceProps) {
  if (room < 6) return null;
  const top = from - room;
  return (
    <>
      <SvgPath
        d={`M${x} ${from}V${top}M${x - 3} ${top + 5}L${x} ${top}L${x + 3} ${top + 5}M${x - 3} ${from - 5}L${x} ${from}L${x + 3} ${from - 5}`}
        stroke="ink"
        strokeWidth="1.2"
      />
      <SvgText x={x + 6} y={from - room / 2 + 5} textStyle="tiny" fill="ink">
        {length(room, units)}
      </SvgText>
    </>
  );
}

function coil(x: number, width: number, y: number): string {
  const turns = Math.max(4, Math.round(width / 22));
  const step = width / turns;
  let d = `M${x} ${y}`;
  for (let n = 0; n < turns; n++)
    d += `l${step / 2} ${n % 2 ? -5 : 5}l${step / 2} ${n % 2 ? 5 : -5}`;
  return d;
}
