"use client";

import { put } from "@/core/log/records";
import { profileFields, withProfile } from "@/core/profile/profile";
import { Field, Row, RowButton } from "@/ui/inputs/Field";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { useMode } from "@/ui/theme/ThemeProvider";
import styles from "@/ui/view.module.css";
import { lateForm } from "@/ui/inputs/lateForm";
import { Button } from "antd";
import { ProfileFieldset } from "../../ui/profile/ProfileFieldset";
import { KeySettings } from "./KeySettings";
import { KindSettings } from "./KindSettings";
import { MealSettings } from "./MealSettings";
import { People } from "./People";
import { PlateSettings } from "./PlateSettings";
import { Reminder } from "./Reminder";

const profileForm = lateForm(() => import("@/core/profile/forms").then((forms) => forms.profileForm));

/** What is set once, and the words that are the log's own. */
export function SettingsPage() {
  const { person } = useLog();
  return (
    <>
      <div className={styles.head}>
        <h1>Settings</h1>
      </div>
      <Profile key={person.id} />
      <People />
      <PlateSettings key={`plates ${person.id}`} />
      <MealSettings key={`meals ${person.id}`} />
      <KindSettings />
      <div className={styles.two}>
        <Reminder />
        <Browser />
      </div>
      <Words />
    </>
  );
}

const profileNames = {
  name: "Name",
  mass: "Weights in",
  distance: "Distances in",
  energy: "Energy in",
  heightCm: "Height",
  birthDate: "Birth date",
  sex: "Sex",
  weekStart: "The week's first day",
  e1rmFormula: "The formula of the maximum",
};

function Profile() {
  const { person, units, today, commit } = useLog();
  const { control, save, meanwhile } = useRecordForm(
    profileForm,
    { units, today },
    `profile ${person.id}`,
    profileFields(person),
    profileNames,
  );
  const onSubmit = save((values, changed) =>
    commit([put("people", withProfile(person, values, changed), person)], "Profile"),
  );
  return (
    <section className={`${styles.form} ${styles.section}`}>
      <h2>{person.name}: units, week, formula</h2>
      <form onSubmit={(event) => void onSubmit(event)} noValidate>
        <Row>
          <Field control={control} name="name" label="Name" />
        </Row>
        <ProfileFieldset control={control} />
        <Meanwhile said={meanwhile} />
        <Row>
          <RowButton>
            <Button htmlType="submit">Save profile</Button>
          </RowButton>
        </Row>
      </form>
    </section>
  );
}

/** What holds for this browser alone. */
function Browser() {
  const { mode, setMode } = useMode();
  return (
    <section className={styles.section}>
      <h2>This browser</h2>
      <p className="row">
        <LinkButton aria-pressed={mode === "light"} onClick={() => setMode("light")}>
          Light paper
        </LinkButton>
        <LinkButton aria-pressed={mode === "dark"} onClick={() => setMode("dark")}>
          Dark paper
        </LinkButton>
      </p>
      <KeySettings />
    </section>
  );
}

const words = [
  ["the Column", "the run of days at the left; opened wide it is the ledger"],
  ["the ledger", "a row a day, typed like a spreadsheet"],
  ["entry", "what you wrote down; all else is a figure"],
  ["figure, working", "what is computed, and the panel that shows how: press the figure"],
  ["trend", "the weight without the water of the day, with an interval that holds it four times in five"],
  ["plan line", "the straight line from the start weight to the goal, with its band"],
  ["in force", "of several goals, maxima or settings, the one that holds on a day: the latest begun by then"],
  ["e1RM", "estimated one-repetition maximum: what a set says of the most you could lift once"],
  ["RPE, RIR", "effort from 0 to 10; 10 less the repetitions left in reserve"],
] as const;

function Words() {
  return (
    <section className={styles.section}>
      <h2>Words</h2>
      <dl className="terms">
        {words.map(([word, means]) => [
          <dt key={word}>
            <strong>{word}</strong>
          </dt>,
          <dd key={means} className="flat">
            {means}
          </dd>,
        ])}
      </dl>
    </section>
  );
}
