"use client";

import view from "@/ui/view.module.css";
import Link from "next/link";
import { usePathname } from "next/navigation";
import type { ReactNode } from "react";
import styles from "./lifts.module.css";

const parts = [
  { path: "/lifts", name: "Maximum" },
  { path: "/lifts/work", name: "Work" },
  { path: "/lifts/records", name: "Records" },
  { path: "/lifts/exercises", name: "Exercises" },
  { path: "/lifts/write", name: "Write sets" },
];

/** The head of every part of Lifts, with the way to the others; `children` stand at its right. */
export function LiftsHead({ children }: { children?: ReactNode }) {
  const path = usePathname();
  return (
    <div className={view.head}>
      <div className={view.title}>
        <h1>Lifts</h1>
        <nav aria-label="Parts of Lifts">
          <ul className={styles.nav}>
            {parts.map((part) => (
              <li key={part.path}>
                <Link href={part.path} aria-current={part.path === path ? "page" : undefined}>
                  {part.name}
                </Link>
              </li>
            ))}
          </ul>
        </nav>
      </div>
      {children}
    </div>
  );
}
