"use client";

import { Button } from "antd";
import { useId, useState } from "react";
import type { Log } from "@/core/log/log";
import type { Problem } from "@/formats/archive";
import { useLog } from "@/ui/log/LogContext";
import styles from "@/ui/view.module.css";

type Found = { file: string } & ({ log: Log; photos: number } | { problems: Problem[] });

const maxBytes = 300_000_000;

/** An archive in: it is checked whole, shown, and only then takes the place of the log; the old one comes back with undo. */
export function ImportPanel() {
  const { compute, replace } = useLog();
  const [found, setFound] = useState<Found | null>(null);
  const id = useId();
  const take = async (file: File | undefined) => {
    if (file === undefined) return;
    if (file.size > maxBytes) return setFound({ file: file.name, problems: [{ path: "(file)", message: "it is larger than 300 MB" }] });
    const reading = await compute.remote.read(new Uint8Array(await file.arrayBuffer()));
    setFound(reading.ok ? { file: file.name, log: reading.log, photos: reading.photos } : { file: file.name, problems: reading.problems });
  };
  return (
    <section className={styles.section}>
      <h2>Import an archive</h2>
      <label htmlFor={id} className="quiet">An Oat Column archive (JSON or zip). Nothing changes before you say so.</label>
      <p style={{ paddingTop: 8 }}><input id={id} type="file" accept=".json,.zip,application/json,application/zip" onChange={(event) => { void take(event.target.files?.[0]); event.target.value = ""; }} /></p>
      <div aria-live="polite" style={{ paddingTop: 8 }}>
        {found && "problems" in found && (
          <div role="alert" className="warn">
            <p>{found.file} was not taken. Nothing was changed.</p>
            <ul style={{ margin: 0, paddingLeft: 18 }}>{found.problems.map(({ path, message }) => <li key={path + message}><code>{path}</code>: {message}</li>)}</ul>
          </div>
        )}
        {found && "log" in found && (
          <>
            <p>{found.file} is sound: people {found.log.records.people.size}, weigh-ins {found.log.records.weighIns.size}, sessions {found.log.records.sessions.size}, meals {found.log.records.meals.size}.</p>
            {found.photos > 0 && <p className="warn">It holds {found.photos} photographs, which this version does not keep. Keep the file.</p>}
            <p style={{ display: "flex", gap: 20, alignItems: "center", paddingTop: 8 }}>
              <Button type="primary" onClick={() => { const { log, file } = found; void replace(log, `Import of ${file}`).then((done) => { if (done) setFound(null); }); }}>Replace the log by it</Button>
              <button type="button" className="link" onClick={() => setFound(null)}>Leave it</button>
            </p>
          </>
        )}
      </div>
    </section>
  );
}
