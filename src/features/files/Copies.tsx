"use client";

import { printNumber } from "@/core/base/units/number";
import { type BackupStanding, canBackUp, chooseFolder } from "@/store/backup";
import { instantText } from "@/ui/dates";
import { handOutArchive } from "@/ui/handOutArchive";
import { LinkButton } from "@/ui/kit/LinkButton";
import { leftAt, noteLeaving } from "@/ui/log/leftAt";
import { useLog } from "@/ui/log/LogContext";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import { useCallback, useEffect, useState } from "react";
import { Problem } from "./Problem";
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
            <InBrowser
              line={line}
              busy={handing.busy}
              onSave={() => void saveCopy()}
              onBringBack={() => void bringBack()}
            />
          )}
        </div>
        <div>
          <h3>Outside of it</h3>
          <p>
            {left === null
              ? "No copy is known to have left this browser: should it be cleared, or the machine be lost, the log would be gone."
              : `A copy last left this browser on ${instantText(left.at)}, as ${left.as === "archive" ? "an archive" : "the backup file"}.`}
          </p>
          {kept === null ? (
            <NoBackup busy={handing.busy} onChoose={() => void choose()} />
          ) : (
            <BackupFile
              kept={kept}
              busy={handing.busy}
              onWrite={() => void withBackup(async () => (await backup()).write())}
              onAllow={() =>
                void withBackup(async () => {
                  if (await (await backup()).allow()) await (await backup()).write();
                })
              }
              onChoose={() => void choose()}
              onLeave={() => void withBackup(async () => (await backup()).leave())}
            />
          )}
        </div>
      </div>
      <Problem said={handing.problem} />
    </section>
  );
}

/** The second copy beside the database: how it stands, and what can be done with it. */
function InBrowser({
  line: { none, lacks, bytes },
  busy,
  onSave,
  onBringBack,
}: {
  line: CopyLine;
  busy: boolean;
  onSave: () => void;
  onBringBack: () => void;
}) {
  return (
    <>
      {none === null ? (
        <p>
          A second copy lies beside the database, with what every commit wrote ({printNumber(bytes / 1e6, 1)} MB).
          Should the browser lose the database, the log comes back from it by itself.
        </p>
      ) : (
        <p className="warn">No second copy is kept: {none}. Export an archive now and then.</p>
      )}
      {lacks !== null && (
        <p className="warn">It lacks the latest changes: {lacks}. They are tried again with the next one.</p>
      )}
      {none === null && (
        <p className={styles.ways}>
          <LinkButton disabled={busy} onClick={onSave}>
            Save the second copy as an archive
          </LinkButton>
          <LinkButton disabled={busy} onClick={onBringBack}>
            Put it in the log&apos;s place
          </LinkButton>
        </p>
      )}
    </>
  );
}

/** No file is kept in a folder: the way to begin one, where the browser has it. */
function NoBackup({ busy, onChoose }: { busy: boolean; onChoose: () => void }) {
  if (!canBackUp())
    return (
      <p className="quiet">This browser does not let a page keep a backup file up to date in a folder; others do.</p>
    );
  return (
    <p className={styles.ways}>
      <Button disabled={busy} onClick={onChoose}>
        Keep a backup file in a folder
      </Button>
    </p>
  );
}

/** The backup file in a folder: how far it goes, and what can be done with it. */
function BackupFile({
  kept,
  busy,
  onWrite,
  onAllow,
  onChoose,
  onLeave,
}: {
  kept: BackupStanding;
  busy: boolean;
  onWrite: () => void;
  onAllow: () => void;
  onChoose: () => void;
  onLeave: () => void;
}) {
  return (
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
          <LinkButton disabled={busy || !kept.behind} onClick={onWrite}>
            Write it now
          </LinkButton>
        ) : (
          <LinkButton disabled={busy} onClick={onAllow}>
            Let it be written again
          </LinkButton>
        )}
        <LinkButton disabled={busy} onClick={onChoose}>
          Another folder
        </LinkButton>
        <LinkButton disabled={busy} onClick={onLeave}>
          Keep it no longer
        </LinkButton>
      </p>
    </>
  );
}
