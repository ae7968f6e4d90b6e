"use client";

import { counted } from "@/core/base/units/number";
import type { StandardWeek } from "@/core/log/kinds/standardWeeks";
import { put } from "@/core/log/records";
import type { RoutinesView } from "@/core/planning/routines";
import { weekdayShort } from "@/ui/dates";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Select } from "@/ui/kit/Select";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useRemove } from "@/ui/log/useRemove";
import view_ from "@/ui/view.module.css";
import { Button, Input } from "antd";
import { useState } from "react";
import { v7 as newId } from "uuid";
import styles from "./routines.module.css";

type Days = NonNullable<StandardWeek["days"]>;
type WeekSession = NonNullable<Days[number]["sessions"]>[number];

/** Standard weeks: which sessions stand on which weekday. */
export function StandardWeeks({ view, onFollow }: { view: RoutinesView; onFollow: (week: StandardWeek) => void }) {
  const { person, compute, commit, today } = useLog();
  const [name, setName] = useState("");
  const keep = async () => {
    const week = await compute.ask("weekAsStandard", { personId: person.id, today, from: today, name: name.trim() });
    if (week !== null && (await commit([put("standardWeeks", week)], `Standard week ${week.name}`))) setName("");
  };
  const begin = async () => {
    const week: StandardWeek = { id: newId(), personId: person.id, name: name.trim(), days: [] };
    if (await commit([put("standardWeeks", week)], `Standard week ${week.name}`)) setName("");
  };
  return (
    <section className={view_.section}>
      <h2>Standard weeks</h2>
      {view.standardWeeks.map(({ week, followers }) => (
        <OneWeek
          key={week.id}
          week={week}
          of={view.standardWeeks.find((one) => one.week.id === week.variantOf)?.week.name ?? null}
          variants={view.standardWeeks.flatMap((one) => (one.week.variantOf === week.id ? [one.week.variant] : []))}
          routines={view.routines}
          onChanged={(changed) => followers > 0 && onFollow(changed)}
        />
      ))}
      <p className="row noprint above">
        <Captioned caption="A new one, called">
          {(id) => <Input id={id} value={name} onChange={(event) => setName(event.target.value)} autoComplete="off" />}
        </Captioned>
        <Button disabled={name.trim() === ""} onClick={() => void keep()}>
          As this week is
        </Button>
        <Button disabled={name.trim() === ""} onClick={() => void begin()}>
          Empty
        </Button>
      </p>
    </section>
  );
}

