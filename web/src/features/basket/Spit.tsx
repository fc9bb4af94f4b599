// A roast on the spit: along it and across it, what ties it, and what to go through before it turns.
import { Box, chakra, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Loading, Machine, Request } from "../../api/types";
import { Action } from "../../components/recipes";
import { SvgCircle, SvgPath, SvgRect, SvgText } from "../../components/Svg";
import { decimal, length, mass, share, type Units } from "../../lib/units";

type Roast = NonNullable<Loading["spit"]>;

const Svg = chakra("svg");

const TIES = [
  ["tight", "tied tight"],
  ["loose", "tied loosely"],
  ["untied", "not tied"],
] as const;

interface SpitProps {
  roast: Roast;
  machine: Machine;
  units: Units;
  tie: NonNullable<Request["tie"]>;
  onTie: (tie: NonNullable<Request["tie"]>) => void;
}

export function Spit({ roast, machine, units, tie, onTie }: SpitProps) {
  return (
    <Box>
      <SpitPicture roast={roast} machine={machine} units={units} />
      <Box role="group" aria-label="How it is tied" mt="1" className="no-print">
        {TIES.map(([value, words]) => (
          <Action
            key={value}
            type="button"
            look="plain"
            aria-pressed={value === tie}
            fontWeight={value === tie ? "700" : "400"}
            onClick={() => onTie(value)}
          >
            {words}
          </Action>
        ))}
      </Box>
      <Text textStyle="small" mt="1">
        {roast.clearance_mm >= 0
          ? `It sweeps ${length(roast.swept_mm, units)} and clears everything by ${length(roast.clearance_mm, units)} at the worst angle.`
          : `It sweeps ${length(roast.swept_mm, units)} and touches: ${length(-roast.clearance_mm, units)} too much.`}{" "}
        Its {mass(roast.mass_g, units)} hang {length(roast.offset_mm, units)} off the spit,{" "}
        {share(roast.of_limit)} of what the motor bears.
      </Text>
      <Text textStyle="small" mt="1">
        <b>Twine:</b> {roast.ties} rounds of about {long(roast.wrap_mm, units)} each,{" "}
        {long(roast.twine_mm, units)} in all; cut the ends to {length(10, units)}. <b>Forks:</b>{" "}
        {length(roast.fork_depth_mm, units)} deep from both ends. It shrinks by about{" "}
        {length(roast.shrinks_mm, units)}: tighten them again at the first check.
      </Text>
      <Checklist roast={roast} />
      <NotTurning roast={roast} />
    </Box>
  );
}

