"use client";

import { type DialogProps, useFocusBack } from "./Dialog";
import { late } from "./late";

const Panel = late<DialogProps>(
  () => import("./SheetPanel").then(({ SheetPanel }) => SheetPanel),
  () => null,
);

/** A panel that comes up from the foot of a phone's screen; it keeps the focus until it is closed. */
export function Sheet(props: DialogProps) {
  useFocusBack(Panel.fetch);
  return <Panel {...props} />;
}
