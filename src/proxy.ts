import { readFileSync } from "node:fs";
import { join } from "node:path";
import { NextResponse, type NextRequest } from "next/server";

/** Hashes of the inline scripts of every built page, written by bin/build.mjs; unknown paths take those of the not-found page. */
let hashes: Record<string, string[]> | null = null;

function hashesFor(path: string): string[] {
  hashes ??= JSON.parse(readFileSync(join(process.cwd(), ".next", "script-hashes.json"), "utf8")) as Record<string, string[]>;
  return hashes[path] ?? hashes["/_not-found"] ?? [];
}

/** Sends each page with a content-security policy that allows its own scripts and nothing from outside. */
export function proxy(request: NextRequest) {
  const response = NextResponse.next();
  const scripts = process.env.NODE_ENV === "production" ? hashesFor(request.nextUrl.pathname).join(" ") : "'unsafe-inline' 'unsafe-eval'";
  response.headers.set("Content-Security-Policy", [
    "default-src 'none'", `script-src 'self' ${scripts}`, "style-src 'self' 'unsafe-inline'", "img-src 'self' data: blob:", "font-src 'self'", "connect-src 'self'", "worker-src 'self'",
    "manifest-src 'self'", "base-uri 'none'", "form-action 'self'", "frame-ancestors 'none'",
  ].join("; "));
  return response;
}

export const config = { matcher: ["/((?!_next/|mode.js|service-worker.js|favicon.ico|icon|manifest.webmanifest).*)"] };
