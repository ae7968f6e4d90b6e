"use client";

import { PartsHead } from "@/ui/PartsHead";
import type { ReactNode } from "react";

const parts = [
  { path: "/lifts", name: "Maximum" },
  { path: "/lifts/work", name: "Work" },
  { path: "/lifts/records", name: "Records" },
  { path: "/lifts/exercises", name: "Exercises" },
  { path: "/lifts/write", name: "Write sets" },
];

/** The head of every part of Lifts, with the way to the others; `children` stand at its right. */
export function LiftsHead({ children }: { children?: ReactNode }) {
  return (
    <PartsHead title="Lifts" parts={parts}>
      {children}
    </PartsHead>
  );
}
