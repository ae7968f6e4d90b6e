"use client";

import { messageOf } from "@/core/base/messageOf";
import { useEffect, useRef } from "react";
import { noteLeaving } from "../log/leftAt";
import type { OpenLog } from "../log/LogContext";

/**
 * After the last change, in milliseconds, when the backup file is written; and how many times as long as its writing
 * took the next one waits.
 */
const quietFor = 15_000;
const restsFor = 40;

/**
 * Keeps the backup file up to date while the log is open in a tab, some time after each change and when the tab is
 * left.
 */
export function useBackup({ backup, name, notice, warn }: OpenLog): void {
  const next = useRef(0);
  const told = useRef(false);
  useEffect(() => {
    let left = false;
    const write = async () => {
      const began = Date.now();
      try {
        if (await (await backup()).write()) noteLeaving(name, "backup");
      } catch (error) {
        if (!left && !told.current)
          warn(`The backup file could not be written: ${messageOf(error)}. The log itself is saved; Files says more.`);
        told.current = true;
      }
      next.current = Date.now() + restsFor * (Date.now() - began);
    };
    const timer = setTimeout(() => void write(), Math.max(quietFor, next.current - Date.now()));
    const onHidden = () => {
      if (document.visibilityState === "hidden") void write();
    };
    document.addEventListener("visibilitychange", onHidden);
    return () => {
      left = true;
      clearTimeout(timer);
      document.removeEventListener("visibilitychange", onHidden);
    };
  }, [backup, name, notice, warn]);
}
