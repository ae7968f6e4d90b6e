"use client";

import { Drawer } from "antd";
import { useState } from "react";
import type { DialogProps } from "./Dialog";
import styles from "./kit.module.css";

/** The sheet itself, which comes after the page stands. */
export function SheetPanel({ title, onClose, children }: DialogProps) {
  const [open, setOpen] = useState(true);
  return (
    <Drawer
      open={open}
      placement="bottom"
      size="auto"
      title={<h2 className={styles.title}>{title}</h2>}
      onClose={() => setOpen(false)}
      afterOpenChange={(isOpen) => {
        if (!isOpen) onClose();
      }}
      closeIcon="Close"
      closable={{ placement: "end" }}
      rootClassName={styles.sheet ?? ""}
    >
      {children}
    </Drawer>
  );
}
