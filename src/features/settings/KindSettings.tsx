"use client";

import { folded } from "@/core/base/text";
import { parseDecimal, printTyped } from "@/core/base/units/number";
import type { ActivityKind } from "@/core/log/kinds/activityKinds";
import { put } from "@/core/log/records";
import type { KindLine } from "@/core/sessions/kindsView";
import { markColours, markNames, markOf } from "@/core/sessions/marks";
import { Mark } from "@/ui/column/Mark";
import { KindMarks } from "@/ui/column/kindMarks";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Select } from "@/ui/kit/Select";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import view from "@/ui/view.module.css";
import { Button, Input } from "antd";
import { useRef, useState } from "react";
import { v7 as newId } from "uuid";

/** Kinds of activity: the mark, the colour and the category of each, chosen once for everything it is drawn in. */
export function KindSettings() {
  const { commit } = useLog();
  const kinds = useFigure("kinds", {})?.kinds ?? [];
  const [name, setName] = useState("");
  // A second choice comes before the table has seen the first: both are the same record's. What the table has seen, or seen
  // go again, begins anew.
  const begun = useRef({ kinds, ids: new Map<string, string>() });
  const write = (line: Pick<KindLine, "name" | "record">, change: Partial<ActivityKind>, what = "") => {
    if (begun.current.kinds !== kinds) begun.current = { kinds, ids: new Map() };
    const { ids } = begun.current;
    const id = ids.get(folded(line.name)) ?? newId();
    if (line.record === null) ids.set(folded(line.name), id);
    const kept: ActivityKind = line.record ?? { id, name: line.name };
    return commit(
      [put("kinds", { ...kept, ...change }, line.record ?? undefined)],
      `Kind of activity ${line.name}${what}`,
    );
  };
  const add = async () => {
    const wanted = name.trim().toLowerCase();
    if (await write({ name: wanted, record: null }, {})) setName("");
  };
  const isThere = kinds.some((one) => one.name.toLowerCase() === name.trim().toLowerCase());
  return (
    <section className={`${view.form} ${view.section} noprint`}>
      <h2>Kinds of activity</h2>
      <RecordTable<KindLine>
        label="Kinds of activity"
        rows={kinds}
        keyOf={({ name: one }) => one}
        columns={[
          {
            head: "Kind",
            cell: ({ name: one, record }) => (
              <span className="nowrap">
                <KindMarks value={new Map([[one.toLowerCase(), record ?? {}]])}>
                  <Mark kind={one} status="done" title={one} />
                  <Mark kind={one} status="planned" title={one} />
                </KindMarks>{" "}
                {one}
              </span>
            ),
          },
          { head: "Sessions", num: true, cell: ({ sessions }) => sessions },
          {
            head: "Mark",
            mute: true,
            cell: (line) => (
              <Select
                label={`Mark of ${line.name}`}
                value={markOf(line.name, line.record?.mark ?? null)}
                onChange={(mark) => void write(line, { mark }, `, ${mark}`)}
                options={markNames.map((value) => ({ value, label: value }))}
              />
            ),
          },
          {
            head: "Colour",
            mute: true,
            cell: (line) => (
              <Select<string>
                label={`Colour of ${line.name}`}
                value={line.record?.colour ?? "by standing"}
                onChange={(colour) =>
                  void write(line, { colour: colour === "by standing" ? null : colour }, `, ${colour}`)
                }
                options={["by standing", ...markColours].map((value) => ({ value, label: value }))}
              />
            ),
          },
          {
            head: "Category",
            mute: true,
            cell: (line) => (
              <KeptText
                key={line.record?.category ?? ""}
                label={`Category of ${line.name}`}
                placeholder="category"
                held={line.record?.category ?? ""}
                onKeep={(text) => void write(line, { category: text || null }, `, category ${text || "none"}`)}
              />
            ),
          },
          {
            head: "MET",
            mute: true,
            cell: (line) => (
              <KeptText
                key={metOf(line)}
                label={`MET of ${line.name}`}
                placeholder="MET"
                hint="What it costs as a multiple of resting, 1 to 25; empty: the table's"
                held={metOf(line)}
                isWrong={isNoMet}
                onKeep={(text) => void write(line, { met: parseDecimal(text) }, `, MET ${text || "the table's"}`)}
              />
            ),
          },
          {
            head: "Remove",
            mute: true,
            folded: "beside",
            cell: ({ record, name: one }) =>
              record !== null && (
                <LinkButton
                  className="small"
                  aria-label={`Remove what was chosen for ${one}`}
                  onClick={() =>
                    void commit([{ remove: { kind: "kinds", id: record.id } }], `What was chosen for ${one} removed`)
                  }
                >
                  Remove
                </LinkButton>
              ),
          },
        ]}
      />
      <p className="row above">
        <Captioned caption="Another kind">
          {(id) => (
            <Input
              id={id}
              placeholder="climbing"
              value={name}
              autoComplete="off"
              onChange={(event) => setName(event.target.value)}
            />
          )}
        </Captioned>
        <Button disabled={name.trim() === "" || isThere} onClick={() => void add()}>
          Add
        </Button>
      </p>
    </section>
  );
}

/** A text of a kind that is written when the field is left, unless it is wrong or stands there already. */
function KeptText({
  label,
  placeholder,
  hint,
  held,
  isWrong = () => false,
  onKeep,
}: {
  label: string;
  placeholder: string;
  hint?: string;
  held: string;
  isWrong?: (text: string) => boolean;
  onKeep: (text: string) => void;
}) {
  const [text, setText] = useState(held);
  const wrong = isWrong(text);
  const keep = () => {
    if (!wrong && text.trim() !== held) onKeep(text.trim());
  };
  return (
    <Input
      aria-label={label}
      placeholder={placeholder}
      title={hint}
      value={text}
      autoComplete="off"
      status={wrong ? "error" : undefined}
      aria-invalid={wrong}
      onChange={(event) => setText(event.target.value)}
      onBlur={keep}
      onPressEnter={keep}
    />
  );
}

const metOf = ({ record }: KindLine) => (record?.met == null ? "" : printTyped(record.met, 1));

/** Whether a text is no metabolic equivalent of an activity: nothing, or a number from 1 to 25. */
function isNoMet(text: string): boolean {
  const met = parseDecimal(text);
  return text.trim() !== "" && (met === null || met < 1 || met > 25);
}
