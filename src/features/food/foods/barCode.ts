/** The browser's own reader of bar codes, where it has one. */
interface Detector {
  detect: (picture: ImageBitmap) => Promise<{ rawValue: string }[]>;
}
declare global {
  var BarcodeDetector: (new (options: { formats: string[] }) => Detector) | undefined;
}

const formats = ["ean_13", "ean_8", "upc_a", "itf"];

/** Whether this browser reads bar codes in pictures. */
export const readsBarCodes = (): boolean => globalThis.BarcodeDetector !== undefined;

/** The number under a bar code in a picture; or why there is none. The picture goes nowhere and is not kept. */
export async function numberIn(picture: Blob): Promise<{ number: string } | { why: string }> {
  const bitmap = await createImageBitmap(picture).catch(() => null);
  if (bitmap === null) return { why: "That is no picture the browser can open." };
  try {
    const found = await new globalThis.BarcodeDetector!({ formats }).detect(bitmap);
    const numbers = [...new Set(found.map(({ rawValue }) => rawValue))];
    if (numbers.length > 1) return { why: "There are several bar codes in the picture: show one alone." };
    return numbers[0] === undefined
      ? { why: "No bar code is found in the picture: write its number." }
      : { number: numbers[0] };
  } catch {
    return { why: "The browser could not read the picture: write the number." };
  } finally {
    bitmap.close();
  }
}
