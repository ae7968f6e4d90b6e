"use client";

import { PartsHead } from "@/ui/PartsHead";
import type { ReactNode } from "react";

const parts = [
  { path: "/plan", name: "Weeks" },
  { path: "/plan/next", name: "Next week" },
  { path: "/plan/routines", name: "Routines" },
  { path: "/plan/cycles", name: "Cycles" },
  { path: "/plan/outside", name: "In and out" },
];

/** The head of every part of Plan, with the way to the others; `children` stand at its right. */
export function PlanHead({ children }: { children?: ReactNode }) {
  return (
    <PartsHead title="Plan" parts={parts}>
      {children}
    </PartsHead>
  );
}
