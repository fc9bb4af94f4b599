// Shapes in the colours of the application. They are plain SVG elements: a chart has a hundred of them, and the style
// system would take their x, y, width and height for styles.
import { useChakraContext } from "@chakra-ui/react";
import type { ReactNode, SVGAttributes } from "react";

type Looks = Pick<
  SVGAttributes<SVGElement>,
  "fillOpacity" | "strokeDasharray" | "strokeLinejoin" | "strokeWidth"
> & {
  /** The name of a colour, "none" or "currentColor". */
  fill?: string;
  stroke?: string;
};

/** The looks with the colours as CSS reads them. */
function useColours<T extends Looks>(looks: T): T {
  const { token } = useChakraContext();
  const css = (name?: string) => name && token.var(`colors.${name}`, name);
  return { ...looks, fill: css(looks.fill), stroke: css(looks.stroke) };
}

interface TextProps extends Looks {
  x: number;
  y: number;
  textAnchor?: "start" | "middle" | "end";
  textStyle: "tiny" | "small" | "section";
  fontWeight?: "400" | "700";
  children: ReactNode;
}

export function SvgText({ textStyle, fontWeight, children, ...looks }: TextProps) {
  return (
    <text className={`svg-${textStyle}`} style={{ fontWeight }} {...useColours(looks)}>
      {children}
    </text>
  );
}

export function SvgPath(looks: Looks & { d: string }) {
  return <path {...useColours({ fill: "none", ...looks })} />;
}

interface RectProps extends Looks {
  x: number;
  y: number;
  width: number;
  height: number;
  rx?: number;
}

export function SvgRect({ width, height, ...looks }: RectProps) {
  return <rect width={Math.max(0, width)} height={Math.max(0, height)} {...useColours(looks)} />;
}

export function SvgCircle(looks: Looks & { cx: number; cy: number; r: number }) {
  return <circle {...useColours(looks)} />;
}
