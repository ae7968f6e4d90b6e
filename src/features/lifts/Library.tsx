"use client";

import { counted } from "@/core/base/units/number";
import type { Exercise } from "@/core/log/kinds/exercises";
import { put } from "@/core/log/records";
import { inAnatomicalOrder } from "@/core/strength/library";
import type { ExercisesView } from "@/core/strength/libraryView";
import { starterExercisesIn } from "@/core/strength/starterExercises";
import { useAddress } from "@/ui/address";
import { shortDate } from "@/ui/dates";
import { Captioned } from "@/ui/kit/Captioned";
import { by } from "@/ui/kit/column";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Select } from "@/ui/kit/Select";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import view from "@/ui/view.module.css";
import { Input } from "antd";
import { Suspense, useDeferredValue, useState } from "react";
import { ExerciseEditor } from "./ExerciseEditor";
import styles from "./lifts.module.css";
import { LiftsHead } from "./LiftsNav";
import { MergeExercise } from "./MergeExercise";

/** Every exercise of the household: found by typing, narrowed by muscle, equipment and group, changed in one place. */
export function Library() {
  return (
    <>
      <LiftsHead />
      <Suspense>
        <Exercises />
      </Suspense>
    </>
  );
}

function Exercises() {
  const { exercise: asked } = useAddress();
  const [chosenId, choose] = useState<string | "new" | null>(asked);
  const [typed, setTyped] = useState("");
  const [narrow, setNarrow] = useState<{ muscle: string | null; equipment: string | null; group: string | null }>({
    muscle: null,
    equipment: null,
    group: null,
  });
  const text = useDeferredValue(typed);
  const found = useFigure("exercises", { text, ...narrow });
  const library = useFigure("exercises", { text: "", muscle: null, equipment: null, group: null });
  if (found === undefined || library === undefined) return null;
  const chosen = library.found.find(({ exercise }) => exercise.id === chosenId)?.exercise;
  const select = (label: string, key: keyof typeof narrow, options: readonly string[]) => (
    <Captioned caption={label} over>
      {(id) => (
        <Select
          id={id}
          value={narrow[key] ?? ""}
          onChange={(chosen) => setNarrow({ ...narrow, [key]: chosen || null })}
          options={[{ value: "", label: "any" }, ...options.map((option) => ({ value: option, label: option }))]}
        />
      )}
    </Captioned>
  );
  return (
    <div className={view.two}>
      <section className={view.section}>
        <div className={`${styles.filters} noprint`}>
          <Captioned caption="Search" over>
            {(id) => (
              <Input
                id={id}
                type="search"
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
                placeholder="name, muscle, equipment"
              />
            )}
          </Captioned>
          {select("Muscle", "muscle", library.muscles)}
          {select("Equipment", "equipment", library.equipment)}
          {select("Group", "group", library.groups)}
        </div>
        <p className="quiet small" aria-live="polite">
          {found.found.length} of {found.inAll} exercises, those done lately first.{" "}
          <LinkButton onClick={() => choose("new")}>Add an exercise</LinkButton>
        </p>
        <List found={found} chosenId={chosenId} choose={choose} />
        <Shipped held={library} />
      </section>
      <section className={view.section}>
        {chosenId === "new" ? (
          <>
            <h2>An exercise of your own</h2>
            <ExerciseEditor key="new" exercise={null} library={library} onSaved={choose} />
          </>
        ) : chosen ? (
          <>
            <h2>{chosen.name}</h2>
            <Trains exercise={chosen} />
            <ExerciseEditor key={chosen.id} exercise={chosen} library={library} onSaved={choose} />
            <MergeExercise key={`merge ${chosen.id}`} exercise={chosen} onMerged={choose} />
          </>
        ) : (
          <p className="quiet above-l">Choose an exercise to see what it trains and to change it.</p>
        )}
      </section>
    </div>
  );
}

function List({
  found,
  chosenId,
  choose,
}: {
  found: ExercisesView;
  chosenId: string | null;
  choose: (id: string) => void;
}) {
  return (
    <div className={styles.list} role="group" aria-label="Exercises found" tabIndex={0}>
      <RecordTable
        label="Exercises found"
        keep="exercises"
        rows={found.found}
        keyOf={({ exercise }) => exercise.id}
        chosen={({ exercise }) => exercise.id === chosenId}
        columns={[
          {
            head: "Exercise",
            compare: by(({ exercise }) => exercise.name),
            cell: ({ exercise }) => (
              <>
                <LinkButton ink aria-pressed={exercise.id === chosenId} onClick={() => choose(exercise.id)}>
                  {exercise.name}
                </LinkButton>
                <div className="quiet small">{(exercise.direct ?? []).join(", ")}</div>
              </>
            ),
          },
          { head: "Group", bare: true, tone: "quiet", cell: ({ exercise }) => exercise.group || "other" },
          { head: "Equipment", bare: true, tone: "quiet", cell: ({ exercise }) => exercise.equipment ?? "" },
          {
            head: "Last done",
            num: true,
            tone: "quiet",
            compare: by(({ lastDone }) => lastDone),
            cell: ({ lastDone }) => (lastDone === null ? "" : shortDate(lastDone)),
          },
          {
            head: "Times",
            num: true,
            tone: "quiet",
            folded: "beside",
            compare: by(({ sessions }) => sessions),
            cell: ({ sessions }) => sessions || "",
          },
        ]}
      />
    </div>
  );
}

/**
 * What an exercise trains: a full bar for a direct muscle, a half hatched one for an indirect one, as its sets count.
 */
function Trains({ exercise }: { exercise: Exercise }) {
  const direct = new Set(exercise.direct ?? []);
  const all = inAnatomicalOrder(new Set([...direct, ...(exercise.indirect ?? [])]));
  if (all.length === 0) return null;
  return (
    <div
      className={`${styles.scale} ${styles.trains}`}
      role="table"
      aria-label={`Muscles that ${exercise.name} trains, hard sets counted for a set`}
    >
      {all.map((muscle) => (
        <div key={muscle} role="row" className="contents">
          <span role="rowheader">{muscle}</span>
          <span role="presentation" className={styles.track}>
            <span className={direct.has(muscle) ? styles.all : styles.part} />
          </span>
          <span role="cell" className="num quiet">
            {direct.has(muscle) ? "1" : "½"}
          </span>
        </div>
      ))}
    </div>
  );
}

/** Offers what ships and is not in the log, for a log that was begun with fewer. */
function Shipped({ held }: { held: ExercisesView }) {
  const { commit, units } = useLog();
  const names = new Set(Object.values(held.names).map((name) => name.toLowerCase()));
  const missing = starterExercisesIn(units.mass).filter(
    ({ id, name }) => held.names[id] === undefined && !names.has(name.toLowerCase()),
  );
  if (missing.length === 0) return null;
  return (
    <p className="small quiet noprint above">
      {missing.length} movements that ship with Oat Column are not in this log.{" "}
      <LinkButton
        onClick={() =>
          void commit(
            missing.map((exercise) => put("exercises", exercise)),
            `${counted(missing.length, "exercise")}`,
          )
        }
      >
        Add them
      </LinkButton>
    </p>
  );
}
