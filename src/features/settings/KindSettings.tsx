"use client";

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
import { useState } from "react";
import { v7 as newId } from "uuid";

/** Kinds of activity: the mark, the colour and the category of each, chosen once for everything it is drawn in. */
export function KindSettings() {
  const { commit } = useLog();
  const kinds = useFigure("kinds", {})?.kinds ?? [];
  const [name, setName] = useState("");
  const write = (line: Pick<KindLine, "name" | "record">, change: Partial<ActivityKind>) => {
    const record: ActivityKind = { ...(line.record ?? { id: newId(), name: line.name }), ...change };
    return commit([put("kinds", record, line.record ?? undefined)], `Kind of activity ${line.name}`);
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
              <span className="row">
                <KindMarks value={new Map([[one.toLowerCase(), record ?? {}]])}>
                  <Mark kind={one} status="done" title={one} />
                  <Mark kind={one} status="planned" title={one} />
                </KindMarks>
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
                onChange={(mark) => void write(line, { mark })}
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
                onChange={(colour) => void write(line, { colour: colour === "by standing" ? null : colour })}
                options={["by standing", ...markColours].map((value) => ({ value, label: value }))}
              />
            ),
          },
          {
            head: "Category",
            mute: true,
            cell: (line) => <Category key={line.record?.category ?? ""} line={line} onSave={write} />,
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

function Category({
  line,
  onSave,
}: {
  line: KindLine;
  onSave: (line: KindLine, change: Partial<ActivityKind>) => Promise<boolean>;
}) {
  const [text, setText] = useState(line.record?.category ?? "");
  const keep = () => {
    if (text.trim() !== (line.record?.category ?? "")) void onSave(line, { category: text.trim() || null });
  };
  return (
    <Input
      aria-label={`Category of ${line.name}`}
      placeholder="category"
      value={text}
      autoComplete="off"
      onChange={(event) => setText(event.target.value)}
      onBlur={keep}
      onPressEnter={keep}
    />
  );
}
