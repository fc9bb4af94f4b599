// A small outline of a cut, as it lies.
import { chakra } from "@chakra-ui/react";
import type { CutEntry } from "../../api/types";

const SHAPES: Record<CutEntry["silhouette"], string> = {
  capsule: "M9 9h22a5 5 0 0 1 0 10H9a5 5 0 0 1 0-10Z",
  rounded: "M12 5h14c6 0 9 4 9 9s-4 10-12 9c-9-1-18 1-18-8 0-6 2-10 7-10Z",
  rectangle: "M5 7h30v14H5Z",
  teardrop: "M4 13c5-1 9-1 13-4 5-4 15-4 18 3 2 6-3 12-10 11-8-1-10-6-21-6-3 0-3-4 0-4Z",
  folded:
    "M4 18c3-7 9-12 15-11 4 1 4 4 9 4 6 0 9 3 8 6-1 4-6 3-11 2-4-1-6-4-9-3-4 1-5 5-9 5-3 0-4-1-3-3Z",
};
/** A bird on its back. */
const BIRD = "M6 15c0-6 6-11 14-11s14 5 14 10c0 6-6 10-14 10S6 21 6 15Zm28 2 5 4M6 17l-5 4";

export const Outline = ({ cut }: { cut: CutEntry }) => (
  <chakra.svg
    viewBox="0 0 40 28"
    w="10"
    h="7"
    flexShrink="0"
    fill="well"
    stroke="ink.soft"
    strokeWidth="1.5"
    strokeLinejoin="round"
    strokeLinecap="round"
    aria-hidden
  >
    <path d={cut.group === "birds" ? BIRD : SHAPES[cut.silhouette]} />
  </chakra.svg>
);
