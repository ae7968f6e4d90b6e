import localFont from "next/font/local";

/** Text and figures. */
export const textFont = localFont({
  src: "../../../node_modules/@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2",
  variable: "--font-text",
  weight: "200 900",
  display: "swap",
});

/** Headings and large figures. */
export const figureFont = localFont({
  src: "../../../node_modules/@fontsource-variable/newsreader/files/newsreader-latin-wght-normal.woff2",
  variable: "--font-figures",
  weight: "200 800",
  display: "swap",
});
