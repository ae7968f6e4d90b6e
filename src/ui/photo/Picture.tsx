"use client";

import { fullDate } from "../dates";
import styles from "./photo.module.css";
import { usePhoto } from "./usePhoto";

/** One photograph, or a word where its picture is not in this browser. */
export function Picture({ photo: { file, date } }: { photo: { file: string; date: string } }) {
  const address = usePhoto(file);
  if (address === null) return <div className={styles.empty} />;
  if (address === "missing")
    return <div className={styles.empty}>The picture of {fullDate(date)} is not in this browser.</div>;
  // eslint-disable-next-line @next/next/no-img-element -- the picture lies in this browser; there is nothing for a server to optimise.
  return <img src={address} alt={`Photograph of ${fullDate(date)}`} />;
}
