"use client";

import { Select } from "../kit/Select";
import { useLog } from "../log/LogContext";

/** Whose log is looked at, and in a household the choice of it. */
export function WhoseLog() {
  const { people, person, choosePerson } = useLog();
  if (people.length === 1) return <span>{person.name}</span>;
  return (
    <Select
      label="Whose log"
      plain
      value={person.id}
      onChange={choosePerson}
      options={people.map(({ id, name }) => ({ value: id, label: name }))}
    />
  );
}
