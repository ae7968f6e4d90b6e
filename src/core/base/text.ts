export function capitalised(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** Lower case without accents, for comparing names. */
export function folded(text: string): string {
  return text.toLowerCase().normalize("NFD").replace(/\p{M}/gu, "");
}
