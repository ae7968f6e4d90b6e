/** The views, in the order of the bar, each with its key; at the foot of a phone only those of every day have room. */
export const views = [
  { path: "/", name: "Today", daily: true, key: "1" },
  { path: "/plan", name: "Plan", daily: false, key: "p" },
  { path: "/lifts", name: "Lifts", daily: true, key: "2" },
  { path: "/distance", name: "Distance", daily: false, key: "3" },
  { path: "/body", name: "Body", daily: false, key: "4" },
  { path: "/food", name: "Food", daily: true, key: "5" },
  { path: "/energy", name: "Energy", daily: false, key: "6" },
  { path: "/files", name: "Files", daily: false, key: "7" },
] as const;

/** The Column opened wide. It is reached from the Column and by its key, and takes the Column's place. */
export const wide = { path: "/ledger", name: "Ledger", key: "l" } as const;

/** What can be printed or handed on, reached from the view it reports on. */
export const report = { path: "/report", name: "Report" } as const;

/** Training mode: a session a set at a time, with nothing around it. */
export const train = { path: "/train", name: "Training" } as const;

/** The address of training mode on a day: on a session, else on the one that was in front there. */
export function trainingAt(date: string, sessionId?: string): string {
  return `${train.path}?date=${date}${sessionId === undefined ? "" : `&session=${encodeURIComponent(sessionId)}`}`;
}

/** What is set once: people, units, plates, reminders, keys and appearance. Reached from every view. */
export const settings = { path: "/settings", name: "Settings", key: "," } as const;

/** The view a path belongs to: its own, or the one it lies under. */
export function viewAt(path: string): { path: string; name: string } | undefined {
  return [...views, wide, report, train, settings].find(
    (one) => one.path === path || (one.path !== "/" && path.startsWith(`${one.path}/`)),
  );
}
