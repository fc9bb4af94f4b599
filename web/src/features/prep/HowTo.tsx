// Pictures beside what hands find hard to do from words: the spit, a boat of foil, a bed of slices.
import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Shows } from "../../api/types";
import { Caution } from "../../components/Notice";

const LINE = {
  fill: "none",
  stroke: "currentColor",
  strokeWidth: 2.5,
  strokeLinecap: "round",
} as const;
const MEAT = { fill: "var(--chakra-colors-well)", stroke: "currentColor", strokeWidth: 2 } as const;

const roast = <rect x="50" y="24" width="140" height="52" rx="24" {...MEAT} />;
const rod = <path d="M8 50H232" {...LINE} />;
const walls = <path d="M8 12V88M232 12V88" {...LINE} strokeWidth={4} />;
const twine = <path d="M78 24V76M99 24V76M120 24V76M141 24V76M162 24V76" {...LINE} />;

/** A fork from the left; mirrored from the right. */
const fork = (at: number, way: 1 | -1) => (
  <path
    d={`M${at - 20 * way} 36V64M${at - 20 * way} 38H${at + 18 * way}M${at - 20 * way} 62H${at + 18 * way}`}
    {...LINE}
  />
);

const PICTURES: Record<Shows, { alt: string; drawing: ReactNode }> = {
  tie: {
    alt: "A roast with five loops of twine, evenly apart.",
    drawing: (
      <>
        {roast}
        {twine}
      </>
    ),
  },
  rod: {
    alt: "The rod goes through the middle of the tied roast and out at both ends.",
    drawing: (
      <>
        {roast}
        {twine}
        {rod}
      </>
    ),
  },
  centre: {
    alt: "The roast in the middle of the rod, as far from the left wall as from the right.",
    drawing: (
      <>
        {walls}
        {roast}
        {rod}
        <path
          d="M14 90H44M196 90H226M20 86L14 90L20 94M38 86L44 90L38 94M202 86L196 90L202 94M220 86L226 90L220 94"
          {...LINE}
          strokeWidth={1.5}
        />
      </>
    ),
  },
  forks: {
    alt: "A fork from either end, its prongs deep in the roast, above and below the rod.",
    drawing: (
      <>
        {roast}
        {rod}
        {fork(62, 1)}
        {fork(178, -1)}
      </>
    ),
  },
  boat: {
    alt: "A boat of foil around the meat; its sides end below the skin.",
    drawing: (
      <>
        <path d="M56 40H184V72H56Z" {...MEAT} />
        <path d="M56 40H184" {...LINE} strokeWidth={5} />
        <path d="M36 48L48 80H192L204 48" {...LINE} />
      </>
    ),
  },
  bed: {
    alt: "Slices of vegetables side by side, the meat on top of them.",
    drawing: (
      <>
        <rect x="60" y="14" width="120" height="48" rx="22" {...MEAT} />
        {[58, 84, 110, 136, 162].map((x) => (
          <rect key={x} x={x} y="64" width="22" height="18" rx="4" {...LINE} />
        ))}
      </>
    ),
  },
};

const HowTo = ({ shows }: { shows: Shows }) => (
  <Box mt="2" maxW="15rem" color="ink.soft">
    <svg viewBox="0 0 240 100" role="img" aria-label={PICTURES[shows].alt} width="100%">
      {PICTURES[shows].drawing}
    </svg>
  </Box>
);

interface TaskHelpProps {
  task: { shows?: Shows | null | undefined; caution?: string | null | undefined };
  /** Room above the caution. */
  mt?: string;
}

/** What helps with a task: its picture and its caution. */
export const TaskHelp = ({ task, mt = "1" }: TaskHelpProps) => (
  <>
    {task.shows ? <HowTo shows={task.shows} /> : null}
    {task.caution ? (
      <Box mt={mt}>
        <Caution>{task.caution}</Caution>
      </Box>
    ) : null}
  </>
);
