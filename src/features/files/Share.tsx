"use client";

import { type DiaryPart, diaryParts, diaryText } from "@/core/days/diary";
import { csv } from "@/formats/csv";
import { diaryPage, diaryRows } from "@/formats/diary/diaryPage";
import { lockedPage, shortest } from "@/formats/diary/lockedPage";
import { addDays, fullDate } from "@/ui/dates";
import { download } from "@/ui/download";
import { Captioned } from "@/ui/kit/Captioned";
import { DateField } from "@/ui/kit/DateField";
import { Segmented } from "@/ui/kit/Segmented";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import styles from "@/ui/view.module.css";
import { Button, Input } from "antd";
import { useState } from "react";
import { Problem } from "./Problem";
import { useHandOut } from "./useHandOut";

const words: Record<DiaryPart, string> = {
  weight: "weight and trend",
  food: "food",
  sessions: "sessions",
  measures: "measures",
  notes: "notes of days",
  name: "your name",
};

/** A range of the diary as a file for somebody else: made when it is asked for, with what is ticked and nothing besides. */
export function Share() {
  const { person, today, compute } = useLog();
  const printer = usePrinter();
  const handing = useHandOut();
  const [from, setFrom] = useState(addDays(today, -27));
  const [to, setTo] = useState(today);
  const [parts, setParts] = useState<readonly DiaryPart[]>(["weight", "food", "sessions"]);
  const [as, setAs] = useState<"page" | "csv">("page");
  // Kept nowhere: what opens a file must not lie beside it.
  const [passphrase, setPassphrase] = useState("");
  const [said, setSaid] = useState("");
  const isShort = as === "page" && passphrase !== "" && passphrase.length < shortest;
  const isBack = from > to;
  const make = () =>
    handing.out(async () => {
      const diary = await compute.ask("diary", { personId: person.id, today, from, to, parts });
      if (diary === null || diary.days.length === 0)
        return setSaid("Nothing is written in these days. No file was made.");
      const name = `diary-${from}-to-${to}`;
      if (as === "csv") download(`${name}.csv`, csv(diaryRows(diary, printer.units)), "text/csv");
      else {
        const page = diaryPage(diary, printer, fullDate);
        download(`${name}.html`, passphrase === "" ? page : await lockedPage(page, passphrase), "text/html");
      }
      setSaid(
        `${diaryText(diary)} in the file${as === "page" && passphrase !== "" ? ", locked: without its passphrase nobody opens it, you neither" : ""}.`,
      );
      setPassphrase("");
    });
  return (
    <section className={styles.section} aria-label="Some days for somebody else">
      <h2>Some days for somebody else</h2>
      <p className="quiet">
        One file that holds what is ticked of these days and nothing besides; it opens in any browser, also without a
        network. It is made when you press, and goes nowhere by itself.
      </p>
      <p className="row above">
        <Captioned caption="From">
          {(id) => <DateField id={id} value={from} max={today} onChange={(next) => setFrom(next || from)} />}
        </Captioned>
        <Captioned caption="To">
          {(id) => <DateField id={id} value={to} max={today} onChange={(next) => setTo(next || to)} />}
        </Captioned>
        <Segmented
          label="What file"
          value={as}
          onChange={setAs}
          options={[
            { label: "As a page", value: "page" as const },
            { label: "As CSV", value: "csv" as const },
          ]}
        />
      </p>
      <p className="row above" role="group" aria-label="What it holds">
        {diaryParts
          .filter((part) => as === "page" || part !== "name")
          .map((part) => (
            <Tick
              key={part}
              checked={parts.includes(part)}
              onChange={(on) => setParts(on ? [...parts, part] : parts.filter((one) => one !== part))}
            >
              {words[part]}
            </Tick>
          ))}
      </p>
      <p className="row above">
        {as === "page" && (
          <Captioned caption="Passphrase, if it shall be locked">
            {(id) => (
              <Input.Password
                id={id}
                value={passphrase}
                autoComplete="new-password"
                status={isShort ? "warning" : undefined}
                onChange={(event) => setPassphrase(event.target.value)}
              />
            )}
          </Captioned>
        )}
        <Button
          disabled={handing.busy || isShort || isBack || parts.filter((part) => part !== "name").length === 0}
          onClick={() => void make()}
        >
          Make the file
        </Button>
      </p>
      {isShort && (
        <p className="quiet small">A passphrase of {shortest} characters at least: several words are good.</p>
      )}
      {isBack && <p className="warn">The last day comes before the first.</p>}
      <p role="status" className="quiet small">
        {said}
      </p>
      <Problem said={handing.problem} />
    </section>
  );
}
