"use client";

/** Longest side of a photograph as it is kept, pixels. */
const longest = 1600;

/**
 * A chosen picture as it is kept: no side longer than 1600 pixels, drawn anew, so that nothing of the file but what is
 * seen remains: not where or when it was taken, nor with what.
 * @throws Error in the trainee's words when the browser cannot read the file as a picture
 */
export async function resizePhoto(file: Blob): Promise<Uint8Array<ArrayBuffer>> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file, { imageOrientation: "from-image" });
  } catch {
    throw new Error("This browser cannot read the file as a picture.");
  }
  const scale = Math.min(1, longest / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(picture.width * scale)),
    Math.max(1, Math.round(picture.height * scale)),
  );
  const drawing = canvas.getContext("2d")!;
  drawing.imageSmoothingQuality = "high";
  drawing.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return new Uint8Array(await (await canvas.convertToBlob({ type: "image/jpeg", quality: 0.88 })).arrayBuffer());
}
