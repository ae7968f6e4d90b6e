/** The name of a photograph by its content: the SHA-256 of its bytes, and what kind of picture it is. */
export async function photoFile(bytes: Uint8Array): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest("SHA-256", bytes.slice()));
  const kind = bytes[0] === 0x89 ? "png" : bytes[0] === 0x52 ? "webp" : "jpg";
  return `${[...digest].map((byte) => byte.toString(16).padStart(2, "0")).join("")}.${kind}`;
}
