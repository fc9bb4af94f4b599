// Shapes whose geometry is plain SVG and whose looks come from tokens. The style system would
// take x, y, width and height for styles, so the looks sit on a group around the shape.
import { chakra, type HTMLChakraProps } from "@chakra-ui/react";
import type { ReactNode } from "react";

type Looks = Omit<HTMLChakraProps<"g">, "x" | "y" | "width" | "height" | "d">;

interface TextProps extends Looks {
  x: number;
  y: number;
  textAnchor?: "start" | "middle" | "end";
  children: ReactNode;
}

export function SvgText({ x, y, textAnchor = "start", children, ...looks }: TextProps) {
  return (
    <chakra.g {...looks}>
      <text x={x} y={y} textAnchor={textAnchor}>
        {children}
      </text>
    </chakra.g>
  );
}

export function SvgPath({ d, ...looks }: Looks & { d: string }) {
  return (
    <chakra.g fill="none" {...looks}>
      <path d={d} />
    </chakra.g>
  );
}

interface RectProps extends Looks {
  x: number;
  y: number;
  width: number;
  height: number;
  rx?: number;
}

export function SvgRect({ x, y, width, height, rx = 0, ...looks }: RectProps) {
  return (
    <chakra.g {...looks}>
      <rect x={x} y={y} width={Math.max(0, width)} height={Math.max(0, height)} rx={rx} />
    </chakra.g>
  );
}

export function SvgCircle({ cx, cy, r, ...looks }: Looks & { cx: number; cy: number; r: number }) {
  return (
    <chakra.g {...looks}>
      <circle cx={cx} cy={cy} r={r} />
    </chakra.g>
  );
}
