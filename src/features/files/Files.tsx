"use client";

import { counted } from "@/core/base/units/number";
import { madeUpLog, writeArchiveFile, writeFiguresFile } from "@/compute/archives";
import { csv } from "@/formats/csv";
import { download } from "@/ui/download";
import { handOutArchive } from "@/ui/handOutArchive";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import styles from "@/ui/view.module.css";
import { Button } from "antd";
import Link from "next/link";
import dynamic from "next/dynamic";
import { Copies } from "./Copies";
import { Diagnostics } from "./Diagnostics";
import { EmptyLog } from "./EmptyLog";
import { holdingsText } from "./holdingsText";
import { ImportPanel } from "./ImportPanel";
import { StorageLine } from "./StorageLine";
import { UnreadPart } from "./UnreadPart";
import { Problem } from "./Problem";
import { useHandOut } from "./useHandOut";
import { Workbook } from "./Workbook";

const Share = dynamic(() => import("./Share").then((code) => code.Share), { ssr: false });

/** Is it safe, is it mine? */
export function Files() {
  const { today, name, person, people, units, compute, openLog, undo, redo, warn } = useLog();
  const holdings = useHousehold("holdings");
  const names = useHousehold("kindNames");
  const handing = useHandOut();
  const onMended = (places: number) =>
    warn(
      `The file was read back before it was given out, and ${counted(places, "place")} in it had to be mended. Check the log, below, says what it was and mends it here.`,
    );
  const exportLog = () =>
    handing.out(async () => {
      await handOutArchive(
        name,
        "oat-column",
        (exportedAt) => writeArchiveFile(name, exportedAt, null, onMended),
        today,
      );
    });
  const exportDays = () =>
    handing.out(async () => {
      const rows = await compute.ask("daily", { personId: person.id, today });
      download(`oat-column-days-${units.mass}-${today}.csv`, csv(rows ?? []), "text/csv");
    });
  const exportPerson = () =>
    handing.out(async () => {
      await handOutArchive(
        name,
        `oat-column-${person.name.toLowerCase().replace(/[^a-z0-9]+/g, "-")}`,
        (exportedAt) => writeArchiveFile(name, exportedAt, person.id, onMended),
        today,
      );
    });
  const held = names === undefined ? "" : holdingsText(names, holdings?.counts ?? []);
  const exportFigures = () =>
    handing.out(async () =>
      download(`oat-column-figures-${today}.json`, await writeFiguresFile(name, today), "application/json"),
    );
  return (
    <>
      <div className={styles.head}>
        <h1>Files</h1>
      </div>
      <div className={styles.two}>
        <section className={styles.section}>
          <h2>The log</h2>
          <p>
            {name !== "own"
              ? `This is the ${name} log, a database of its own. Your own log is untouched by anything here.`
              : "The log lives in this browser, at this address. An archive is your copy of it: keep one elsewhere."}
          </p>
          <p className="quiet small above">{held}</p>
          {(holdings?.unread ?? 0) > 0 && <UnreadPart count={holdings!.unread} />}
          <StorageLine />
          <p className="row above-l">
            <Button type="primary" disabled={handing.busy} onClick={() => void exportLog()}>
              Export archive
            </Button>
            <LinkButton disabled={handing.busy} onClick={() => void exportFigures()}>
              Export figures
            </LinkButton>
            <LinkButton disabled={handing.busy} onClick={() => void exportDays()}>
              Days as CSV
            </LinkButton>
            {people.length > 1 && (
              <LinkButton disabled={handing.busy} onClick={() => void exportPerson()}>
                Archive of {person.name} alone
              </LinkButton>
            )}
            <EmptyLog holds={held} exportLog={() => void exportLog()} busy={handing.busy} />
          </p>
          <Problem said={handing.problem} />
        </section>
        <ImportPanel />
      </div>
      <Copies />
      <Workbook />
      <Share />
      <Diagnostics />
      <section className={styles.section}>
        <h2>Last changes</h2>
        <p className="row">
          <LinkButton onClick={() => void undo()}>Undo the last change</LinkButton>
          <LinkButton onClick={() => void redo()}>Do it again</LinkButton>
        </p>
      </section>
      <section className={styles.section}>
        <h2>Which log</h2>
        <p className="row">
          {name !== "own" && <LinkButton onClick={() => openLog("own")}>Open your own log</LinkButton>}
          {name === "demo" ? (
            <RestartDemo />
          ) : (
            <LinkButton onClick={() => openLog("demo")}>Open the demo log</LinkButton>
          )}
        </p>
      </section>
      <p className="quiet">
        <Link href="/settings">Settings</Link> hold people, units, plates, reminders and appearance.
      </p>
    </>
  );
}

function RestartDemo() {
  const { today, replace } = useLog();
  return (
    <LinkButton onClick={() => void madeUpLog(today, null).then((laidOut) => replace(laidOut, "Demo log begun anew"))}>
      Begin the demo anew from today
    </LinkButton>
  );
}
