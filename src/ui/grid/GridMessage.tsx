"use client";

import type { ReactNode } from "react";
import { LinkButton } from "../kit/LinkButton";
import { backsText, type useTypedGrid } from "./useTypedGrid";

/** What was said last of a grid, or how it is typed into; and the way back to what was not written. */
export function GridMessage<C>({
  grid: { message, backs, goBack },
  className = "",
  children,
}: {
  grid: Pick<ReturnType<typeof useTypedGrid<C>>, "message" | "backs" | "goBack">;
  className?: string | undefined;
  children: ReactNode;
}) {
  return (
    <p role="status" className={`${message?.warn || backs > 0 ? "warn" : "quiet"} ${className}`}>
      {message?.text ?? (backs === 0 ? children : null)}
      {backs > 0 && (
        <>
          {" "}
          {message === null && `${backsText(backs)}. `}
          <LinkButton data-hint="F8" aria-keyshortcuts="F8" onClick={goBack}>
            {message === null ? "Go to it" : `${backsText(backs)}: go to it`}
          </LinkButton>
        </>
      )}
    </p>
  );
}
