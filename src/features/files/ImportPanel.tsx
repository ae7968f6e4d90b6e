"use client";

import { readArchiveFile } from "@/compute/archives";
import type { ImportReading } from "@/compute/archiveWorker";
import { messageOf } from "@/core/base/messageOf";
import { counted, printNumber } from "@/core/base/units/number";
import type { RecordKind } from "@/core/log/records";
import { accepted } from "@/formats/endings";
import { FilePicker } from "@/ui/kit/FilePicker";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import { useUnsaved } from "@/ui/unsaved";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";
import { holdingsText } from "./holdingsText";
import { MergeList } from "./MergeList";
import { useProgress } from "./useProgress";

type Found = { file: string } & ImportReading;

const maxBytes = 300_000_000;

/**
 * An archive in: it is checked whole, shown beside the log, and only then merged into it or put in its place; either is
 * undone in one step.
 */
export function ImportPanel() {
  const { name, replace, commit } = useLog();
  const [found, setFound] = useState<Found | null>(null);
  const names = useHousehold("kindNames");
  const reads = useProgress("Reading");
  useUnsaved(found !== null);
  const take = async (file: File | undefined) => {
    if (file === undefined) return;
    if (file.size > maxBytes)
      return setFound({ file: file.name, problems: [{ path: "(file)", message: "it is larger than 300 MB" }] });
    setFound(null);
    try {
      const reading = await reads.run(async (told) =>
        readArchiveFile(name, { name: file.name, content: new Uint8Array(await file.arrayBuffer()) }, told),
      );
      setFound(reading === null ? null : { file: file.name, ...reading });
    } catch (error) {
      // Whatever it was, it is told: a file that cannot be read, a worker that ended, too little room in memory.
      setFound({ file: file.name, problems: [{ path: "(file)", message: messageOf(error) }] });
    }
  };
  return (
    <section className={styles.section}>
      <h2>Import an archive</h2>
      <FilePicker
        label="An Oat Column archive (JSON or zip)"
        accept={accepted.archive}

        onFiles={([file]) => void take(file)}
      >
        An Oat Column archive (JSON or zip). Nothing changes before you say so. Drop it here, or choose it.
      </FilePicker>
      <div aria-live="polite" className="above">
        {reads.line}
        {found && "problems" in found && (
          <div role="alert" className="warn">
            <p>{found.file} was not taken. Nothing was changed.</p>
            <ul className="bullets">
              {found.problems.map(({ path, message }) => (
                <li key={path + message}>
                  <code>{path}</code>: {message}
                </li>
              ))}
            </ul>
          </div>
        )}
        {found && "laidOut" in found && names !== undefined && (
          <>
            <p>
              {found.file} is sound:{" "}
              {holdingsText(
                names,
                (Object.keys(names) as RecordKind[]).map((kind) => ({ kind, count: found.counts[kind] })),
              ) || "nothing is in it"}
              .
            </p>
            {found.photos.length > 0 && <p>It holds {counted(found.photos.length, "photograph")}.</p>}
            {found.healed > 0 && (
              <p className="quiet">
                {printNumber(found.healed, 0)} {found.healed === 1 ? "record bears" : "records bear"} a stamp of writing
                that is none or lies far ahead; {found.healed === 1 ? "it is" : "they are"} taken as written now.
              </p>
            )}
            {found.missing > 0 && (
              <p className="warn">
                It speaks of {found.missing} {found.missing === 1 ? "photograph" : "photographs"} that it does not hold.
              </p>
            )}
            <MergeList
              key={found.file}
              merge={found.merge}
              file={found.file}
              onWrite={async (steps) => {
                if (await commit(steps, `Merge of ${found.file}`, found.photos)) setFound(null);
              }}
            />
            <p className="row above">
              <Button
                onClick={() => {
                  const { laidOut, file, photos } = found;
                  void replace(laidOut, `Import of ${file}`, photos).then((done) => {
                    if (done) setFound(null);
                  });
                }}
              >
                Replace the log by it
              </Button>
              <LinkButton onClick={() => setFound(null)}>Leave it</LinkButton>
            </p>
          </>
        )}
      </div>
    </section>
  );
}
