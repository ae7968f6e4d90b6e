/** What this browser keeps under a key; null where nothing is, or where nothing may be kept. */
export function stored(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** Keeps a text under a key, or no longer; without storage a choice holds until the page is left. */
export function store(key: string, text: string | null): void {
  try {
    if (text === null) localStorage.removeItem(key);
    else localStorage.setItem(key, text);
  } catch {
    // Whoever chose still sees the choice.
  }
}
