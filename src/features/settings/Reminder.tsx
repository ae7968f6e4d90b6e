"use client";

import { typedTime } from "@/core/entry/typed";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { TimeField } from "@/ui/kit/TimeField";
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
        <p className="row">
          <Captioned caption="Remind me at">
            {(id) => (
              <TimeField
                id={id}
                value={time ?? ""}
                onChange={(next) => {
                  if (next === "" || typedTime(next) === next) void choose(next || null);
                }}
              />
            )}
          </Captioned>
          {time !== null && <LinkButton onClick={() => void choose(null)}>No reminder</LinkButton>}
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
