"use client";

import { Dialog } from "../kit/Dialog";
import { RecordTable } from "../kit/RecordTable";
import { keyActions, useKeys } from "./keys";

/** Every key that does something, in one list. */
export function ShortcutList({ onClose }: { onClose: () => void }) {
  const { keys } = useKeys();
  return (
    <Dialog title="Keys" onClose={onClose}>
      <RecordTable
        label="Keys"
        rows={keyActions.filter(({ id }) => keys.get(id) !== null)}
        keyOf={({ id }) => id}
        columns={[
          { head: "Key", mute: true, cell: ({ id }) => <kbd>{keys.get(id)}</kbd> },
          { head: "What it does", mute: true, folded: "beside", cell: ({ what }) => what },
        ]}
      />
      <p className="quiet small above">They can be changed under Settings.</p>
    </Dialog>
  );
}
