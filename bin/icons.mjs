// Draws the icons from public/icon.svg: PNGs for the manifest and a favicon.ico that holds one PNG.
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "playwright-core";
import { chromiumFlags, findChromium, root } from "./machine.mjs";

const svg = readFileSync(join(root, "public", "icon.svg"), "utf8");
const browser = await chromium.launch({ executablePath: findChromium(), args: chromiumFlags });
const draw = async (size) => {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  await page.setContent(`<style>*{margin:0}svg{display:block;width:${size}px;height:${size}px}</style>${svg}`);
  return page.screenshot({ omitBackground: true });
};
for (const size of [192, 512]) writeFileSync(join(root, "public", `icon-${size}.png`), await draw(size));
const png = await draw(32);
const head = Buffer.alloc(22);
head.writeUInt16LE(1, 2);
head.writeUInt16LE(1, 4);
head.writeUInt8(32, 6);
head.writeUInt8(32, 7);
head.writeUInt16LE(1, 10);
head.writeUInt16LE(32, 12);
head.writeUInt32LE(png.length, 14);
head.writeUInt32LE(22, 18);
writeFileSync(join(root, "public", "favicon.ico"), Buffer.concat([head, png]));
await browser.close();
