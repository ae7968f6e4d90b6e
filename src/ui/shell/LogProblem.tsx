"use client";

import { messageOf } from "@/core/base/messageOf";
import type { CopyClient } from "@/store/copy/client";
import { OriginFolder } from "@/store/copy/originFolder";
import type { Restored } from "@/store/copy/restore";
import type { LogName } from "@/store/database";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { handOutArchive } from "../handOutArchive";
import { LinkButton } from "../kit/LinkButton";
import { broughtBackKey, restoredText } from "../log/told";
import styles from "./shell.module.css";

interface Props {
  name: LogName;
  alert: boolean;
  /** Whether the database is known to be beyond use, so that the copy may take its place. */
  mayReplace: boolean;
  children: ReactNode;
}

/**
 * What stands in the way of the log, and every way on that there is: trying again, the second copy put back or saved as
 * a file.
 */
export function LogProblem({ name, alert, mayReplace, children }: Props) {
  const [held, setHeld] = useState(false);
  const [doing, setDoing] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [stuck, setStuck] = useState(false);
  // Once all is emptied the log is nowhere but in the memory of this one.
  const emptying = useRef<CopyClient | null>(null);
  useEffect(() => {
    let left = false;
    void OriginFolder.holds(name).then((holds) => {
      if (!left) setHeld(holds);
    });
    return () => {
      left = true;
    };
  }, [name]);
  const withCopy = async (what: string, work: (copy: CopyClient) => Promise<void>) => {
    setDoing(what);
    setProblem(null);
    const { CopyClient } = await import("@/store/copy/client");
    const copy = CopyClient.lookingAt(name);
    try {
      await work(copy);
    } catch (error) {
      setProblem(`That did not succeed: ${messageOf(error)}. The second copy is untouched.`);
    } finally {
      copy.end();
      setDoing(null);
    }
  };
  const handOut = (copy: CopyClient) =>
    handOutArchive(name, "oat-column-second-copy", (exportedAt) => copy.archive(exportedAt));
  const broughtBack = (restored: Restored | null) => {
    if (restored === null) return setProblem("The second copy holds nothing.");
    sessionStorage.setItem(broughtBackKey, restoredText(restored));
    location.reload();
  };
  const save = () =>
    withCopy("Reading the second copy …", async (copy) => {
      if (!(await handOut(copy))) setProblem("The second copy holds nothing.");
    });
  const bringBack = () =>
    withCopy("Bringing the log back …", async (copy) => {
      const restored = await copy.restoreAnew();
      if (restored === "stuck") setStuck(true);
      else broughtBack(restored);
    });
  const beginAnew = async () => {
    setDoing("Handing you the log as a file, and bringing it back …");
    setProblem(null);
    try {
      const { CopyClient } = await import("@/store/copy/client");
      const copy = (emptying.current ??= CopyClient.lookingAt(name));
      if (!(await handOut(copy)) && !held) return setProblem("The second copy holds nothing.");
      const settings = { ...localStorage };
      const restored = await copy.restoreAll();
      Object.assign(localStorage, settings);
      broughtBack(restored);
    } catch (error) {
      setProblem(
        `That did not succeed: ${messageOf(error)}. Keep this page open and try again; the file that you were handed holds the log as well.`,
      );
    } finally {
      setDoing(null);
    }
  };
  return (
    <>
      <div role={alert ? "alert" : undefined} className="warn">
        {children}
      </div>
      <p className={styles.ways}>
        <LinkButton onClick={() => location.reload()}>Open the log again</LinkButton>
        {held && (
          <LinkButton disabled={doing !== null} onClick={() => void save()}>
            Save the second copy as an archive
          </LinkButton>
        )}
        {held && mayReplace && !stuck && (
          <LinkButton disabled={doing !== null} onClick={() => void bringBack()}>
            Put the second copy in its place
          </LinkButton>
        )}
        {stuck && (
          <LinkButton disabled={doing !== null} onClick={() => void beginAnew()}>
            Save it as an archive, empty the storage, and put it back
          </LinkButton>
        )}
      </p>
      {stuck && (
        <p className="warn">
          The browser can neither open nor delete its storage, so all that it keeps for this address has to be emptied
          first. The log is handed to you as an archive before that, then put back, and so are other logs that have a
          second copy here.
        </p>
      )}
      {held && (
        <p className="quiet">
          A second copy of the log lies in this browser beside the database, with every change that was said to be
          saved.{mayReplace && " Putting it in place gives up whatever the database still holds."}
        </p>
      )}
      <div aria-live="polite">
        {doing !== null && <p>{doing}</p>}
        {problem !== null && <p className="warn">{problem}</p>}
      </div>
    </>
  );
}
