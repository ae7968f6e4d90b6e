"use client";

import { printDuration } from "@/core/base/units/time";
import type { Person } from "@/core/log/kinds/people";
import { Segmented } from "@/ui/kit/Segmented";
import { useLog } from "@/ui/log/LogContext";
import { trainingAt } from "@/ui/shell/views";
import { useRouter } from "next/navigation";
import styles from "./train.module.css";
import { useRest } from "./useRest";
import { useRemembered } from "./useTraining";

/**
 * Where several people are in the log: who trains, and one press to another of them. The rest of each runs on; each comes
 * back to the set that was in front, on the day `date`.
 */
export function WhoTrains({ date }: { date: string | null }) {
  const { people, person, choosePerson, today } = useLog();
  const router = useRouter();
  if (people.length === 1) return null;
  return (
    <div className={styles.who}>
      <Segmented
        label="Who trains"
        block
        value={person.id}
        onChange={(id) => {
          choosePerson(id);
          router.replace(trainingAt(date ?? today));
        }}
        options={people.map((one) => ({
          value: one.id,
          label: one.name,
          shown: <Trainee person={one} date={date ?? today} inFront={one.id === person.id} />,
        }))}
      />
    </div>
  );
}

function Trainee({ person, date, inFront }: { person: Person; date: string; inFront: boolean }) {
  const { name } = useLog();
  const held = useRemembered(name, person.id);
  // Of whom is in front the rest stands large below.
  const trains = !inFront && held?.date === date;
  const left = useRest(trains ? (held.rest?.until ?? null) : null);
  return (
    <span className={styles.trainee} data-hint={person.name}>
      <span>{person.name}</span>
      {trains && (
        <>
          {" "}
          <span className="quiet">{left !== null && left > 0 ? `rest ${printDuration(left)}` : "ready"}</span>
          <span className="hidden" role="status">
            {left === 0 ? `The rest of ${person.name} is over` : ""}
          </span>
        </>
      )}
    </span>
  );
}
