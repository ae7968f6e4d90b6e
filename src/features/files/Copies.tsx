"use client";

import { printNumber } from "@/core/base/units/number";
import { type BackupStanding, canBackUp, chooseFolder } from "@/store/backup";
import { instantText } from "@/ui/dates";
import { handOutArchive } from "@/ui/handOutArchive";
import { leftAt, noteLeaving } from "@/ui/log/leftAt";
import { useLog } from "@/ui/log/LogContext";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useCallback, useEffect, useState } from "react";
import { useHandOut } from "./useHandOut";

/** How the second copy in this browser stands: why there is none, why it lacks something, how large it is. */
interface CopyLine {
  none: string | null;
  lacks: string | null;
  bytes: number;
}

/**
 * Where the log lies besides its database: a second copy in this browser, a backup file outside of it, and when a copy
 * last left.
 */
export function Copies() {
  const { name, copy, backup, replace, notice } = useLog();
  const [found, setFound] = useState<{ line: CopyLine; kept: BackupStanding | null } | null>(null);
  const [line, kept] = [found?.line ?? null, found?.kept ?? null];
  const handing = useHandOut();
  const looked = useCallback(async () => {
    const client = await copy();
    const opened = await client.opened;
    const none = opened.state === "none" ? opened.why : null;
    return {
      line: { none, lacks: client.lacks, bytes: none === null ? await client.bytes() : 0 },
      kept: await (await backup()).standing(),
    };
  }, [copy, backup]);
  // What stands here changes with every change of the log.
  useEffect(() => {
    void looked()
      .then(setFound)
      .catch(() => {});
  }, [looked, notice]);
  const left = leftAt(name);
  const saveCopy = () =>
    handing.out(async () => {
      if (
        !(await handOutArchive(name, "oat-column-second-copy", async (exportedAt) =>
          (await copy()).archive(exportedAt),
        ))
      )
        throw new Error("the second copy holds nothing yet.");
    });
  const bringBack = () =>
    handing.out(async () => {
      const found = await (await copy()).laidOut();
      if (found === null) throw new Error("the second copy holds nothing yet.");
      await replace(found.laidOut, "The second copy put in place", found.photos);
    });
  const withBackup = (work: () => Promise<unknown>) =>
    handing.out(async () => {
      await work();
      if ((await (await backup()).standing())?.behind === false) noteLeaving(name, "backup");
      setFound(await looked());
    });
  const choose = () =>
    withBackup(async () => {
      const folder = await chooseFolder();
      if (folder !== null) await (await backup()).keepIn(folder);
    });
  return (
    <section className={`${styles.section} noprint`}>
      <h2>Copies</h2>
      <div className={styles.two}>
        <div>
          <h3>In this browser</h3>
          {line !== null && (
            <>
              {line.none !== null && (
                <p className="warn">No second copy is kept: {line.none}. Export an archive now and then.</p>
              )}
              {line.none === null && (
                <p>
                  A second copy lies beside the database, with what every commit wrote (
                  {printNumber(line.bytes / 1e6, 1)} MB). Should the browser lose the database, the log comes back from
                  it by itself.
                </p>
              )}
              {line.lacks !== null && (
                <p className="warn">
                  It lacks the latest changes: {line.lacks}. They are tried again with the next one.
                </p>
              )}
              {line.none === null && (
                <p className={styles.ways}>
                  <button type="button" className="link" disabled={handing.busy} onClick={() => void saveCopy()}>
                    Save the second copy as an archive
                  </button>
                  <button type="button" className="link" disabled={handing.busy} onClick={() => void bringBack()}>
                    Put it in the log&apos;s place
                  </button>
                </p>
              )}
            </>
          )}
        </div>
        <div>
          <h3>Outside of it</h3>
          <p>
            {left === null
              ? "No copy is known to have left this browser: should it be cleared, or the machine be lost, the log would be gone."
              : `A copy last left this browser on ${instantText(left.at)}, as ${left.as === "archive" ? "an archive" : "the backup file"}.`}
          </p>
          {kept === null &&
            (canBackUp() ? (
              <p className={styles.ways}>
                <Button disabled={handing.busy} onClick={() => void choose()}>
                  Keep a backup file in a folder
                </Button>
              </p>
            ) : (
              <p className="quiet">
                This browser does not let a page keep a backup file up to date in a folder; others do.
              </p>
            ))}
          {kept !== null && (
            <>
              <p className={kept.allowed ? undefined : "warn"}>
                {kept.file} in the folder {kept.folder},{" "}
                {kept.writtenAt === null ? "not written yet" : `written on ${instantText(kept.writtenAt)}`};{" "}
                {kept.allowed
                  ? kept.behind
                    ? "it follows some seconds after the last change."
                    : "it holds everything."
                  : "the browser asks for your leave again before it is written."}
              </p>
              <p className={styles.ways}>
                {kept.allowed ? (
                  <button
                    type="button"
                    className="link"
                    disabled={handing.busy || !kept.behind}
                    onClick={() => void withBackup(async () => (await backup()).write())}
                  >
                    Write it now
                  </button>
                ) : (
                  <button
                    type="button"
                    className="link"
                    disabled={handing.busy}
                    onClick={() =>
                      void withBackup(async () => {
                        if (await (await backup()).allow()) await (await backup()).write();
                      })
                    }
                  >
                    Let it be written again
                  </button>
                )}
                <button type="button" className="link" disabled={handing.busy} onClick={() => void choose()}>
                  Another folder
                </button>
                <button
                  type="button"
                  className="link"
                  disabled={handing.busy}
                  onClick={() => void withBackup(async () => (await backup()).leave())}
                >
                  Keep it no longer
                </button>
              </p>
            </>
          )}
        </div>
      </div>
      {handing.problem && (
        <p role="alert" className="warn">
          {handing.problem}
        </p>
      )}
    </section>
  );
}
