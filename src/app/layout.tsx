import { Frame } from "@/app/Frame";
import "@/ui/theme/base.css";
import { figureFont, textFont } from "@/ui/theme/fonts";
import { ThemeProvider } from "@/ui/theme/ThemeProvider";
import type { Metadata, Viewport } from "next";
import type { ReactNode } from "react";

export const metadata: Metadata = {
  title: "Oat Column",
  description: "A training log that does the arithmetic",
  manifest: "/manifest.webmanifest",
  icons: {
    icon: [
      { url: "/favicon.ico", sizes: "32x32" },
      { url: "/icon.svg", type: "image/svg+xml" },
    ],
    apple: "/icon-192.png",
  },
};

export const viewport: Viewport = {
  width: "device-width",
  initialScale: 1,
  themeColor: [
    { media: "(prefers-color-scheme: light)", color: "#FBF9F3" },
    { media: "(prefers-color-scheme: dark)", color: "#121A19" },
  ],
};

export default function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" className={`${textFont.variable} ${figureFont.variable}`} suppressHydrationWarning>
      <head>
        {/* Before the first paint, so that a dark page never flashes light. */}
        {/* eslint-disable-next-line @next/next/no-sync-scripts */}
        <script src="/mode.js" />
      </head>
      <body>
        <ThemeProvider>
          <Frame>{children}</Frame>
        </ThemeProvider>
      </body>
    </html>
  );
}