function OneWeek({
  week,
  of,
  variants,
  routines,
  onChanged,
}: {
  week: StandardWeek;
  /** The name of the standard week whose variant it is; null where it is none. */
  of: string | null;
  /** The variants that it has already. */
  variants: StandardWeek["variant"][];
  routines: RoutinesView["routines"];
  /** It was changed, and planned weeks may follow. */
  onChanged: (week: StandardWeek) => void;
}) {
  const { commit, person } = useLog();
  const removeRecord = useRemove();
  const [adding, setAdding] = useState<{ weekday: number; routineId: string; optional: boolean } | null>(null);
  const first = person.weekStart ?? 1;
  const weekdays = Array.from({ length: 7 }, (_, index) => ((first - 1 + index) % 7) + 1);
  const dayOf = (weekday: number) => (week.days ?? []).find((day) => day.weekday === weekday) ?? { weekday };
  const withDay = (weekday: number, sessions: WeekSession[]): StandardWeek => ({
    ...week,
    days: [
      ...(week.days ?? []).filter((day) => day.weekday !== weekday),
      sessions.length === 0 ? { weekday, rest: true } : { ...dayOf(weekday), rest: false, sessions },
    ].sort((a, b) => a.weekday - b.weekday),
  });
  const nameOf = ({ routineId, title, kind }: WeekSession) =>
    title ?? routines.find(({ routine }) => routine.id === routineId)?.routine.name ?? kind ?? "session";
  const write = async (next: StandardWeek, label: string) => {
    const done = await commit([put("standardWeeks", next, week)], label);
    if (done) onChanged(next);
    return done;
  };
  const vary = (variant: "easy" | "hard") => {
    const { revision: _revision, changed: _changed, ...kept } = week;
    const next: StandardWeek = { ...kept, id: newId(), name: `${week.name}, ${variant}`, variantOf: week.id, variant };
    void commit([put("standardWeeks", next)], `Standard week ${next.name}`);
  };
  const add = async () => {
    const { weekday, routineId, optional } = adding!;
    const session: WeekSession = { routineId, ...(optional ? { optional } : {}) };
    const sessions = [...(dayOf(weekday).sessions ?? []), session];
    if (await write(withDay(weekday, sessions), `${week.name}, ${nameOf(session)} on ${weekdayShort(weekday)}`))
      setAdding(null);
  };
  const all = (week.days ?? []).reduce((sum, { sessions }) => sum + (sessions ?? []).length, 0);
  return (
    <div>
      <div className="row">
        <h3>{week.name}</h3>
        <span className="quiet">
          {[counted(all, "session"), of === null ? "" : `stands in ${week.variant ?? "other"} weeks of ${of}`]
            .filter(Boolean)
            .join(" · ")}
        </span>
        {of === null &&
          (["easy", "hard"] as const)
            .filter((variant) => !variants.includes(variant))
            .map((variant) => (
              <LinkButton key={variant} onClick={() => vary(variant)}>
                Add {variant === "easy" ? "an easy" : "a hard"} variant<span className="hidden"> of {week.name}</span>
              </LinkButton>
            ))}
        <LinkButton onClick={() => void removeRecord("standardWeeks", week.id)}>
          Remove<span className="hidden"> {week.name}</span>
        </LinkButton>
      </div>
      <ul className={styles.days} aria-label={`Days of ${week.name}`}>
        {weekdays.map((weekday) => (
          <li key={weekday}>
            <span className={styles.weekday}>{weekdayShort(weekday)}</span>
            {(dayOf(weekday).sessions ?? []).length === 0 && <span className="quiet">rest</span>}
            {(dayOf(weekday).sessions ?? []).map((session, index) => (
              <span key={index} className={styles.session}>
                {nameOf(session)}
                <span className="quiet small">
                  {[session.time, session.optional ? "optional" : null].filter(Boolean).join(", ")}
                </span>
                <LinkButton
                  className="small"
                  aria-label={`take out ${nameOf(session)} on ${weekdayShort(weekday)}`}
                  onClick={() =>
                    void write(
                      withDay(
                        weekday,
                        (dayOf(weekday).sessions ?? []).filter((_, at) => at !== index),
                      ),
                      `${week.name}, ${nameOf(session)} taken out`,
                    )
                  }
                >
                  take out
                </LinkButton>
              </span>
            ))}
            {routines.length > 0 && adding?.weekday !== weekday && (
              <LinkButton
                className="small"
                aria-label={`Add to ${weekdayShort(weekday)}`}
                onClick={() => setAdding({ weekday, routineId: routines[0]!.routine.id, optional: false })}
              >
                add
              </LinkButton>
            )}
            {adding?.weekday === weekday && (
              <span className="row">
                <Captioned caption="Routine">
                  {(id) => (
                    <Select
                      id={id}
                      value={adding.routineId}
                      onChange={(routineId) => setAdding({ ...adding, routineId })}
                      options={routines.map(({ routine }) => ({ value: routine.id, label: routine.name }))}
                    />
                  )}
                </Captioned>
                <Tick checked={adding.optional} onChange={(optional) => setAdding({ ...adding, optional })}>
                  optional
                </Tick>
                <Button onClick={() => void add()}>Add</Button>
                <LinkButton onClick={() => setAdding(null)}>Cancel</LinkButton>
              </span>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
