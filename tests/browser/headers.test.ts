import { describe, expect, it } from "vitest";
import { address } from "./harness";

const policyOf = async (path: string) => (await fetch(address + path)).headers.get("content-security-policy") ?? "";

describe("what the server says with every page", () => {
  it.each(["/", "/lifts", "/body", "/files", "/no-such-page"])("%s has a strict policy with the hashes of its own scripts", async (path) => {
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
  });
  it("a script of a worker may not evaluate text nor connect outside", async () => {
    const html = await (await fetch(address)).text();
    const script = /src="(\/_next\/static\/[^"]+\.js)"/.exec(html)![1]!;
    expect(await policyOf(script)).toBe("default-src 'none'; script-src 'self'; connect-src 'self'");
  });
  it("an unknown page is a 404, icons and manifest are there", async () => {
    expect((await fetch(`${address}/no-such-page`)).status).toBe(404);
    for (const path of ["/favicon.ico", "/icon.svg", "/icon-192.png", "/icon-512.png", "/manifest.webmanifest", "/mode.js"]) expect((await fetch(address + path)).status).toBe(200);
  });
});
