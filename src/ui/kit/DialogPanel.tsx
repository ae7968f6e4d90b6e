"use client";

import { Modal } from "antd";
import { useState } from "react";
import type { DialogProps } from "./Dialog";
import styles from "./kit.module.css";

/** The panel itself, which comes after the page stands. */
export function DialogPanel({ title, onClose, children }: DialogProps) {
  // Closed while it still stands in the page, so that it leaves nothing of it locked.
  const [open, setOpen] = useState(true);
  return (
    <Modal
      open={open}
      title={<h2 className={styles.title}>{title}</h2>}
      onCancel={() => setOpen(false)}
      afterClose={onClose}
      closeIcon="Close"
      footer={null}
      width={620}
      className={styles.dialog}
    >
      {children}
    </Modal>
  );
}
