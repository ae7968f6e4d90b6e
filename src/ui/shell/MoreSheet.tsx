"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";
import { useEffect, useRef } from "react";
import { Sheet } from "../kit/Sheet";
import { useLog } from "../log/LogContext";
import styles from "./shell.module.css";
import { report, settings, viewAt, views, wide } from "./views";
import { WhoseLog } from "./WhoseLog";

/** What has no room at the foot of a phone: the other views, and whose log it is. */
export function MoreSheet({ onClose }: { onClose: () => void }) {
  const { name } = useLog();
  const path = usePathname();
  const opened = useRef(path);
  useEffect(() => {
    if (path !== opened.current) onClose();
  }, [path, onClose]);
  const here = viewAt(path)?.path;
  return (
    <Sheet title="More" onClose={onClose}>
      <ul className={styles.more}>
        {[...views.filter(({ daily }) => !daily), wide, report, settings].map((view) => (
          <li key={view.path}>
            <Link
              href={view.path}
              aria-current={view.path === here ? "page" : undefined}
              onClick={view.path === path ? onClose : undefined}
            >
              {view.name}
            </Link>
          </li>
        ))}
      </ul>
      <p className={styles.whoseMore}>
        <WhoseLog />
        {name !== "own" && <span className={styles.demo}>{name} log</span>}
      </p>
    </Sheet>
  );
}
