import { pageOf } from "./diaryPage";

/**
 * Rounds of PBKDF2 with SHA-256: what OWASP's Password Storage Cheat Sheet asked for in 2023; from memory.
 */
export const rounds = 600_000;
/** A passphrase is no shorter, characters. */
export const shortest = 10;

/** Runs in the locked page, in any browser: asks for the passphrase, and puts what it opens in the page's place. */
const script = `
const { salt, iv, data, rounds } = JSON.parse(document.getElementById("locked").textContent);
const bytes = (text) => Uint8Array.from(atob(text), (one) => one.charCodeAt(0));
const said = document.getElementById("said");
document.getElementById("form").addEventListener("submit", async (event) => {
  event.preventDefault();
  if (!globalThis.crypto || !crypto.subtle) {
    said.textContent = "This browser opens it from a file of its own, or over https, only.";
    return;
  }
  said.textContent = "Opening.";
  try {
    const typed = new TextEncoder().encode(document.getElementById("passphrase").value.normalize("NFKC"));
    const from = await crypto.subtle.importKey("raw", typed, "PBKDF2", false, ["deriveKey"]);
    const key = await crypto.subtle.deriveKey({ name: "PBKDF2", hash: "SHA-256", salt: bytes(salt), iterations: rounds }, from, { name: "AES-GCM", length: 256 }, false, ["decrypt"]);
    const opened = await crypto.subtle.decrypt({ name: "AES-GCM", iv: bytes(iv) }, key, bytes(data));
    const page = new DOMParser().parseFromString(new TextDecoder().decode(opened), "text/html");
    document.title = page.title;
    document.body.replaceChildren(...page.body.childNodes);
  } catch {
    said.textContent = "It does not open with this passphrase, or the file was changed.";
  }
});
`;

/**
 * A page that opens with a passphrase alone, without a network: AES-256-GCM (NIST SP 800-38D) under a key from the passphrase by
 * PBKDF2-HMAC-SHA-256 (RFC 8018), both of the browser's own cryptography.
 * @param page the page that is locked
 */
export async function lockedPage(page: string, passphrase: string): Promise<string> {
  const salt = crypto.getRandomValues(new Uint8Array(16));
  const iv = crypto.getRandomValues(new Uint8Array(12));
  const typed = new TextEncoder().encode(passphrase.normalize("NFKC"));
  const from = await crypto.subtle.importKey("raw", typed, "PBKDF2", false, ["deriveKey"]);
  const key = await crypto.subtle.deriveKey(
    { name: "PBKDF2", hash: "SHA-256", salt, iterations: rounds },
    from,
    { name: "AES-GCM", length: 256 },
    false,
    ["encrypt"],
  );
  const data = await crypto.subtle.encrypt({ name: "AES-GCM", iv }, key, new TextEncoder().encode(page));
  const hash = await crypto.subtle.digest("SHA-256", new TextEncoder().encode(script));
  const locked = JSON.stringify({ salt: base64(salt), iv: base64(iv), data: base64(new Uint8Array(data)), rounds });
  const body =
    `<h1>A diary, locked</h1><form id="form"><label for="passphrase">Passphrase</label> ` +
    `<input id="passphrase" type="password" autocomplete="off" autofocus> <button>Open</button></form><p id="said" role="status"></p>` +
    `<script id="locked" type="application/json">${locked}</script><script>${script}</script>`;
  return pageOf("A diary, locked", body, `sha256-${base64(new Uint8Array(hash))}`);
}

function base64(bytes: Uint8Array): string {
  let text = "";
  for (let at = 0; at < bytes.length; at += 0x8000) text += String.fromCharCode(...bytes.subarray(at, at + 0x8000));
  return btoa(text);
}
