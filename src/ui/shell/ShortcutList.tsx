"use client";

import { Dialog } from "../kit/Dialog";
import { RecordTable } from "../kit/RecordTable";
import { views, wide } from "./views";

const others = [
  ["w", "write in the quick-entry line"],
  ["t", "go to today"],
  ["c", "go to the Column; arrows, page keys, Home and End move in it"],
  ["u or Ctrl Z", "undo"],
  ["r, Ctrl Y or Ctrl Shift Z", "do again"],
  ["?", "this list"],
] as const;

/** Every key, in one list. */
export function ShortcutList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys" onClose={onClose}>
      <RecordTable
        label="Keys"
        rows={[
          ...views.map(({ key, name }) => [key, name] as const),
          [wide.key, `${wide.name}: the Column opened wide`] as const,
          ...others,
        ]}
        keyOf={([key]) => key}
        columns={[
          { head: "Key", mute: true, cell: ([key]) => <kbd>{key}</kbd> },
          { head: "What it does", mute: true, folded: "beside", cell: ([, what]) => what },
        ]}
      />
    </Dialog>
  );
}
