"use client";

import type { ReactNode } from "react";
import { LinkButton } from "./LinkButton";
import { type Held, late } from "./late";

/** Something that can be done, by name. */
export interface Action {
  name: string;
  act: () => void;
}

export interface ActionsProps {
  /** What they are done with. */
  label: string;
  actions: readonly Action[];
}

/** Actions that are seldom asked for, in a menu: `more`, which comes after the page stands. */
export const Actions = late<ActionsProps>(
  () => import("./ActionsMenu").then(({ ActionsMenu }) => ActionsMenu),
  function Holding({ label, onFocus, onBlur, onPress }: ActionsProps & Held) {
    return (
      <LinkButton aria-haspopup="menu" aria-busy="true" {...{ onFocus, onBlur }} onClick={onPress}>
        <More label={label} />
      </LinkButton>
    );
  },
);

export function More({ label }: { label: string }): ReactNode {
  return (
    <>
      More<span className="hidden"> to do with {label}</span>
    </>
  );
}
