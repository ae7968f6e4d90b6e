"use client";

import { DatePicker } from "antd";
import enGB from "antd/es/date-picker/locale/en_GB";
import dayjs from "dayjs";
import english from "dayjs/locale/en-gb";
import { use, useState } from "react";
import styles from "./kit.module.css";
import { WeekStart } from "./weekStart";

const iso = "YYYY-MM-DD";

/** The calendar's own words for each day a week may begin on; its buttons are named by what they show. */
const locales = Array.from({ length: 7 }, (_, day) => {
  const name = `week${day}`;
  dayjs.locale({ ...english, name, weekStart: day }, undefined, true);
  return { ...enGB, lang: { ...enGB.lang, locale: name, monthSelect: "", yearSelect: "" } };
});

export interface CalendarPanelProps {
  date: string;
  max?: string | undefined;
  min?: string | undefined;
  onChoose: (date: string) => void;
}

/** The month around a date, under the field that stands around it; the field keeps the focus and moves the date. */
export function CalendarPanel({ date, max, min, onChoose }: CalendarPanelProps) {
  const weekStart = use(WeekStart);
  // Months are turned by pointer without moving the date; a key that moves the date turns back to it.
  const [turned, setTurned] = useState<{ from: string; month: string } | null>(null);
  const shown = turned?.from === date ? turned.month : date;
  return (
    <DatePicker
      open
      value={dayjs(date)}
      pickerValue={dayjs(shown)}
      onPickerValueChange={(month) => setTurned({ from: date, month: month.format(iso) })}
      onChange={(chosen) => {
        if (chosen !== null) onChoose(chosen.format(iso));
      }}
      disabledDate={(one) => {
        const day = one.format(iso);
        return (max !== undefined && day > max) || (min !== undefined && day < min);
      }}
      locale={locales[weekStart % 7]!}
      needConfirm={false}
      showNow={false}
      allowClear={false}
      inputReadOnly
      tabIndex={-1}
      aria-hidden
      className={styles.panelAnchor ?? ""}
      panelRender={(panel) => <div onMouseDown={(event) => event.preventDefault()}>{panel}</div>}
    />
  );
}
