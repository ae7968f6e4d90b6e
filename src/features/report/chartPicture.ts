"use client";

const scale = 2;
const margin = 28;
const heading = 84;

/** A drawn chart as a PNG on paper, with a title and a line under it. */
export async function chartPicture(holder: HTMLElement, title: string, line: string): Promise<Blob> {
  const svg = holder.querySelector("svg")!;
  const { width, height } = svg.getBoundingClientRect();
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const page = getComputedStyle(document.body);
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("width", String(width));
  copy.setAttribute("height", String(height));
  copy.style.fontFamily = page.fontFamily;
  const address = URL.createObjectURL(
    new Blob([new XMLSerializer().serializeToString(copy)], { type: "image/svg+xml" }),
  );
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    const canvas = new OffscreenCanvas((width + 2 * margin) * scale, (height + 2 * margin + heading) * scale);
    const drawing = canvas.getContext("2d")!;
    drawing.scale(scale, scale);
    drawing.fillStyle = page.backgroundColor;
    drawing.fillRect(0, 0, canvas.width, canvas.height);
    drawing.fillStyle = page.color;
    drawing.font = `400 30px ${getComputedStyle(document.querySelector("h1")!).fontFamily}`;
    drawing.fillText(title, margin, margin + 28);
    drawing.font = `16px ${page.fontFamily}`;
    drawing.fillText(line, margin, margin + 60, width);
    drawing.drawImage(image, margin, margin + heading, width, height);
    return await canvas.convertToBlob({ type: "image/png" });
  } finally {
    URL.revokeObjectURL(address);
  }
}
