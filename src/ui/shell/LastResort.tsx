"use client";

import { writeArchiveFile } from "@/compute/archives";
import { messageOf } from "@/core/base/messageOf";
import type { LogName } from "@/store/database";
import { useState } from "react";
import { handOutArchive } from "../handOutArchive";
import { LinkButton } from "../kit/LinkButton";
import styles from "./shell.module.css";

/**
 * What is shown where something could not be: what went wrong, and every way on. It asks nothing of the part that
 * failed.
 */
export function LastResort({ name, reason, tryAgain }: { name: LogName; reason: string; tryAgain: () => void }) {
  const [told, setTold] = useState<string | null>(null);
  const doing = async (work: () => Promise<string>) => {
    setTold(null);
    try {
      setTold(await work());
    } catch (error) {
      setTold(`That did not succeed: ${messageOf(error)}`);
    }
  };
  const save = () =>
    doing(async () => {
      await handOutArchive(name, "oat-column", (exportedAt) => writeArchiveFile(name, exportedAt));
      return "The archive was handed to the browser to keep.";
    });
  const undo = () =>
    doing(async () => {
      const { Store } = await import("@/store/store");
      const store = await Store.open(name);
      try {
        const done = await store.undo();
        if (done === null) return "There is nothing to undo.";
        tryAgain();
        return `Undone: ${done.label}`;
      } finally {
        store.close();
      }
    });
  return (
    <div className={styles.wait}>
      <p role="alert" className="warn">
        This could not be shown. Nothing was changed; the log is as it was saved. ({reason})
      </p>
      <p className={styles.ways}>
        <LinkButton onClick={tryAgain}>Try again</LinkButton>
        <LinkButton onClick={() => void undo()}>Undo the last change</LinkButton>
        <LinkButton onClick={() => void save()}>Export archive</LinkButton>
      </p>
      <p aria-live="polite">{told}</p>
    </div>
  );
}
