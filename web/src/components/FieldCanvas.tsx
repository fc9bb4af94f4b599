// The temperature field itself, painted pixel by pixel: across time, down depth.
import { chakra } from "@chakra-ui/react";
import { useEffect, useRef } from "react";
import { EMBER_TABLE } from "../domain/ember";
import { columnAt, type Field } from "../domain/field";

interface FieldCanvasProps {
  picture: Field;
  width: number;
  height: number;
  /** Minutes at the left and the right edge. */
  from: number;
  to: number;
}

const Canvas = chakra("canvas");

export function FieldCanvas({ picture, width, height, from, to }: FieldCanvasProps) {
  const ref = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const canvas = ref.current;
    if (!canvas || width < 1) return;
    const scale = Math.min(2, window.devicePixelRatio || 1);
    canvas.width = Math.round(width * scale);
    canvas.height = Math.round(height * scale);
    paint(canvas, picture, from, to);
  }, [picture, width, height, from, to]);
  return (
    <Canvas ref={ref} aria-hidden style={{ width, height }} display="block" borderRadius="hair" />
  );
}

function paint(canvas: HTMLCanvasElement, picture: Field, from: number, to: number) {
  const context = canvas.getContext("2d");
  if (!context) return;
  const { width, height } = canvas;
  const { depths, field_c: field, minutes } = picture;
  const image = context.createImageData(width, height);
  const first = minutes[0] ?? 0;
  const last = minutes[minutes.length - 1] ?? 0;
  const column = new Float32Array(depths);
  for (let x = 0; x < width; x++) {
    const minute = from + ((x + 0.5) / width) * (to - from);
    if (minute < first - 0.01 || minute > last + 0.01) continue;
    const [at, part] = columnAt(picture, minute);
    const next = Math.min(at + 1, minutes.length - 1);
    for (let d = 0; d < depths; d++) {
      const a = field[at * depths + d] ?? 0;
      const b = field[next * depths + d] ?? 0;
      column[d] = a + (b - a) * part;
    }
    for (let y = 0; y < height; y++) {
      const place = ((y + 0.5) / height) * (depths - 1);
      const row = Math.min(Math.floor(place), depths - 2);
      const t = (column[row] ?? 0) + ((column[row + 1] ?? 0) - (column[row] ?? 0)) * (place - row);
      const colour = Math.max(0, Math.min(255, Math.round(t))) * 3;
      const pixel = (y * width + x) * 4;
      image.data[pixel] = EMBER_TABLE[colour] ?? 0;
      image.data[pixel + 1] = EMBER_TABLE[colour + 1] ?? 0;
      image.data[pixel + 2] = EMBER_TABLE[colour + 2] ?? 0;
      image.data[pixel + 3] = 255;
    }
  }
  context.putImageData(image, 0, 0);
}
