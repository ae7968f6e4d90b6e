"use client";

import { entryDayOf } from "@/core/base/calendar/day";
import type { DayPhoto } from "@/core/body/photosView";
import { put } from "@/core/log/records";
import { fullDate } from "@/ui/dates";
import { Captioned } from "@/ui/kit/Captioned";
import { DateField } from "@/ui/kit/DateField";
import { FilePicker } from "@/ui/kit/FilePicker";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Select } from "@/ui/kit/Select";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import pictures from "@/ui/photo/photo.module.css";
import { Picture } from "@/ui/photo/Picture";
import { takenPhoto } from "@/ui/photo/takenPhoto";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { useState } from "react";

/** Photographs of days: added, and any two of them side by side. */
export function Photographs() {
  const photos = useFigure("photos", {});
  const { person, day, today, commit } = useLog();
  const [problem, setProblem] = useState<string | null>(null);
  const [chosen, setChosen] = useState<{ left: string | null; right: string | null }>({ left: null, right: null });
  const [date, setDate] = useState<string | null>(null);
  if (photos === undefined) return null;
  const on = date ?? (day < today ? day : today);
  const left = photos.find((photo) => photo.id === chosen.left) ?? photos[0];
  const right = photos.find((photo) => photo.id === chosen.right) ?? photos.at(-1);
  const take = async (file: File | undefined) => {
    if (file === undefined) return;
    if (entryDayOf(on) === null) return setProblem("The day of the photograph is missing. It was not taken.");
    setProblem(null);
    try {
      const { photo, stored } = await takenPhoto(file, person.id, on);
      await commit([put("photos", photo)], `Photograph of ${fullDate(on)}`, [stored]);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <section className={view.section}>
      <h2>Photographs</h2>
      {left && right && (
        <div className={pictures.pair}>
          {(
            [
              ["left", left],
              ["right", right],
            ] as const
          ).map(([side, photo]) => (
            <Side
              key={side}
              photo={photo}
              photos={photos}
              side={side}
              onChoose={(to) => setChosen({ ...chosen, [side]: to })}
            />
          ))}
        </div>
      )}
      <p className="noprint row above">
        <Captioned caption="Add one of">
          {(id) => <DateField id={id} value={on} max={today} onChange={(next) => setDate(next || null)} />}
        </Captioned>
        <FilePicker label="Photograph" accept="image/*" onFiles={([file]) => void take(file)}>
          Drop a photograph here, or choose one
        </FilePicker>
        <span className="quiet small">
          Kept in this browser, at most 1600 pixels wide or high; where and when it was taken is not kept with it.
        </span>
      </p>
      {problem !== null && (
        <p className="warn" role="alert">
          {problem}
        </p>
      )}
    </section>
  );
}

function Side({
  photo,
  photos,
  side,
  onChoose,
}: {
  photo: DayPhoto;
  photos: DayPhoto[];
  side: string;
  onChoose: (id: string) => void;
}) {
  const printer = usePrinter();
  const { commit } = useLog();
  return (
    <figure className={pictures.photo}>
      <Picture photo={photo} />
      <figcaption>
        <Select
          label={`Photograph on the ${side}`}
          className="noprint"
          value={photo.id}
          onChange={onChoose}
          options={photos.map(({ id, date }, index) => ({
            value: id,
            label: `${fullDate(date)}${photos[index - 1]?.date === date ? ", another" : ""}`,
          }))}
        />{" "}
        {photo.kg === null ? "" : `trend ${printer.mass(photo.kg)} `}
        <LinkButton
          className="small noprint"
          onClick={() =>
            void commit(
              [{ remove: { kind: "photos", id: photo.id, date: photo.date } }],
              `Photograph of ${fullDate(photo.date)} removed`,
            )
          }
        >
          Remove
        </LinkButton>
      </figcaption>
    </figure>
  );
}
