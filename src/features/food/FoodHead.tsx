"use client";

import { PartsHead } from "@/ui/PartsHead";
import type { ReactNode } from "react";

const parts = [
  { path: "/food", name: "Day" },
  { path: "/food/week", name: "Week" },
  { path: "/food/foods", name: "Foods" },
  { path: "/food/recipes", name: "Recipes" },
];

/** The head of every part of Food, with the way to the others; `children` stand at its right. */
export function FoodHead({ title = "Food", children }: { title?: string; children?: ReactNode }) {
  return (
    <PartsHead title={title} parts={parts}>
      {children}
    </PartsHead>
  );
}
