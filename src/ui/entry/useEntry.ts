"use client";

import { messageOf } from "@/core/base/messageOf";
import { type EntryChoice, longestLine, type ParsedEntry, tooLongLine } from "@/core/entry/parsedEntry";
import { useCallback, useEffect, useRef, useState } from "react";
import { dateOrder } from "../dates";
import { useLog } from "../log/LogContext";

/**
 * The text of the quick-entry line, what was understood of it last, and its writing. `fresh`: what was understood is of
 * the text as it stands.
 */
export function useEntry() {
  const { compute, person, today: now, day, stays, commit } = useLog();
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
  /** Writes what the line says, after whatever was entered before it. */
  const submitInTurn = () => {
    inTurn.current = inTurn.current.then(submit, submit);
  };
  const takeFirst = () => {
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
  return { text, read, reading, fresh, problem, write, submit: submitInTurn, takeFirst };
}

/** What Tab takes. */
export function firstOf(reading: ParsedEntry | null): EntryChoice | undefined {
  return reading?.completions[0] ?? reading?.choices[0];
}
