"use client";

import { reminder } from "@/ui/shell/useReminder";
import styles from "@/ui/view.module.css";
import { useState, useSyncExternalStore } from "react";

const nothing = () => () => {};

/** At what time of day this browser reminds of a weight or a day that is not written yet. */
export function Reminder() {
  const possible = useSyncExternalStore(
    nothing,
    () => "Notification" in window,
    () => false,
  );
  const [time, setTime] = useState<string | null>(() => (typeof window === "undefined" ? null : reminder.get()));
  const [refused, setRefused] = useState(false);
  const choose = async (chosen: string | null) => {
    if (chosen !== null && (await Notification.requestPermission()) !== "granted") return setRefused(true);
    setRefused(false);
    reminder.set(chosen);
    setTime(chosen);
  };
  return (
    <section className={styles.section}>
      <h2>Reminder</h2>
      {!possible ? (
        <p className="quiet">This browser shows no notifications.</p>
      ) : (
        <p style={{ display: "flex", gap: 16, alignItems: "baseline", flexWrap: "wrap" }}>
          <label>
            Remind me at{" "}
            <input
              type="time"
              className={styles.date}
              value={time ?? ""}
              onChange={(event) => void choose(event.target.value || null)}
            />
          </label>
          {time !== null && (
            <button type="button" className="link" onClick={() => void choose(null)}>
              No reminder
            </button>
          )}
          <span className="quiet small">
            Once a day, of what is due, while Oat Column is open in a tab of this browser.
          </span>
        </p>
      )}
      {refused && (
        <p className="warn" role="alert">
          The browser does not allow notifications from this address; allow them in its settings first.
        </p>
      )}
    </section>
  );
}
