"use client";

import type { ReactNode } from "react";
import styles from "./kit.module.css";
import { late } from "./late";

export interface FilePickerProps {
  /** What is asked for, in words: the name of the field. */
  label: string;
  /** File name endings, with commas. */
  accept: string;
  onFiles: (files: File[]) => void;
  disabled?: boolean;
  /** What stands in the zone. */
  children: ReactNode;
}

/** Files, chosen or dropped onto it. Nothing is done with them but what `onFiles` does. */
export const FilePicker = late<FilePickerProps>(
  () => import("./DropZone").then(({ DropZone }) => DropZone),
  function Holding({ children }: FilePickerProps) {
    return (
      <div className={styles.held} aria-busy="true">
        {children}
      </div>
    );
  },
);