export function Checklist({ roast }: { roast: Roast }) {
  return (
    <Box mt="2">
      <Text textStyle="small" fontWeight="700">
        Before you switch it on
      </Text>
      <Box as="ul" textStyle="small" listStyleType="none">
        {roast.checklist.map((line) => (
          <Box as="li" key={line}>
            <chakra.label display="flex" gap="2" py="1" cursor="pointer" alignItems="baseline">
              <input type="checkbox" />
              <span>{line}</span>
            </chakra.label>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

const WHEN = ["it never turned", "early in the cook", "late in the cook"];

/** Why it stands still, the likeliest first. `when` is known at the fryer. */
export function NotTurning({ roast, when }: { roast: Roast; when?: number }) {
  const [open, setOpen] = useState(false);
  const [asked, setAsked] = useState(0);
  const at = when ?? asked;
  return (
    <Box mt="2">
      <Action
        type="button"
        look="plain"
        aria-expanded={open}
        className="no-print"
        onClick={() => setOpen(!open)}
      >
        It does not turn
      </Action>
      {open ? (
        <Box>
          {when === undefined ? (
            <Box role="group" aria-label="When it stopped">
              {WHEN.map((words, n) => (
                <Action
                  key={words}
                  type="button"
                  look="plain"
                  aria-pressed={n === at}
                  fontWeight={n === at ? "700" : "400"}
                  onClick={() => setAsked(n)}
                >
                  {words}
                </Action>
              ))}
            </Box>
          ) : null}
          <Box as="ol" ps="5" textStyle="small" listStyleType="decimal">
            {(roast.suspects[at] ?? []).map((suspect) => (
              <Box as="li" key={suspect.sign} py="1">
                <b>{suspect.sign}</b> ({share(suspect.share)}). {suspect.remedy}
              </Box>
            ))}
          </Box>
        </Box>
      ) : null}
    </Box>
  );
}

/** Twine is measured by the arm. */
const long = (mm: number, units: Units) =>
  units.weight === "metric" ? `${decimal(mm / 1000, 1)} m` : `${Math.round(mm / 25.4)} in`;

const MARGIN = 10;

function SpitPicture({ roast, machine, units }: Omit<SpitProps, "tie" | "onTie">) {
  const spit = machine.spit;
  if (!spit) return null;
  const room = spit.spit_diameter_mm;
  const along = spit.spit_length_mm;
  const [meat, turned] = [roast.length_mm, roast.diameter_mm];
  const middle = room / 2;
  // Along the spit on the left, across it on the right.
  const across = along + 40 + Math.max(room, roast.swept_mm) / 2;
  const ties = Array.from(
    { length: roast.ties },
    (_, n) => (meat * (n + 0.5)) / roast.ties - meat / 2,
  );
  const height = Math.max(room, roast.swept_mm);
  return (
    <Svg
      viewBox={`${-MARGIN} ${middle - height / 2 - MARGIN} ${across + height / 2 + 2 * MARGIN} ${height + 2 * MARGIN + 14}`}
      width="100%"
      maxH="basketSmall"
      display="block"
      role="img"
      aria-label={`On the spit: ${length(meat, units)} of ${length(along, units)} between the forks; sweeps ${length(roast.swept_mm, units)} of ${length(room, units)}`}
    >
      <SvgRect
        x={0}
        y={0}
        width={along}
        height={room}
        rx={4}
        fill="well"
        stroke="ink.soft"
        strokeWidth="1.5"
        strokeDasharray="6 4"
      />
      <SvgRect
        x={along / 2 - meat / 2}
        y={middle - turned / 2}
        width={meat}
        height={turned}
        rx={turned * 0.35}
        fill="brown.blond"
      />
      {ties.map((x) => (
        <SvgPath
          key={x}
          d={`M${along / 2 + x} ${middle - turned / 2}v${turned}`}
          stroke="mark.ink"
          strokeWidth="1.5"
        />
      ))}
      {[-1, 1].map((side) => (
        <SvgPath
          key={side}
          d={fork(
            along / 2 + (side * meat) / 2,
            middle,
            -side * roast.fork_depth_mm,
            turned * 0.22,
          )}
          stroke="ember"
          strokeWidth="2.5"
        />
      ))}
      <SvgPath d={`M-6 ${middle}H${along + 6}`} stroke="ember" strokeWidth="3" />
      <SvgCircle
        cx={across}
        cy={middle}
        r={room / 2}
        fill="well"
        stroke="ink.soft"
        strokeWidth="1.5"
        strokeDasharray="6 4"
      />
      <SvgCircle
        cx={across}
        cy={middle}
        r={roast.swept_mm / 2}
        fill="none"
        stroke={roast.clearance_mm < 0 ? "beet" : "zest.mark"}
        strokeWidth="2.5"
      />
      <SvgCircle
        cx={across}
        cy={middle + roast.offset_mm}
        r={turned / 2}
        fill="brown.blond"
        stroke="brown.golden"
        strokeWidth="1"
      />
      <SvgCircle cx={across} cy={middle} r={4} fill="ember" />
      <SvgText
        x={along / 2}
        y={height / 2 + middle + 14}
        textAnchor="middle"
        textStyle="tiny"
        fill="ink.soft"
      >
        along the spit
      </SvgText>
      <SvgText
        x={across}
        y={height / 2 + middle + 14}
        textAnchor="middle"
        textStyle="tiny"
        fill="ink.soft"
      >
        across it
      </SvgText>
    </Svg>
  );
}

/** A fork with two tines, from its hilt. */
const fork = (x: number, y: number, depth: number, half: number) =>
  `M${x} ${y - half}h${depth}M${x} ${y + half}h${depth}M${x} ${y - half}V${y + half}`;
