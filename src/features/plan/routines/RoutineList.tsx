"use client";

import { plansOtherwise } from "@/core/planning/follow";
import { counted } from "@/core/base/units/number";
import type { Routine } from "@/core/log/kinds/routines";
import type { RoutineChange, RoutinesView } from "@/core/planning/routines";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useRemove } from "@/ui/log/useRemove";
import view_ from "@/ui/view.module.css";
import { useState } from "react";
import { lengths } from "../lengthText";
import { RoutineForm } from "./RoutineForm";

type Row = RoutinesView["routines"][number];

/** What there is time for: up to half an hour, three quarters, an hour. */
function lengthOf({ minutes }: Routine): string {
  if (minutes == null) return "not said";
  const most = lengths.find((length) => minutes <= length);
  return most === undefined ? "more than 60 min" : `up to ${most} min`;
}

/** Every routine, found by its kind, its length and who leads it. */
export function RoutineList({
  view: { routines },
  onFollow,
}: {
  view: RoutinesView;
  onFollow: (change: RoutineChange) => void;
}) {
  const removeRecord = useRemove();
  const [edited, setEdited] = useState<string | null>(null);
  const close = () => setEdited(null);
  return (
    <section className={view_.section}>
      <h2>Routines</h2>
      {routines.length === 0 && (
        <p className="quiet">
          A routine is a session without a day, to be planned again and again. A session of the plan or of the log is
          kept as one from its day in Weeks.
        </p>
      )}
      {routines.length > 0 && (
        <RecordTable<Row>
          label="Routines"
          keep="routines"
          rows={routines}
          keyOf={({ routine }) => routine.id}
          columns={[
            {
              head: "Routine",
              cell: ({ routine }) => routine.name,
              compare: (a, b) => a.routine.name.localeCompare(b.routine.name),
            },
            {
              head: "Kind",
              bare: true,
              cell: ({ routine }) => routine.kind ?? "",
              kind: ({ routine }) => routine.kind ?? "",
            },
            {
              head: "Minutes",
              num: true,
              cell: ({ routine }) => routine.minutes ?? "",
              compare: (a, b) => (a.routine.minutes ?? 0) - (b.routine.minutes ?? 0),
              kind: ({ routine }) => lengthOf(routine),
            },
            {
              head: "Led by",
              bare: true,
              cell: ({ routine }) => routine.instructor ?? "",
              kind: ({ routine }) => routine.instructor ?? "",
            },
            { head: "What", bare: true, cell: ({ text }) => <span className="small">{text}</span> },
            {
              head: "Change",
              mute: true,
              num: true,
              folded: "beside",
              cell: ({ routine }) => (
                <LinkButton aria-label={`Change ${routine.name}`} onClick={() => setEdited(routine.id)}>
                  Change
                </LinkButton>
              ),
            },
          ]}
        />
      )}
      {edited === null ? (
        <p className="noprint above">
          <LinkButton onClick={() => setEdited("new")}>Write a routine</LinkButton>
        </p>
      ) : (
        <RoutineForm
          key={edited}
          row={routines.find(({ routine }) => routine.id === edited) ?? null}
          close={close}
          onSaved={(routine, before, followers) => {
            if (followers > 0 && before !== null && plansOtherwise(before, routine)) onFollow({ routine, before });
          }}
          onRemove={(routine) => void removeRecord("routines", routine.id).then((done) => done && close())}
        />
      )}
      {routines.some(({ followers }) => followers > 0) && (
        <p className="quiet small">
          {counted(
            routines.reduce((sum, { followers }) => sum + followers, 0),
            "planned session",
          )}{" "}
          are made of routines; when one changes, you are asked whether they follow.
        </p>
      )}
    </section>
  );
}
