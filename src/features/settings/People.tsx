"use client";

import { counted } from "@/core/base/units/number";
import type { Person } from "@/core/log/kinds/people";
import { put } from "@/core/log/records";
import { Field, Row, RowButton } from "@/ui/inputs/Field";
import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Button } from "antd";
import { useState } from "react";
import { v7 as newId } from "uuid";

const personForm = lateForm(() => import("@/core/profile/forms").then((forms) => forms.personForm));

/** Who is in the log: others added, removed, or, where two are one, joined. A name is changed in the profile. */
export function People() {
  const { people, person, units, today, commit, choosePerson, compute } = useLog();
  const [asked, setAsked] = useState<{ what: "remove" | "join"; other: Person; records: number } | null>(null);
  const { control, handleSubmit, drop } = useTypedForm(
    personForm,
    { units, today, taken: people.map(({ name }) => name) },
    "person",
    { defaultValues: { name: "" } },
  );
  const add = handleSubmit(async ({ name }) => {
    const added: Person = {
      id: newId(),
      name,
      units: person.units ?? {},
      weekStart: person.weekStart ?? 1,
    };
    // Whose log is written in changes by the trainee's own choice alone.
    if (await commit([put("people", added)], `${added.name} added; you still write in the log of ${person.name}`))
      drop();
  });
  const ask = async (what: "remove" | "join", other: Person) => {
    const holdings = await compute.ask("personHoldings", { personId: other.id });
    setAsked({ what, other, records: (holdings ?? []).reduce((sum, { count }) => sum + count, 0) });
  };
  const act = async () => {
    const { what, other } = asked!;
    const change =
      what === "remove"
        ? await compute.ask("removedPerson", { personId: other.id })
        : await compute.ask("joinedPeople", { personId: person.id, goneId: other.id });
    setAsked(null);
    if (change !== null)
      await commit(change, what === "remove" ? `${other.name} removed` : `${other.name} joined to ${person.name}`);
  };
  const others = people.filter(({ id }) => id !== person.id);
  return (
    <section className={`${styles.form} ${styles.section}`}>
      <h2>People</h2>
      {others.length === 0 ? (
        <p className="quiet">
          The log is {person.name}&apos;s alone. Exercises, foods and recipes are shared by all who are added.
        </p>
      ) : (
        <ul className="bullets">
          {others.map((other) => (
            <li key={other.id}>
              {other.name} <LinkButton onClick={() => choosePerson(other.id)}>Look at this log</LinkButton>
              {" · "}
              <LinkButton onClick={() => void ask("join", other)}>
                {other.name} and {person.name} are one
              </LinkButton>
              {" · "}
              <LinkButton onClick={() => void ask("remove", other)}>Remove</LinkButton>
            </li>
          ))}
        </ul>
      )}
      <form onSubmit={(event) => void add(event)} noValidate aria-label="Add a person">
        <Row>
          <Field control={control} name="name" label="Add a person" />
          <RowButton>
            <Button htmlType="submit">Add</Button>
          </RowButton>
        </Row>
      </form>
      {asked !== null && (
        <Dialog
          title={
            asked.what === "remove" ? `Remove ${asked.other.name}` : `${asked.other.name} and ${person.name} are one`
          }
          onClose={() => setAsked(null)}
        >
          <p>
            {asked.what === "remove"
              ? `${counted(asked.records, "record")} of ${asked.other.name} go. Undo brings them back.`
              : `${counted(asked.records, "record")} of ${asked.other.name} become ${person.name}'s. Where both weighed in on a morning, ${asked.other.name}'s is kept as a second weigh-in; notes of one day stand together. Undo parts them again.`}
          </p>
          <p className="row above-l">
            <Button type="primary" onClick={() => void act()}>
              {asked.what === "remove" ? `Remove ${asked.other.name}` : "Join them"}
            </Button>
            <LinkButton onClick={() => setAsked(null)}>Leave it</LinkButton>
          </p>
        </Dialog>
      )}
      <p className="quiet small">An archive of one person alone is under Files.</p>
    </section>
  );
}
