// Learned values as a picture: the usual value, each cook's, and the present one, on one scale.
import { Box, Text } from "@chakra-ui/react";

export interface Row {
  label: string;
  mean: number;
  spread: number;
  /** Drawn heavier. */
  now?: boolean;
  /** Drawn lighter: it does not count. */
  faint?: boolean;
}

export interface LearnedPictureProps {
  title: string;
  /** Half of the scale. */
  reach: number;
  rows: Row[];
  /** A value in words. */
  words: (value: number) => string;
}

const WIDTH = 320;
const ROW = 18;
const TOP = 6;
/** Eight in ten lie within this many standard deviations. */
const EIGHT_IN_TEN = 1.2816;

export function LearnedPicture({ title, reach, rows, words }: LearnedPictureProps) {
  const x = (value: number) =>
    WIDTH / 2 + (Math.max(-reach, Math.min(reach, value)) / reach) * (WIDTH / 2 - 8);
  const height = TOP + rows.length * ROW + 18;
  const told = rows.map(({ label, mean }) => `${label}: ${words(mean)}`).join("; ");
  return (
    <Box>
      <Text textStyle="small" fontWeight="600">
        {title}
      </Text>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        aria-label={`${title}. ${told}`}
        width="100%"
      >
        <path
          d={`M${x(0)} ${TOP - 4}V${height - 16}`}
          stroke="var(--chakra-colors-line-field, currentColor)"
          strokeDasharray="2 3"
        />
        {rows.map(({ label, mean, spread, now, faint }, n) => {
          const y = TOP + n * ROW + ROW / 2;
          const [from, to] = [mean - EIGHT_IN_TEN * spread, mean + EIGHT_IN_TEN * spread].map(x);
          return (
            <g
              key={`${label} ${n}`}
              color={now ? "var(--chakra-colors-ember)" : "var(--chakra-colors-ink-soft)"}
              opacity={faint ? 0.45 : 1}
            >
              <path d={`M${from} ${y}H${to}`} stroke="currentColor" strokeWidth={now ? 5 : 1.5} />
              <circle cx={x(mean)} cy={y} r={now ? 6 : 3} fill="currentColor" />
            </g>
          );
        })}
        {[-reach, 0, reach].map((value) => (
          <text
            key={value}
            x={x(value)}
            y={height - 3}
            fontSize="10"
            fill="currentColor"
            textAnchor={value < 0 ? "start" : value > 0 ? "end" : "middle"}
          >
            {words(value)}
          </text>
        ))}
      </svg>
    </Box>
  );
}
