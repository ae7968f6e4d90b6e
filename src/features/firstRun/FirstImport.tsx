"use client";

import { readArchiveFile } from "@/compute/archives";
import { messageOf } from "@/core/base/messageOf";
import { accepted } from "@/formats/endings";
import { FilePicker } from "@/ui/kit/FilePicker";
import type { FirstRunActions } from "@/ui/log/useOpenLog";
import { useState } from "react";
import styles from "./firstRun.module.css";

/** An archive brought to a browser that holds nothing yet: it is checked whole, and then it is the log. */
export function FirstImport({ actions: { name, replace } }: { actions: FirstRunActions }) {
  const [told, setTold] = useState<string[]>([]);
  const [reading, setReading] = useState(false);
  const take = async (file: File | undefined) => {
    if (file === undefined) return;
    setReading(true);
    setTold([]);
    try {
      const found = await readArchiveFile(
        name,
        { name: file.name, content: new Uint8Array(await file.arrayBuffer()) },
        () => true,
      );
      if (found !== null && "problems" in found)
        setTold([
          `${file.name} was not taken. Nothing was changed.`,
          ...found.problems.map(({ path, message }) => `${path}: ${message}`),
        ]);
      else if (found !== null && found.counts.people === 0)
        setTold([`${file.name} is sound, and nobody is in it. Nothing was changed.`]);
      else if (found !== null) await replace(found.laidOut, `Import of ${file.name}`, found.photos);
    } catch (error) {
      setTold([`${file.name} was not taken: ${messageOf(error)}`]);
    }
    setReading(false);
  };
  return (
    <section className={styles.import}>
      <h2>Or bring your log</h2>
      <FilePicker
        label="An Oat Column archive (JSON or zip)"
        accept={accepted.archive}
        disabled={reading}
        onFiles={([file]) => void take(file)}
      >
        An Oat Column archive (JSON or zip) from another browser or an earlier export. Drop it here, or choose it.
      </FilePicker>
      <div aria-live="polite">
        {reading && <p className="quiet">Reading…</p>}
        {told.map((line) => (
          <p key={line} className="warn">
            {line}
          </p>
        ))}
      </div>
    </section>
  );
}
