"use client";

import { entryDayOf } from "@/core/base/calendar/day";
import type { BlockWork } from "@/core/planning/blockWorks";
import { addDays } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import type { RefObject } from "react";
import { useId } from "react";
import { daysOf } from "./Blocks";
import styles from "./lifts.module.css";

const stretches = [
  ["4 weeks", 27],
  ["12 weeks", 83],
  ["26 weeks", 181],
  ["a year", 364],
] as const;

/** The days looked at: a usual stretch, a block of training, or any two days. */
export function WorkStretch({
  place,
  stretch,
  choose,
  blocks,
}: {
  place: RefObject<HTMLDivElement | null>;
  stretch: { from: string; to: string };
  blocks: readonly BlockWork[];
  choose: (stretch: { from: string; to: string }) => void;
}) {
  const { today } = useLog();
  const id = useId();
  const set = (part: "from" | "to", date: string) => {
    if (entryDayOf(date) !== null) choose({ ...stretch, [part]: date });
  };
  return (
    <div ref={place} className={`${styles.filters} noprint`}>
      <span className={styles.inline}>
        {stretches.map(([name, days]) => {
          const from = addDays(today, -days);
          const on = stretch.from === from && stretch.to === today;
          return (
            <button
              key={name}
              type="button"
              className="link"
              style={on ? { color: "var(--ink)", textDecoration: "underline", textUnderlineOffset: 5 } : undefined}
              aria-pressed={on}
              onClick={() => choose({ from, to: today })}
            >
              {name}
            </button>
          );
        })}
      </span>
      {blocks.length > 0 && (
        <label htmlFor={`${id}b`}>
          Block
          <select
            id={`${id}b`}
            className={styles.select}
            value={
              blocks.find((one) => daysOf(one).from === stretch.from && daysOf(one).to === stretch.to)?.block.id ?? ""
            }
            onChange={(event) => {
              const chosen = blocks.find(({ block }) => block.id === event.target.value);
              if (chosen) choose(daysOf(chosen));
            }}
          >
            <option value="">none</option>
            {blocks.map(({ block }) => (
              <option key={block.id} value={block.id}>
                {block.name}
              </option>
            ))}
          </select>
        </label>
      )}
      <label htmlFor={`${id}f`}>
        From
        <input
          id={`${id}f`}
          type="date"
          value={stretch.from}
          max={stretch.to}
          onChange={(event) => set("from", event.target.value)}
        />
      </label>
      <label htmlFor={`${id}t`}>
        To
        <input
          id={`${id}t`}
          type="date"
          value={stretch.to}
          min={stretch.from}
          onChange={(event) => set("to", event.target.value)}
        />
      </label>
    </div>
  );
}
