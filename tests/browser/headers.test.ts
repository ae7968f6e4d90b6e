import { createHash } from "node:crypto";
import { request } from "node:http";
import { describe, expect, it } from "vitest";
import { address } from "./harness";

/** A page asked for under a path and a host that a browser would not let through as they are. */
const asked = (path: string, host = new URL(address).host, method = "GET") =>
  new Promise<{ status: number; type: string; policy: string; text: string }>((resolve, reject) => {
    const { hostname, port } = new URL(address);
    request({ hostname, port, path, method, headers: { host } }, (response) => {
      let text = "";
      response.on("data", (chunk: Buffer) => {
        text += chunk.toString();
      });
      response.on("end", () =>
        resolve({
          status: response.statusCode!,
          type: response.headers["content-type"] ?? "",
          policy: String(response.headers["content-security-policy"] ?? ""),
          text,
        }),
      );
    })
      .on("error", reject)
      .end();
  });

/** Paths that are nearly those of files without a policy, or of nothing. */
const nearly = [
  "/iconx",
  "/icon.svg/x",
  "/mode.jsx",
  "/favicon.icoX",
  "/service-worker.jsX",
  "/reserve.jsx",
  "/manifest.webmanifestX",
  "/_next/nope",
  "/_next",
  "/_next/static/nope",
  "/_next/data/x.json",
  "/%69con.svg/x",
  "/..%2f",
  "//evil.test/",
  "/index",
  "/BODY",
  "/body%2F",
  "/_not-found",
  "/_error",
  "/404",
  "/500",
  "/constructor",
  "/__proto__",
  "/%",
  "/train?date=x",
];

const policyOf = async (path: string) => (await fetch(address + path)).headers.get("content-security-policy") ?? "";

describe("what the server says with every page", () => {
  it.each(["/", "/lifts", "/body", "/files", "/no-such-page"])(
    "%s has a strict policy with the hashes of its own scripts",
    async (path) => {
      const response = await fetch(address + path);
      const policy = response.headers.get("content-security-policy") ?? "";
      expect(policy).toContain("default-src 'none'");
      expect(policy).toMatch(/script-src 'self' ('sha256-[A-Za-z0-9+/=]+' ?)+;/);
      for (const never of ["unsafe-eval", "http:", "https:", "*"]) expect(policy).not.toContain(never);
      expect(policy).not.toMatch(/script-src[^;]*unsafe-inline/);
      expect(response.headers.get("x-content-type-options")).toBe("nosniff");
      expect(response.headers.get("referrer-policy")).toBe("no-referrer");
      expect(response.headers.get("x-frame-options")).toBe("DENY");
      expect(response.headers.get("x-powered-by")).toBeNull();
      expect(response.headers.get("set-cookie")).toBeNull();
      // No "today" in what the server rendered, and no address outside.
      const html = await response.text();
      expect(html).not.toContain(new Date().toISOString().slice(0, 10));
      expect(html.match(/(?:src|href)="https?:[^"]*"/g)).toBeNull();
    },
  );
  it("a script of a worker may not evaluate text nor connect outside", async () => {
    const html = await (await fetch(address)).text();
    const script = /src="(\/_next\/static\/[^"]+\.js)"/.exec(html)![1]!;
    expect(await policyOf(script)).toBe("default-src 'none'; script-src 'self'; connect-src 'self'");
  });
  it.each(nearly)("%s is no document without a policy", async (path) => {
    const { status, type, policy, text } = await asked(path);
    if (status >= 300 && status < 400) return;
    if (!/html/.test(type) && !/<html|<!doctype/i.test(text)) return;
    expect(policy).toContain("default-src 'none'");
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    // What lies under the framework's own paths is no page; its scripts may be stopped.
    if (path.startsWith("/_next")) return;
    // Each of its own inline scripts is named, and so none that somebody else puts in.
    for (const [, script] of text.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([^<]+)<\/script>/g))
      expect(policy).toContain(`'sha256-${createHash("sha256").update(script!).digest("base64")}'`);
  });
  it.each([
    "evil.test",
    "127.0.0.1.evil.test",
    "evil.test:4186",
    "localhost.evil.test",
    "127.0.0.1:4186@evil.test",
    "[::2]:4186",
  ])("a page asked for under the name %s is refused", async (host) => {
    const { status, text } = await asked("/", host);
    expect(status).toBe(421);
    expect(text).not.toContain("<script");
  });
  it.each(["/lifts/", "//x", "/\\x", "/lifts//"])(
    "%s is redirected for this machine alone, and with a policy",
    async (path) => {
      expect((await asked(path, "evil.test")).status).toBe(421);
      const { policy } = await asked(path);
      expect(policy).toContain("default-src 'none'");
    },
  );
  it("no other way of asking is answered, nor for another address in full", async () => {
    for (const method of ["TRACE", "PUT", "DELETE", "OPTIONS"])
      expect(await asked("/", undefined, method)).toMatchObject({ status: 405, policy: "default-src 'none'" });
    expect(await asked("http://evil.test/")).toMatchObject({ status: 400, policy: "default-src 'none'" });
  });
  it("what the browser keeps is emptied for a page of the application alone", async () => {
    for (const from of [undefined, "cross-site", "same-site", "none"]) {
      const response = await fetch(`${address}/empty-storage`, {
        method: "POST",
        headers: from === undefined ? {} : { "Sec-Fetch-Site": from },
      });
      expect(response.status).toBe(403);
      expect(response.headers.get("clear-site-data")).toBeNull();
    }
    const { status, headers } = await fetch(`${address}/empty-storage`);
    expect([status, headers.get("clear-site-data")]).toEqual([405, null]);
  });
  it("the server makes no pictures smaller", async () => {
    for (const path of [
      "/_next/image",
      "/_next/image?url=%2Ficon-512.png&w=640&q=75",
      "/_next/image?url=http%3A%2F%2Fevil.test%2Fx.png&w=640&q=75",
    ])
      expect((await asked(path)).type).not.toMatch(/^image/);
  });
  it("an unknown page is a 404, icons and manifest are there", async () => {
    expect((await fetch(`${address}/no-such-page`)).status).toBe(404);
    for (const path of [
      "/favicon.ico",
      "/icon.svg",
      "/icon-192.png",
      "/icon-512.png",
      "/manifest.webmanifest",
      "/mode.js",
    ])
      expect((await fetch(address + path)).status).toBe(200);
  });
});
