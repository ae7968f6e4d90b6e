"use client";

import type { Units } from "@/core/base/units/printer";
import type { EntryProblem, ParsedEntry } from "@/core/entry/parsedEntry";
import type { FormEvent, KeyboardEvent, RefObject } from "react";
import { longDate } from "../dates";
import Link from "next/link";
import { LinkButton } from "../kit/LinkButton";
import { useNarrow } from "../kit/useMedia";
import { useLog } from "../log/LogContext";
import { useKeys } from "../shell/keys";
import styles from "./entry.module.css";
import { firstOf, useEntry } from "./useEntry";

/**
 * The quick-entry line: what is typed is read as it is typed, and Enter writes it.
 * @param thin on a phone it takes little room until it is written in; then it lies over the page
 */
export function EntryLine({ inputRef, thin }: { inputRef: RefObject<HTMLInputElement | null>; thin: boolean }) {
  const { day, stays, today, units } = useLog();
  const isNarrow = useNarrow();
  const { on, keys } = useKeys();
  const { text, read, reading, fresh, problem, write, submit, takeFirst, unwritten, drop } = useEntry(inputRef);
  const onSubmit = (event: FormEvent) => {
    event.preventDefault();
    submit();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Escape") {
      if (text === "") inputRef.current?.blur();
      else write("");
    }
    if (event.key !== "Tab" || event.shiftKey || firstOf(reading) === undefined) return;
    event.preventDefault();
    takeFirst();
  };
  const take = (choice: string) => {
    write(choice);
    inputRef.current?.focus();
  };
  const ready = fresh && reading?.change != null;
  return (
    <form
      className={`${styles.entry} ${thin ? styles.thin : ""} noprint`}
      onSubmit={onSubmit}
      role="search"
      aria-label="Quick entry"
    >
      <div className={styles.line}>
        <input
          ref={inputRef}
          className={styles.input}
          value={text}
          onChange={(event) => write(event.target.value)}
          onKeyDown={onKeyDown}
          aria-label={`Write it down, ${longDate(day)}`}
          aria-describedby="entry-reading"
          placeholder={day === today ? examples(units, isNarrow) : `Write it down for ${longDate(day)}`}
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
          on &&
          keys.get("write") && (
            <span className={`${styles.key} ${styles.hint}`} data-hint="Press it anywhere to write">
              {keys.get("write")}
            </span>
          )
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
        {unwritten.map((one) => (
          <p key={one.id} role="alert">
            Not written: <strong>{one.text}</strong>. <span className="warn">{one.why}</span>{" "}
            {text === "" && <LinkButton onClick={() => drop(one, true)}>Take it into the line</LinkButton>}{" "}
            <LinkButton aria-label={`Give up “${one.text}”`} onClick={() => drop(one, false)}>
              ×
            </LinkButton>
          </p>
        ))}
        {reading && <Understood text={read!.text} reading={reading} onTake={take} />}
      </div>
    </form>
  );
}

/** What was understood of a line, what was not, and what may be taken instead. */
function Understood({
  text,
  reading: { problems, fields, caution, choices, completions },
  onTake,
}: {
  text: string;
  reading: ParsedEntry;
  onTake: (choice: string) => void;
}) {
  const offered = [...choices, ...completions];
  const makes = problems.find((one) => one.makes !== undefined)?.makes;
  return (
    <>
      {problems.length > 0 && <Underlined text={text} problems={problems} />}
      <span className={styles.fields}>
        {fields.map(({ label, text: value }, index) => (
          <span key={index}>
            <b>{label}</b>
            {value}
          </span>
        ))}
      </span>
      {caution && <p className="warn">{caution}</p>}
      {makes !== undefined && (
        <Link href={`/food/foods?food=${encodeURIComponent(makes)}`}>Make “{makes}” a food of yours</Link>
      )}
      {offered.length > 0 && (
        <span className={styles.choices}>
          {offered.map(({ label, text: choice }) => (
            <LinkButton key={choice} onClick={() => onTake(choice)}>
              {label}
            </LinkButton>
          ))}
          <span className="quiet">Tab takes the first</span>
        </span>
      )}
    </>
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
function examples({ mass, distance }: Units, few: boolean): string {
  const weight = mass === "lb" ? "157.4" : "71.4";
  const run = distance === "mi" ? "run 4 mi 33:10" : "run 6 km 33:10";
  const squat = mass === "lb" ? "front squat 3x6 200 lb" : "front squat 3x6 90 kg";
  return (few ? [weight, run, "80 g oats"] : [weight, squat, run, "80 g oats"]).join("  ·  ");
}
