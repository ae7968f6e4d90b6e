"use client";

import type { ReactNode } from "react";

/** What may be wider than the screen, to be scrolled by finger or, once focused, by arrow keys. */
export function Scrollable({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="scrollable" role="group" aria-label={label} tabIndex={0}>
      {children}
    </div>
  );
}
