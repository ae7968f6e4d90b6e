"use client";

import { put } from "@/core/log/records";
import type { SessionCard } from "@/core/training/sessionCard";
import { useLog } from "@/ui/log/LogContext";
import { Picture } from "@/ui/photo/Picture";
import { takenPhoto } from "@/ui/photo/takenPhoto";
import { useId, useState } from "react";
import styles from "./today.module.css";

/**
 * Pictures of a session, and the way to add one; a picture that is taken away is gone from the session and from the
 * log, in one undo.
 */
export function SessionPictures({ card: { session, photos, title } }: { card: SessionCard }) {
  const { person, commit } = useLog();
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  const take = async (file: File | undefined) => {
    if (file === undefined) return;
    setProblem(null);
    try {
      const { photo, stored } = await takenPhoto(file, person.id, session.date);
      await commit(
        [
          put("photos", photo),
          put("sessions", { ...session, photoIds: [...(session.photoIds ?? []), photo.id] }, session),
        ],
        `Picture of ${title}`,
        [stored],
      );
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const drop = (photoId: string) =>
    commit(
      [
        put("sessions", { ...session, photoIds: (session.photoIds ?? []).filter((one) => one !== photoId) }, session),
        { remove: { kind: "photos", id: photoId, date: session.date } },
      ],
      `Picture of ${title} removed`,
    );
  return (
    <div className={styles.pictures}>
      {photos.map((photo) => (
        <figure key={photo.id}>
          <Picture photo={photo} />
          <figcaption>
            <button type="button" className="link small noprint" onClick={() => void drop(photo.id)}>
              Remove picture
            </button>
          </figcaption>
        </figure>
      ))}
      <p className="small noprint">
        <label htmlFor={id} className="quiet">
          Add a picture{" "}
        </label>
        <input
          id={id}
          type="file"
          accept="image/*"
          onChange={(event) => {
            void take(event.target.files?.[0]);
            event.target.value = "";
          }}
        />
      </p>
      {problem !== null && (
        <p className="warn" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}
