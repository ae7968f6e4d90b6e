"use client";

import { useEffect } from "react";
import { dueText } from "../dueText";
import type { OpenLog } from "../log/LogContext";

/** Time of day (HH:MM) at which this browser reminds, kept in it alone; null when it does not. */
export const reminder = {
  get: () => localStorage.getItem("oat-column-reminder"),
  set: (time: string | null) => {
    if (time === null) localStorage.removeItem("oat-column-reminder");
    else localStorage.setItem("oat-column-reminder", time);
  },
};
const shownKey = "oat-column-reminded";

/**
 * Looks once a minute whether it is time to remind of what is due: once a day, while the log is open in a tab, by a
 * notification of the browser's own.
 */
export function useReminder({ compute, person, today, name }: OpenLog): void {
  useEffect(() => {
    const look = async () => {
      const at = reminder.get();
      const now = new Date();
      if (
        at === null ||
        !("Notification" in window) ||
        Notification.permission !== "granted" ||
        localStorage.getItem(shownKey) === `${name} ${today}` ||
        `${String(now.getHours()).padStart(2, "0")}:${String(now.getMinutes()).padStart(2, "0")}` < at
      )
        return;
      // Only one of several tabs speaks.
      await navigator.locks.request("oat-column-reminder", async () => {
        if (localStorage.getItem(shownKey) === `${name} ${today}`) return;
        const due = (await compute.ask("day", { personId: person.id, today, date: today }))?.due ?? [];
        localStorage.setItem(shownKey, `${name} ${today}`);
        if (due.length > 0)
          new Notification("Oat Column", {
            body: due.map(dueText).join("\n"),
            tag: "oat-column-due",
            icon: "/icon.svg",
          });
      });
    };
    void look();
    const timer = setInterval(() => void look(), 60_000);
    return () => clearInterval(timer);
  }, [compute, person.id, today, name]);
}
