// The one figure that matters: how far plans were off, by machine and cut, and whether that gets better.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { offQuery } from "../../api/queries";
import { Action } from "../../components/recipes";
import { type Figure, figures } from "../../domain/off";
import { count } from "../../lib/text";
import { minutes } from "../../lib/units";

/** Dots over time, the latest right; a plan that was off by more lies at the edge, s. */
const EDGE = 300;
const WIDTH = 320;
const HEIGHT = 80;
/** Room for the words above and below. */
const WORDS = 18;
const DRAWN = 40;

/** The smallest difference that is shown is half a minute. */
const least = (seconds: number) => minutes(Math.max(30, seconds));
const told = ({ name, off_s, cooks }: Figure) =>
  `${name} ${least(off_s)} (${count(cooks, "cook")})`;

export function HowFarOff() {
  const off = useQuery(offQuery()).data ?? [];
  const found = figures(off);
  if (!found) return null;
  const { all, before, machines, cuts } = found;
  const drawn = off.slice(0, DRAWN).toReversed();
  const x = (n: number) => 8 + (n / Math.max(1, drawn.length - 1)) * (WIDTH - 16);
  const y = (seconds: number) =>
    HEIGHT / 2 - (Math.max(-EDGE, Math.min(EDGE, seconds)) / EDGE) * (HEIGHT / 2 - WORDS);
  return (
    <Flex gap="6" wrap="wrap" align="center" mb="4">
      <Box flex="1" minW="16rem" maxW="reading">
        <Text textStyle="body">
          <b>Plans were off by {least(all.off_s)}</b> in the middle of the last{" "}
          {count(all.cooks, "cook")}
          {before ? `, by ${least(before.off_s)} before that` : ""}.
        </Text>
        <Text textStyle="small" color="ink.soft">
          {machines.map(told).join(", ")}; {cuts.map(told).join(", ")}.
        </Text>
        <Flex gap="3" mt="1" ms="-2" className="no-print">
          <a href="/api/logbook/cooks.csv" download="cooks.csv">
            <Action as="span" look="plain" textStyle="small">
              Cooks as a table
            </Action>
          </a>
          <a href="/api/logbook/readings.csv" download="readings.csv">
            <Action as="span" look="plain" textStyle="small">
              Readings as a table
            </Action>
          </a>
          <a href="/api/logbook/cooks.json" download="cooks.json">
            <Action as="span" look="plain" textStyle="small">
              Everything as JSON
            </Action>
          </a>
        </Flex>
      </Box>
      <Box w="20rem" maxW="100%" color="ink.soft">
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          width="100%"
          role="img"
          aria-label={`How far each plan was off, the latest right: ${drawn.map(({ off_s }) => `${Math.round(off_s / 60)} min`).join(", ")}`}
        >
          <path d={`M0 ${HEIGHT / 2}H${WIDTH}`} stroke="currentColor" strokeDasharray="2 3" />
          {drawn.map(({ cook, off_s }, n) => (
            <circle key={cook} cx={x(n)} cy={y(off_s)} r="4" fill="var(--chakra-colors-ember)" />
          ))}
          <text x="0" y="10" fontSize="10" fill="currentColor">
            later than planned
          </text>
          <text x="0" y={HEIGHT - 2} fontSize="10" fill="currentColor">
            sooner
          </text>
        </svg>
      </Box>
    </Flex>
  );
}
