import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { NextConfig } from "next";

/** Changes with any source that figures are computed by, so that figures saved by another core are never shown. */
function coreVersion(): string {
  const hash = createHash("sha256");
  for (const room of ["src/core", "src/compute"]) {
    for (const entry of readdirSync(join(process.cwd(), room), { recursive: true, encoding: "utf8" }).sort())
      if (entry.endsWith(".ts") && !entry.endsWith(".test.ts"))
        hash.update(entry).update(readFileSync(join(process.cwd(), room, entry)));
  }
  return hash.digest("hex").slice(0, 16);
}

const config: NextConfig = {
  poweredByHeader: false,
  env: { CORE_VERSION: coreVersion() },
  devIndicators: false,
  reactStrictMode: true,
  // No picture is made smaller by the server: its way to do so is closed.
  images: { unoptimized: true },
  // Types are checked by their own step (npm run types); a start need not wait for them twice.
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    {
      source: "/:path*",
      headers: [
        { key: "X-Content-Type-Options", value: "nosniff" },
        { key: "Referrer-Policy", value: "no-referrer" },
        { key: "Cross-Origin-Opener-Policy", value: "same-origin" },
        { key: "Permissions-Policy", value: "camera=(), microphone=(), geolocation=(), payment=()" },
        { key: "X-Frame-Options", value: "DENY" },
      ],
    },
    { source: "/service-worker.js", headers: [{ key: "Cache-Control", value: "no-cache" }] },
  ],
};

export default config;
