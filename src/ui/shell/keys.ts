import { useMemo, useSyncExternalStore } from "react";
import { store, stored } from "../kit/stored";
import { settings, views, wide } from "./views";

/** Something that a plain key does. */
export interface KeyAction {
  id: string;
  what: string;
  /** Its key unless the trainee has given it another. */
  usual: string;
}

export const keyActions: readonly KeyAction[] = [
  ...views.map(({ path, name, key }) => ({ id: path, what: name, usual: key })),
  { id: wide.path, what: `${wide.name}: the Column opened wide`, usual: wide.key },
  { id: settings.path, what: settings.name, usual: settings.key },
  { id: "write", what: "write in the quick-entry line", usual: "w" },
  { id: "today", what: "go to today", usual: "t" },
  { id: "column", what: "go to the Column; arrows, page keys, Home and End move in it", usual: "c" },
  { id: "undo", what: "undo, as Ctrl Z does", usual: "u" },
  { id: "redo", what: "do again, as Ctrl Y and Ctrl Shift Z do", usual: "r" },
  { id: "keys", what: "the list of keys", usual: "?" },
];

/** The key of each action; null where it has none. */
export type Keys = ReadonlyMap<string, string | null>;

const changedKey = "oat-column-keys";
const offKey = "oat-column-keys-off";
const changes = new EventTarget();

/** Without storage the keys are the usual ones. */
const read = (key: string): string => stored(key) ?? "";

function write(key: string, text: string | null): void {
  store(key, text);
  changes.dispatchEvent(new Event("keys"));
}

/** Changes of this tab, and of others. */
function subscribe(changed: () => void): () => void {
  changes.addEventListener("keys", changed);
  window.addEventListener("storage", changed);
  return () => {
    changes.removeEventListener("keys", changed);
    window.removeEventListener("storage", changed);
  };
}

/** What was written of the trainee's own keys, as far as it can be read. */
function changedIn(text: string): Map<string, string | null> {
  try {
    const held: unknown = JSON.parse(text);
    return new Map(
      Object.entries(typeof held === "object" && held !== null ? held : {}).filter(
        (one): one is [string, string | null] => one[1] === null || (typeof one[1] === "string" && isKey(one[1])),
      ),
    );
  } catch {
    return new Map();
  }
}

/** Whether a key can be given to an action: one that writes a single sign. */
export function isKey(key: string): boolean {
  return [...key].length === 1 && key.trim() !== "";
}

/** The key of each action, those that the trainee has changed included. */
export function keysFrom(text: string): Keys {
  const changed = changedIn(text);
  return new Map(keyActions.map(({ id, usual }) => [id, changed.has(id) ? changed.get(id)! : usual]));
}

/** What the stored text comes to once an action has another key; null takes it away. */
export function withKey(text: string, id: string, key: string | null): string {
  const changed = changedIn(text);
  if (keyActions.find((one) => one.id === id)!.usual === key) changed.delete(id);
  else changed.set(id, key);
  return JSON.stringify(Object.fromEntries(changed));
}

/** Why an action cannot have a key: what has it already; null when it can. */
export function takenBy(keys: Keys, id: string, key: string): string | null {
  const other = keyActions.find((one) => one.id !== id && keys.get(one.id) === key);
  return other === undefined ? null : `“${key}” is the key of: ${other.what}.`;
}

/** Whether plain keys act in this browser at all, each of their keys, and what changes them. */
export function useKeys(): {
  on: boolean;
  keys: Keys;
  setOn: (on: boolean) => void;
  setKey: (id: string, key: string | null) => void;
} {
  const text = useSyncExternalStore(
    subscribe,
    () => read(changedKey),
    () => "",
  );
  const on = useSyncExternalStore(
    subscribe,
    () => read(offKey) === "",
    () => true,
  );
  const keys = useMemo(() => keysFrom(text), [text]);
  return {
    on,
    keys,
    setOn: (next) => write(offKey, next ? null : "1"),
    // On what is kept now: another tab may have changed another key since.
    setKey: (id, key) => write(changedKey, withKey(read(changedKey), id, key)),
  };
}
