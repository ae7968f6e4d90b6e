"use client";

/** Hands a file to the browser to keep. */
export function download(name: string, content: string | Blob | Uint8Array<ArrayBuffer>, type: string): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = Object.assign(document.createElement("a"), { href: address, download: name });
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
