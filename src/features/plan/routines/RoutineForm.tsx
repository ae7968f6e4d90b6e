"use client";

import { metresPer } from "@/core/base/units/length";
import { printTyped } from "@/core/base/units/number";
import { printDuration } from "@/core/base/units/time";
import type { Routine } from "@/core/log/kinds/routines";
import { put } from "@/core/log/records";
import type { RoutinesView } from "@/core/planning/routines";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { v7 as newId } from "uuid";

const routineForm = lateForm(() => import("@/core/planning/forms").then((forms) => forms.routineForm));

/** A routine, its exercises a line each in the notation of a cycle's cells. */
export function RoutineForm({
  row,
  close,
  onSaved,
  onRemove,
}: {
  row: RoutinesView["routines"][number] | null;
  close: () => void;
  /** Told when it was saved, with how it stood before and how many planned sessions are made of it. */
  onSaved: (routine: Routine, before: Routine | null, followers: number) => void;
  onRemove: (routine: Routine) => void;
}) {
  const { person, units, today, compute, commit } = useLog();
  const routine = row?.routine ?? null;
  const planned = routine?.distance?.planned;
  const { control, save, setError, meanwhile, drop } = useRecordForm(
    routineForm,
    { units, today },
    `routine ${routine?.id ?? "new"}`,
    {
      name: routine?.name ?? "",
      kind: routine?.kind ?? "strength",
      minutes: routine?.minutes == null ? "" : printTyped(routine.minutes, 2),
      effort: routine?.effort == null ? "" : printTyped(routine.effort, 1),
      instructor: routine?.instructor ?? "",
      link: routine?.links?.[0] ?? "",
      note: routine?.note ?? "",
      items: row?.items ?? "",
      distance: planned?.metres == null ? "" : printTyped(planned.metres / metresPer(units.distance), 3),
      time: planned?.seconds == null ? "" : printDuration(planned.seconds),
      purpose: routine?.distance?.purpose ?? "",
    },
    {
      name: "Name",
      kind: "Kind",
      minutes: "Minutes",
      effort: "Effort",
      instructor: "Who leads it",
      link: "The link",
      note: "The note",
      items: "Exercises",
      distance: "Distance",
      time: "Time",
      purpose: "Purpose",
    },
  );
  const onSubmit = save(async (values, changed) => {
    const { items, distance, time, purpose, link, ...plain } = values;
    const isTouched = (field: keyof typeof values) => routine === null || changed.has(field);
    const covered = {
      ...routine?.distance?.planned,
      ...(isTouched("distance") ? { metres: distance } : {}),
      ...(isTouched("time") ? { seconds: time } : {}),
    };
    const others = Object.fromEntries(
      Object.entries(plain)
        .filter(([name]) => routine === null || changed.has(name as keyof typeof values))
        .map(([name, value]) => [name, value === "" ? null : value]),
    );
    const hasDistance = distance !== null || time !== null || purpose !== "";
    const base: Routine = {
      ...(routine ?? { id: newId() }),
      name: plain.name,
      ...others,
      ...(changed.has("link") ? { links: link === "" ? null : [link, ...(routine?.links ?? []).slice(1)] } : {}),
      ...(hasDistance || routine?.distance != null
        ? {
            distance: {
              ...routine?.distance,
              planned: covered.metres == null && covered.seconds == null ? null : covered,
              ...(isTouched("purpose") ? { purpose: purpose || null } : {}),
            },
          }
        : {}),
    };
    let written = base;
    if (changed.has("items")) {
      const typed = await compute.ask("routineTyped", { personId: person.id, today, routine: base, items });
      if (typed === null) return false;
      if ("why" in typed) {
        setError("items", { message: typed.why }, { shouldFocus: true });
        return false;
      }
      written = typed.routine;
    }
    const saved = await commit([put("routines", written, routine ?? undefined)], `Routine ${written.name}`);
    if (saved) {
      close();
      onSaved(written, routine, row?.followers ?? 0);
    }
    return saved;
  });
  return (
    <form
      onSubmit={(event) => void onSubmit(event)}
      noValidate
      aria-label={routine === null ? "A new routine" : `Change ${routine.name}`}
      className="above"
    >
      <Meanwhile said={meanwhile} />
      <Row>
        <Field control={control} name="name" label="Name" autoFocus />
        <Field control={control} name="kind" label="Kind" placeholder="strength, run, row" />
        <Field control={control} name="minutes" label="Minutes" inputMode="decimal" />
        <Field control={control} name="effort" label="Effort, 0 to 10" inputMode="decimal" />
        <Field control={control} name="distance" label="Distance" unit={units.distance} inputMode="decimal" />
        <Field control={control} name="time" label="In" placeholder="40:00" />
        <Field control={control} name="purpose" label="Purpose" placeholder="easy, interval" />
        <Field control={control} name="instructor" label="Led by" />
        <Field control={control} name="link" label="Link" />
      </Row>
      <Field
        control={control}
        name="items"
        label="Exercises, a line each"
        type="long"
        placeholder={"Back squat 4×5 75 % rest 3 min\nChin-up 3×8"}
        className={wide}
      />
      <Field control={control} name="note" label="Note" className={wide} />
      <Row>
        <FormEnd save="Save" drop={drop} onClose={close}>
          {routine !== null && (
            <RowButton>
              <LinkButton
                onClick={() => {
                  drop();
                  onRemove(routine);
                }}
              >
                Remove
              </LinkButton>
            </RowButton>
          )}
        </FormEnd>
      </Row>
    </form>
  );
}
