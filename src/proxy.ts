import { readFileSync } from "node:fs";
import { join } from "node:path";
import { NextResponse, type NextRequest } from "next/server";

/**
 * Hashes of the inline scripts of every built page, written by bin/build.mjs; unknown paths take those of the not-found
 * page.
 */
let hashes: Record<string, string[]> | null = null;

function hashesFor(path: string): string[] {
  hashes ??= JSON.parse(readFileSync(join(process.cwd(), ".next", "script-hashes.json"), "utf8")) as Record<
    string,
    string[]
  >;
  return (Object.hasOwn(hashes, path) ? hashes[path] : hashes["/_not-found"]) ?? [];
}

/**
 * Scripts that run in a worker, and everything else that is no page: they may start nothing but scripts of the
 * application.
 */
const bare = "default-src 'none'; script-src 'self'; connect-src 'self'";
const workers = new Set(["/service-worker.js", "/reserve.js"]);

function policyOf(path: string): string {
  if (path.startsWith("/_next/static/") || workers.has(path)) return bare;
  const scripts = process.env.NODE_ENV === "production" ? hashesFor(path).join(" ") : "'unsafe-inline' 'unsafe-eval'";
  return [
    "default-src 'none'",
    `script-src 'self' ${scripts}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
}

/**
 * Sends everything with a content-security policy that allows its own scripts and nothing from outside. Who asks for
 * another host is refused before (`bin/serve.mjs`).
 */
export function proxy(request: NextRequest) {
  const response = NextResponse.next();
  response.headers.set("Content-Security-Policy", policyOf(request.nextUrl.pathname));
  return response;
}

export const config = { matcher: "/:path*" };
