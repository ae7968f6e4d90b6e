"use client";

import { messageOf } from "@/core/base/messageOf";
import type { Units } from "@/core/base/units/printer";
import {
  type EntryChoice,
  type EntryProblem,
  longestLine,
  type ParsedEntry,
  tooLongLine,
} from "@/core/entry/parsedEntry";
import { type FormEvent, type KeyboardEvent, type RefObject, useCallback, useEffect, useRef, useState } from "react";
import { dateOrder, longDate } from "../dates";
import { useLog } from "../log/LogContext";
import styles from "./entry.module.css";

/** The quick-entry line: what is typed is read as it is typed, and Enter writes it. */
export function EntryLine({ inputRef }: { inputRef: RefObject<HTMLInputElement | null> }) {
  const { compute, person, today: now, day, stays, commit, units } = useLog();
  // A line begun before midnight speaks of that day, also where it says yesterday.
  const today = stays ?? now;
  const [text, setText] = useState("");
  const [read, setRead] = useState<{ text: string; day: string; reading: ParsedEntry } | null>(null);
  // What stands in the line now and what was questioned, for Enters that follow each other faster than they are
  // answered.
  const line = useRef("");
  const doubted = useRef("");
  const inTurn = useRef(Promise.resolve());
  const [problem, setProblem] = useState<string | null>(null);
  const write = (typed: string) => {
    // A text that is no line does not come to stand in it.
    if (typed.length > longestLine) return setProblem(tooLongLine(typed.length));
    line.current = typed;
    setText(typed);
    setProblem(null);
  };

  const ask = useCallback(
    (typed: string) =>
      compute.ask("entry", { personId: person.id, today, date: day, text: typed, dateOrder: dateOrder() }),
    [compute, person.id, today, day],
  );
  useEffect(() => {
    let left = false;
    if (text.trim() !== "") {
      void ask(text).then(
        (reading) => {
          if (!left && reading) setRead({ text, day, reading });
        },
        (error: unknown) => {
          if (!left) setProblem(messageOf(error));
        },
      );
    }
    return () => {
      left = true;
    };
  }, [ask, day, text]);

  const reading = text.trim() === "" ? null : (read?.reading ?? null);
  const fresh = read?.text === text && read.day === day;

  const submit = async () => {
    const typed = line.current;
    if (typed.trim() === "") return;
    const asked = await ask(typed).catch((error: unknown) => {
      setProblem(messageOf(error));
      return null;
    });
    if (asked === null) return;
    setRead({ text: typed, day, reading: asked });
    if (asked.change === null) return;
    if (asked.caution !== null && doubted.current !== typed) {
      doubted.current = typed;
      return;
    }
    if (!(await commit(asked.change, asked.label))) return;
    doubted.current = "";
    if (line.current === typed) write("");
  };
  const onSubmit = (event: FormEvent) => {
    event.preventDefault();
    inTurn.current = inTurn.current.then(submit, submit);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Escape") {
      if (text === "") inputRef.current?.blur();
      else write("");
    }
    if (event.key !== "Tab" || event.shiftKey || firstOf(reading) === undefined) return;
    event.preventDefault();
    const typed = line.current;
    // What was typed last may not have been answered yet.
    if (fresh) write(firstOf(reading)!.text);
    else
      void ask(typed).then(
        (asked) => {
          const first = firstOf(asked);
          if (first !== undefined && line.current === typed) write(first.text);
        },
        () => {},
      );
  };
  const take = (choice: string) => {
    write(choice);
    inputRef.current?.focus();
  };
  const ready = fresh && reading?.change != null;
  return (
    <form className={`${styles.entry} noprint`} onSubmit={onSubmit} role="search" aria-label="Quick entry">
      <div className={styles.line}>
        <input
          ref={inputRef}
          className={styles.input}
          value={text}
          onChange={(event) => write(event.target.value)}
          onKeyDown={onKeyDown}
          aria-label={`Write it down, ${longDate(day)}`}
          aria-describedby="entry-reading"
          placeholder={day === now ? examples(units) : `Write it down for ${longDate(day)}`}
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          enterKeyHint="done"
        />
        {ready ? (
          <button type="submit" className={`${styles.key} ${styles.ready}`}>
            Enter to log
          </button>
        ) : (
          <span className={`${styles.key} ${styles.hint}`} title="Press w anywhere to write">
            w
          </span>
        )}
      </div>
      <div id="entry-reading" className={styles.reading} aria-live="polite">
        {stays !== null && (
          <p className="warn">
            It is past midnight. What is half-written here stays with {longDate(stays)} until it is saved or emptied.
          </p>
        )}
        {problem !== null && (
          <p className="warn" role="alert">
            {problem}
          </p>
        )}
        {reading && (
          <>
            {reading.problems.length > 0 && <Underlined text={read!.text} problems={reading.problems} />}
            <span className={styles.fields}>
              {reading.fields.map(({ label, text: value }, index) => (
                <span key={index}>
                  <b>{label}</b>
                  {value}
                </span>
              ))}
            </span>
            {reading.caution && <p className="warn">{reading.caution}</p>}
            {[...reading.choices, ...reading.completions].length > 0 && (
              <span className={styles.choices}>
                {[...reading.choices, ...reading.completions].map(({ label, text: choice }) => (
                  <button key={choice} type="button" className="link" onClick={() => take(choice)}>
                    {label}
                  </button>
                ))}
                <span className="quiet">Tab takes the first</span>
              </span>
            )}
          </>
        )}
      </div>
    </form>
  );
}

/** The text with what cannot be read underlined, and the reasons behind it. */
function Underlined({ text, problems }: { text: string; problems: readonly EntryProblem[] }) {
  const [first] = problems;
  if (!first) return null;
  return (
    <p>
      <span className={styles.marked}>
        {text.slice(0, first.start)}
        <u>{text.slice(first.start, first.end)}</u>
        {text.slice(first.end)}
      </span>
      <span className="warn"> {problems.map(({ message }) => message).join(" ")}</span>
    </p>
  );
}

/** What may be written, in the trainee's units. */
function examples({ mass, distance }: Units): string {
  return [
    mass === "lb" ? "157.4" : "71.4",
    mass === "lb" ? "front squat 3x6 200 lb" : "front squat 3x6 90 kg",
    distance === "mi" ? "run 4 mi 33:10" : "run 6 km 33:10",
    "80 g oats",
  ].join("  ·  ");
}

/** What Tab takes. */
function firstOf(reading: ParsedEntry | null): EntryChoice | undefined {
  return reading?.completions[0] ?? reading?.choices[0];
}
