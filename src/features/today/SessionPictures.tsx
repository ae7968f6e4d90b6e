"use client";

import { put } from "@/core/log/records";
import type { SessionCard } from "@/core/training/sessionCard";
import { FilePicker } from "@/ui/kit/FilePicker";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { Picture } from "@/ui/photo/Picture";
import { takenPhoto } from "@/ui/photo/takenPhoto";
import { useState } from "react";
import styles from "./today.module.css";

/**
 * Pictures of a session, and the way to add one; a picture that is taken away is gone from the session and from the
 * log, in one undo.
 */
export function SessionPictures({ card: { session, photos, title } }: { card: SessionCard }) {
  const { person, commit } = useLog();
  const [problem, setProblem] = useState<string | null>(null);
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
            <LinkButton className="small noprint" onClick={() => void drop(photo.id)}>
              Remove picture
            </LinkButton>
          </figcaption>
        </figure>
      ))}
      <div className="small noprint">
        <FilePicker label="Add a picture" accept="image/*" onFiles={([file]) => void take(file)}>
          Add a picture: drop it here, or choose it
        </FilePicker>
      </div>
      {problem !== null && (
        <p className="warn" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}
