// A photograph made small enough to send and keep: drawn again, so that only the picture remains.

/** The longer side at most, px, and how well it is kept. */
const LONGEST = 1280;
const QUALITY = 0.82;

/** How large a picture is drawn whose longer side may be no more than that. */
export function drawnSize(width: number, height: number, longest = LONGEST): [number, number] {
  const scale = Math.min(1, longest / Math.max(width, height, 1));
  return [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
}

/** The file as a smaller JPEG. Fails where the browser cannot read it as a picture. */
export async function shrink(file: Blob): Promise<Blob> {
  // Upright, as the phone says it was held.
  const picture = await createImageBitmap(file, { imageOrientation: "from-image" });
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = drawnSize(picture.width, picture.height);
  const context = canvas.getContext("2d");
  if (!context) throw new Error("no canvas");
  context.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const drawn = await new Promise<Blob | null>((resolve) =>
    canvas.toBlob(resolve, "image/jpeg", QUALITY),
  );
  if (!drawn) throw new Error("no picture");
  return drawn;
}
