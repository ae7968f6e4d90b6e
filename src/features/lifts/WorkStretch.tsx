"use client";

import { entryDayOf } from "@/core/base/calendar/day";
import type { BlockWork } from "@/core/planning/blockWorks";
import { addDays } from "@/ui/dates";
import { Captioned } from "@/ui/kit/Captioned";
import { DateField } from "@/ui/kit/DateField";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Select } from "@/ui/kit/Select";
import { useLog } from "@/ui/log/LogContext";
import type { RefObject } from "react";
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
            <LinkButton
              key={name}
              className={on ? styles.on : ""}
              aria-pressed={on}
              onClick={() => choose({ from, to: today })}
            >
              {name}
            </LinkButton>
          );
        })}
      </span>
      {blocks.length > 0 && (
        <Captioned caption="Block" over>
          {(id) => (
            <Select
              id={id}
              value={
                blocks.find((one) => daysOf(one).from === stretch.from && daysOf(one).to === stretch.to)?.block.id ?? ""
              }
              onChange={(blockId) => {
                const chosen = blocks.find(({ block }) => block.id === blockId);
                if (chosen) choose(daysOf(chosen));
              }}
              options={[
                { value: "", label: "none" },
                ...blocks.map(({ block }) => ({ value: block.id, label: block.name })),
              ]}
            />
          )}
        </Captioned>
      )}
      <Captioned caption="From" over>
        {(id) => <DateField id={id} value={stretch.from} max={stretch.to} onChange={(from) => set("from", from)} />}
      </Captioned>
      <Captioned caption="To" over>
        {(id) => <DateField id={id} value={stretch.to} min={stretch.from} onChange={(to) => set("to", to)} />}
      </Captioned>
    </div>
  );
}
