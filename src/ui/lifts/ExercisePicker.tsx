"use client";

import { counted } from "@/core/base/units/number";
import { sameName } from "@/core/entry/names";
import type { Exercise } from "@/core/log/kinds/exercises";
import { put } from "@/core/log/records";
import { findExercises, namedExercise } from "@/core/strength/library";
import { aliasesOf } from "@/core/strength/usualNames";
import { useMemo, useState } from "react";
import { v7 as newId } from "uuid";
import { shortDate } from "../dates";
import { Finder } from "../kit/Finder";
import { useLog } from "../log/LogContext";
import { useFigure } from "../log/useFigure";

const own = "own:";
/** More than this are found by typing more. */
const listed = 40;

interface Props {
  value: string | null;
  onPick: (exercise: Exercise) => void;
  label: string;
  /** Has the focus, and is open, as soon as it is there. */
  opened?: boolean;
  placeholder?: string;
  except?: string | undefined;
}

/**
 * Chooses an exercise by typing parts of its name, a muscle or its equipment; those done lately come first. A name that
 * is not there becomes an exercise of one's own in the same step.
 */
export function ExercisePicker({
  value,
  onPick,
  label,
  opened = false,
  placeholder = "Type to search",
  except,
}: Props) {
  const { commit } = useLog();
  const [typed, setTyped] = useState("");
  const view = useFigure("exercises", { text: "", muscle: null, equipment: null, group: null });
  // Found here and at once, so that Enter never takes what stood there before the last letter.
  const rows = useMemo(() => new Map((view?.found ?? []).map((row) => [row.exercise.id, row])), [view]);
  const found = useMemo(
    () =>
      findExercises(
        [...rows.values()].flatMap(({ exercise }) => (exercise.id === except ? [] : [exercise])),
        { text: typed, muscle: null, equipment: null, group: null },
        (id) => rows.get(id)!,
      )
        .slice(0, listed)
        .map(({ id }) => rows.get(id)!),
    [except, rows, typed],
  );
  const chosenName = value === null ? undefined : view?.names[value];
  const named = typed.trim();
  const isNew =
    named !== "" &&
    view !== undefined &&
    ![...rows.values()].some(({ exercise }) =>
      [exercise.name, ...aliasesOf(exercise)].some((name) => sameName(name, named)),
    );
  const options = [
    ...found.map(({ exercise, lastDone, sessions }) => ({
      value: exercise.id,
      label: exercise.name,
      detail:
        lastDone === null
          ? [exercise.group, exercise.equipment].filter(Boolean).join(", ")
          : `${counted(sessions, "time")}, last ${shortDate(lastDone)}`,
    })),
    ...(isNew ? [{ value: own + named, label: `Add “${named}” as an exercise`, detail: "" }] : []),
    ...(value !== null && chosenName !== undefined && !found.some(({ exercise }) => exercise.id === value)
      ? [{ value, label: chosenName, detail: "" }]
      : []),
  ];
  const pick = (id: string) => {
    setTyped("");
    if (!id.startsWith(own)) {
      const held = found.find(({ exercise }) => exercise.id === id)?.exercise;
      if (held) onPick(held);
      return;
    }
    const exercise = namedExercise(newId(), id.slice(own.length));
    void commit([put("exercises", exercise)], `Exercise ${exercise.name}`).then((written) => {
      if (written) onPick(exercise);
    });
  };
  return (
    <Finder
      value={value}
      label={label}
      placeholder={placeholder}
      typed={typed}
      onType={setTyped}
      options={options}
      none="Nothing is called that."
      onChange={pick}
      opened={opened}
    />
  );
}
