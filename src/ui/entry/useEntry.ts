"use client";

import { messageOf } from "@/core/base/messageOf";
import { type EntryChoice, longestLine, type ParsedEntry, tooLongLine } from "@/core/entry/parsedEntry";
import { type RefObject, useCallback, useEffect, useRef, useState } from "react";
import { dateOrder } from "../dates";
import { useLog } from "../log/LogContext";
import { useUnsaved } from "../unsaved";

/** A line that was entered and not written, while another was being typed. */
export interface Unwritten {
  id: number;
  text: string;
  why: string;
}

/**
 * The text of the quick-entry line, what was understood of it last, and its writing. `fresh`: what was understood is of
 * the text as it stands.
 */
export function useEntry(input: RefObject<HTMLInputElement | null>) {
  const { compute, person, today: now, day, stays, commit } = useLog();
  // A line begun before midnight speaks of that day, also where it says yesterday.
  const today = stays ?? now;
  const [text, setText] = useState("");
  const [read, setRead] = useState<{ text: string; day: string; reading: ParsedEntry } | null>(null);
  // What stands in the line now and what was questioned, for Enters that follow each other faster than they are
  // answered.
  const line = useRef("");
  const edits = useRef(0);
  const doubted = useRef("");
  const inTurn = useRef(Promise.resolve());
  const [problem, setProblem] = useState<string | null>(null);
  const [unwritten, setUnwritten] = useState<readonly Unwritten[]>([]);
  const nextId = useRef(0);
  useUnsaved(unwritten.length > 0);
  const write = (typed: string) => {
    // A text that is no line does not come to stand in it.
    if (typed.length > longestLine) return setProblem(tooLongLine(typed.length));
    line.current = typed;
    edits.current += 1;
    setText(typed);
    setProblem(null);
  };

  const ask = useCallback(
    (typed: string) =>
      compute.ask("entry", { personId: person.id, today, date: day, text: typed, dateOrder: dateOrder() }),
    [compute, person.id, today, day],
  );
  /** One question at a time; of what was typed while it was answered, the last counts. */
  const asking = useRef(false);
  const wanted = useRef<{ text: string; day: string; ask: typeof ask } | null>(null);
  useEffect(() => {
    wanted.current = text.trim() === "" ? null : { text, day, ask };
    if (asking.current) return;
    const follow = async () => {
      asking.current = true;
      for (let next = wanted.current; next !== null; next = wanted.current === next ? null : wanted.current) {
        const { text: typed, day: on } = next;
        const isLast = () => wanted.current?.text === typed && wanted.current.day === on;
        try {
          const reading = await next.ask(typed);
          if (reading && isLast()) setRead({ text: typed, day: on, reading });
        } catch (error) {
          if (isLast()) setProblem(messageOf(error));
        }
      }
      asking.current = false;
    };
    void follow();
  }, [ask, day, text]);

  const reading = text.trim() === "" ? null : (read?.reading ?? null);
  const fresh = read?.text === text && read.day === day;

  /** Writes a line as it stood after so many edits. What is typed meanwhile stays; what is not written is kept beside it then. */
  const enter = async (typed: string, at: number) => {
    const isSame = () => edits.current === at;
    const back = (why: string) => {
      const field = input.current;
      if (!isSame()) setUnwritten((some) => [...some, { id: nextId.current++, text: typed, why }]);
      else field?.setSelectionRange(field.value.length, field.value.length);
    };
    try {
      const asked = await ask(typed);
      if (asked === null) return back("This person is not in the log any more.");
      if (isSame()) setRead({ text: typed, day, reading: asked });
      if (asked.change === null) return back(asked.problems.map(({ message }) => message).join(" "));
      if (asked.caution !== null && doubted.current !== typed) {
        if (isSame()) doubted.current = typed;
        return back(asked.caution);
      }
      if (!(await commit(asked.change, asked.label))) return back("It could not be written.");
    } catch (error) {
      if (isSame()) setProblem(messageOf(error));
      return back(messageOf(error));
    }
    doubted.current = "";
    if (isSame()) write("");
  };
  /** Enters what stands in the line, after whatever was entered before it; the next key begins another line. */
  const submit = () => {
    const typed = line.current;
    if (typed.trim() === "") return;
    input.current?.select();
    const at = edits.current;
    const turn = () => enter(typed, at);
    inTurn.current = inTurn.current.then(turn, turn);
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
  return {
    text,
    read,
    reading,
    fresh,
    problem,
    write,
    submit,
    takeFirst,
    unwritten,
    /** Gives up a line that was not written; `take` puts it into the line again. */
    drop: (one: Unwritten, take: boolean) => {
      setUnwritten((some) => some.filter(({ id }) => id !== one.id));
      if (take) write(one.text);
      input.current?.focus();
    },
  };
}

/** What Tab takes. */
export function firstOf(reading: ParsedEntry | null): EntryChoice | undefined {
  return reading?.completions[0] ?? reading?.choices[0];
}
