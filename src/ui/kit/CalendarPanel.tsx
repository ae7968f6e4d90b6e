"use client";

import { DatePicker } from "antd";
import enGB from "antd/es/date-picker/locale/en_GB";
import dayjs from "dayjs";
import "dayjs/locale/en-gb";
import { useState } from "react";
import styles from "./kit.module.css";

const iso = "YYYY-MM-DD";

export interface CalendarPanelProps {
  date: string;
  max?: string | undefined;
  min?: string | undefined;
  onChoose: (date: string) => void;
}

/** The month around a date, under the field that stands around it; the field keeps the focus and moves the date. */
export function CalendarPanel({ date, max, min, onChoose }: CalendarPanelProps) {
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
      locale={enGB}
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
