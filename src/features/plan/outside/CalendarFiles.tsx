"use client";

import { readCalendarFile, writeCalendarFile } from "@/compute/archives";
import { messageOf } from "@/core/base/messageOf";
import { counted } from "@/core/base/units/number";
import { download } from "@/ui/download";
import { Captioned } from "@/ui/kit/Captioned";
import { FilePicker } from "@/ui/kit/FilePicker";
import { Select } from "@/ui/kit/Select";
import { useLog } from "@/ui/log/LogContext";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import { useState } from "react";
import type { Asked } from "../ProposalDialog";

const alarms = [
  { value: "none", label: "no alarm" },
  { value: "15", label: "15 min before" },
  { value: "30", label: "30 min before" },
  { value: "60", label: "1 h before" },
  { value: "120", label: "2 h before" },
];

/** Booked classes in from a calendar, planned sessions out to one. */
export function CalendarFiles({ onAsk }: { onAsk: (ask: Asked) => void }) {
  const { name, person, today } = useLog();
  const [said, setSaid] = useState<{ text: string; warn: boolean } | null>(null);
  const [alarm, setAlarm] = useState("30");
  const read = async (file: File) => {
    setSaid(null);
    try {
      const found = await readCalendarFile(await file.text(), today, Intl.DateTimeFormat().resolvedOptions().timeZone);
      if ("problem" in found) return setSaid({ text: `${found.problem} Nothing was changed.`, warn: true });
      if (found.left.length > 0)
        setSaid({
          text: `${counted(found.left.length, "event")} left out: ${found.left.map(({ title, why }) => `${title}, ${why}`).join("; ")}.`,
          warn: true,
        });
      if (found.events.length === 0) return setSaid({ text: "It holds nothing from today on.", warn: true });
      onAsk({ of: "calendar", events: found.events });
    } catch (error) {
      setSaid({ text: messageOf(error), warn: true });
    }
  };
  const write = async () => {
    try {
      const text = await writeCalendarFile(name, new Date().toISOString(), {
        personId: person.id,
        today,
        alarmMinutes: alarm === "none" ? null : Number(alarm),
      });
      download(`oat-column-plan-${today}.ics`, text, "text/calendar");
      setSaid({ text: "The calendar was handed to the browser.", warn: false });
    } catch (error) {
      setSaid({ text: messageOf(error), warn: true });
    }
  };
  return (
    <section className={view.section}>
      <h2>Calendars</h2>
      <p className="quiet">
        iCalendar files. Classes come in as booked sessions on their days, and change when the same file comes again;
        what is planned goes out with its minutes.
      </p>
      <FilePicker
        label="An iCalendar file of booked classes"
        accept=".ics,.ical"
        onFiles={([file]) => file && void read(file)}
      >
        Choose an iCalendar file (.ics) of booked classes, or drop it here
      </FilePicker>
      <p className="row above">
        <Captioned caption="What is planned, with">
          {(id) => <Select id={id} value={alarm} onChange={setAlarm} options={alarms} />}
        </Captioned>
        <Button onClick={() => void write()}>Export calendar</Button>
      </p>
      <p role="status" className={said?.warn ? "warn" : "quiet"}>
        {said?.text}
      </p>
    </section>
  );
}
