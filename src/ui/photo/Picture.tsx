"use client";

import { fullDate } from "../dates";
import styles from "./photo.module.css";
import { usePhoto } from "./usePhoto";

/** One photograph, or a word where its picture is not in this browser. */
export function Picture({ photo: { file, date } }: { photo: { file: string; date: string } }) {
  return <StoredPicture file={file} of={fullDate(date)} alt={`Photograph of ${fullDate(date)}`} empty={styles.empty} />;
}

/** A picture that lies in this browser. @param empty stands for it while it is fetched, and where it is missing */
export function StoredPicture({
  file,
  of,
  alt,
  className,
  empty,
}: {
  file: string;
  /** What it is a picture of. */
  of: string;
  alt: string;
  className?: string | undefined;
  empty: string | undefined;
}) {
  const address = usePhoto(file);
  if (address === null) return <div className={empty} />;
  if (address === "missing") return <div className={empty}>The picture of {of} is not in this browser.</div>;
  // eslint-disable-next-line @next/next/no-img-element -- the picture lies in this browser; there is nothing for a server to optimise.
  return <img src={address} alt={alt} className={className} />;
}
