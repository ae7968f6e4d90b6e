"use client";

import { printNumber } from "@/core/base/units/number";
import { askStorage, type StorageStanding } from "@/store/persistence";
import { useEffect, useState } from "react";

/** Whether the browser promised to keep the log, and the space it takes. */
export function StorageLine() {
  const [standing, setStanding] = useState<StorageStanding | null>(null);
  useEffect(() => {
    let left = false;
    void askStorage()
      .then((answer) => {
        if (!left) setStanding(answer);
      })
      .catch(() => {});
    return () => {
      left = true;
    };
  }, []);
  if (standing === null) return null;
  const words =
    standing.promised === null
      ? "This browser does not say whether it keeps the log."
      : standing.promised
        ? "This browser promised to keep the log."
        : "This browser has not promised to keep the log: it may clear it when space runs out. Export an archive now and then.";
  return (
    <p className="quiet small above">
      {words}
      {standing.usedBytes === null ? "" : ` It takes ${printNumber(standing.usedBytes / 1e6, 1)} MB.`}
    </p>
  );
}
