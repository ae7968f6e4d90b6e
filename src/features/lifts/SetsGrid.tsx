"use client";

import { shortDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { ExercisePicker } from "@/ui/lifts/ExercisePicker";
import { Scrollable } from "@/ui/Scrollable";
import { Input } from "antd";
import type { Dispatch, ReactNode, SetStateAction } from "react";
import styles from "./lifts.module.css";
import { useGridKeys } from "./useGridKeys";

/** What was understood of a line, what is wrong with it, and the last time its exercise was done. */
interface ReadLine {
  text: string;
  problem: string | null;
  last: { date: string; text: string } | null;
}

interface Props<L extends { exerciseId: string }, F extends string & keyof L> {
  label: string;
  lines: readonly L[];
  setLines: Dispatch<SetStateAction<L[]>>;
  emptyLine: L;
  fields: readonly F[];
  heads: Record<F, string>;
  read: readonly ReadLine[] | undefined;
  /** The head of the column that says what was understood. */
  says: string;
  /** A column of its own before that: its head, and what stands in a line. */
  extra?: { head: string; cell: (line: L, at: number, set: (changed: Partial<L>) => void) => ReactNode };
  ordered?: boolean;
  children: (addLine: () => void) => ReactNode;
}

/**
 * A table of lines, each an exercise and fields of text, typed without a mouse; `children` stand below it and are given
 * the way to a new line.
 */
export function SetsGrid<L extends { exerciseId: string }, F extends string & keyof L>({
  label,
  lines,
  setLines,
  emptyLine,
  fields,
  heads,
  read,
  says,
  extra,
  ordered,
  children,
}: Props<L, F>) {
  const add = () => setLines((now) => [...now, emptyLine]);
  const { table, focus, onKeyDown } = useGridKeys(lines.length, add);
  const set = (at: number, changed: Partial<L>) =>
    setLines((now) => now.map((line, index) => (index === at ? { ...line, ...changed } : line)));
  const move = (at: number, by: number) =>
    setLines((now) => {
      const next = [...now];
      const [line] = next.splice(at, 1);
      next.splice(at + by, 0, line!);
      return next;
    });
  const remove = (at: number) =>
    setLines((now) => (now.length === 1 ? [emptyLine] : now.filter((_, index) => index !== at)));
  return (
    <>
      <Scrollable label={label}>
        <table ref={table} className={styles.grid} onKeyDown={onKeyDown}>
          <thead>
            <tr>
              <th>Exercise</th>
              {fields.map((field) => (
                <th key={field}>{heads[field]}</th>
              ))}
              {extra && <th>{extra.head}</th>}
              <th>{says}</th>
              <th>
                <span className="hidden">Move or remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line, at) => (
              <tr key={at}>
                <td className={styles.pick} data-line={at} data-field="exercise">
                  <ExercisePicker
                    value={line.exerciseId || null}
                    label={`Exercise, line ${at + 1}`}
                    onPick={({ id }) => {
                      set(at, { exerciseId: id } as Partial<L>);
                      focus(at, fields[0]!);
                    }}
                  />
                </td>
                {fields.map((field) => (
                  <td key={field} data-head={heads[field]}>
                    <Input
                      data-line={at}
                      data-field={field}
                      aria-label={`${heads[field].split(",")[0]}, line ${at + 1}`}
                      value={line[field] as string}
                      autoComplete="off"
                      aria-invalid={read?.[at]?.problem != null}
                      onChange={(event) => set(at, { [field]: event.target.value } as unknown as Partial<L>)}
                    />
                  </td>
                ))}
                {extra && (
                  <td className="centre" data-head={extra.head}>
                    {extra.cell(line, at, (changed) => set(at, changed))}
                  </td>
                )}
                <td className={styles.text}>
                  <Said read={read?.[at]} />
                </td>
                <td className="nowrap">
                  {ordered && at > 0 && (
                    <LinkButton aria-label={`Line ${at + 1} up`} onClick={() => move(at, -1)}>
                      ↑
                    </LinkButton>
                  )}{" "}
                  {ordered && at < lines.length - 1 && (
                    <LinkButton aria-label={`Line ${at + 1} down`} onClick={() => move(at, 1)}>
                      ↓
                    </LinkButton>
                  )}{" "}
                  <LinkButton aria-label={`Remove line ${at + 1}`} onClick={() => remove(at)}>
                    ×
                  </LinkButton>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
      {children(() => {
        add();
        focus(lines.length, "exercise");
      })}
    </>
  );
}

function Said({ read }: { read: ReadLine | undefined }) {
  if (read?.problem) return <span className="warn">{read.problem}</span>;
  if (read?.text) return <>{read.text}</>;
  return read?.last ? (
    <span className="quiet">
      last {read.last.text}, {shortDate(read.last.date)}
    </span>
  ) : null;
}
