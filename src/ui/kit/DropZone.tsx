"use client";

import { Upload } from "antd";
import type { FilePickerProps } from "./FilePicker";
import styles from "./kit.module.css";

/** The zone itself, which comes after the page stands. */
export function DropZone({ label, accept, onFiles, disabled = false, children }: FilePickerProps) {
  return (
    <Upload.Dragger
      aria-label={label}
      accept={accept}
      disabled={disabled}
      showUploadList={false}
      className={styles.zone ?? ""}
      beforeUpload={(file, all) => {
        // Asked once for each file: all of them are handed on with the first.
        if (file === all[0]) onFiles(all);
        return false;
      }}
    >
      {children}
    </Upload.Dragger>
  );
}
