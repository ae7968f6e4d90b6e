"use client";

import { LinkButton } from "../kit/LinkButton";
import { RowButton } from "./Field";

/** Leaves a form, and what was typed in it. */
export function Cancel({ drop, onClose }: { drop: () => void; onClose: () => void }) {
  return (
    <RowButton>
      <LinkButton
        onClick={() => {
          drop();
          onClose();
        }}
      >
        Cancel
      </LinkButton>
    </RowButton>
  );
}
