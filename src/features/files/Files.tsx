"use client";

import { Button } from "antd";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { emptyLog } from "@/core/log/log";
import { layOut } from "@/store/pages";
import { put } from "@/core/log/records";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import { printNumber } from "@/core/units/number";
import { useMode } from "@/ui/theme/ThemeProvider";
import { Field, Row, RowButton } from "@/ui/inputs/Field";
import { required } from "@/ui/inputs/checks";
import styles from "@/ui/view.module.css";
import { ProfileFieldset } from "../firstRun/ProfileFieldset";
import { personOf, profileFields } from "../firstRun/profile";
import { Diagnostics } from "./Diagnostics";
import { ImportPanel } from "./ImportPanel";
import { Workbook } from "./Workbook";
import { Reminder } from "./Reminder";
import { StorageLine } from "./StorageLine";
import { download } from "./download";
import { kindName } from "./kindName";

/** Is it safe, is it mine? */
export function Files() {
  const { compute, today, name, person, openLog, replace, undo, redo } = useLog();
  const holdings = useHousehold("holdings");
  const { mode, setMode } = useMode();
  const exportLog = async () => {
    const archive = await compute.write(new Date().toISOString().replace(/\.\d+Z$/, "Z"));
    if (typeof archive === "string") download(`oat-column-${today}.json`, archive, "application/json");
    else download(`oat-column-${today}.zip`, archive, "application/zip");
  };
  const exportFigures = async () => download(`oat-column-figures-${today}.json`, await compute.figures(today), "application/json");
  return (
    <>
      <div className={styles.head}><h1>Files</h1></div>
      <div className={styles.two}>
        <section className={styles.section}>
          <h2>The log</h2>
          <p>{name !== "own" ? `This is the ${name} log, a database of its own. Your own log is untouched by anything here.` : "The log lives in this browser, at this address. An archive is your copy of it: keep one elsewhere."}</p>
          <p className="quiet small" style={{ paddingTop: 6 }}>{holdings?.counts.filter(({ count }) => count > 0).map(({ kind, count }) => `${printNumber(count, 0)} ${kindName(kind, count)}`).join(", ")}</p>
          <StorageLine />
          <p style={{ paddingTop: 12, display: "flex", gap: 20, alignItems: "center", flexWrap: "wrap" }}>
            <Button type="primary" onClick={() => void exportLog()}>Export archive</Button>
            <button type="button" className="link" onClick={() => void exportFigures()}>Export figures</button>
            <button type="button" className="link" onClick={() => void replace(layOut(emptyLog()), "Log emptied")}>Empty the log</button>
          </p>
        </section>
        <ImportPanel />
      </div>
      <Workbook />
      <Diagnostics />
      <Reminder />
      <section className={styles.section}>
        <h2>Last changes</h2>
        <p style={{ display: "flex", gap: 20 }}><button type="button" className="link" onClick={() => void undo()}>Undo the last change</button><button type="button" className="link" onClick={() => void redo()}>Do it again</button></p>
      </section>
      <section className={styles.section}>
        <h2>Which log, which light</h2>
        <p style={{ display: "flex", gap: 20, flexWrap: "wrap" }}>
          {name !== "own" && <button type="button" className="link" onClick={() => openLog("own")}>Open your own log</button>}
          {name === "demo" ? <RestartDemo /> : <button type="button" className="link" onClick={() => openLog("demo")}>Open the demo log</button>}
          <button type="button" className="link" onClick={() => setMode(mode === "dark" ? "light" : "dark")}>{mode === "dark" ? "Light paper" : "Dark paper"}</button>
        </p>
      </section>
      <Profile key={`${person.id} ${person.revision}`} />
    </>
  );
}

function RestartDemo() {
  const { compute, today, replace } = useLog();
  return <button type="button" className="link" onClick={() => void compute.madeUp(today, null).then((laidOut) => replace(laidOut, "Demo log begun anew"))}>Begin the demo anew from today</button>;
}

function Profile() {
  const { person, today, commit } = useLog();
  const [people] = useState(() => profileFields(person));
  const { control, handleSubmit } = useForm({ mode: "onChange", defaultValues: people });
  const save = handleSubmit(async (fields) => { await commit([put("people", personOf(fields, person), person)], "Profile"); });
  return (
    <section className={`${styles.form} ${styles.section}`}>
      <h2>Profile</h2>
      <form onSubmit={(event) => void save(event)} noValidate>
        <Row><Field control={control} name="name" label="Name of the log" check={required("A name")} /></Row>
        <ProfileFieldset control={control} today={today} />
        <Row><RowButton><Button htmlType="submit">Save profile</Button></RowButton></Row>
      </form>
    </section>
  );
}
