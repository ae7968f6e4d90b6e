"use client";

import { Dialog } from "@/ui/kit/Dialog";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { BlockForm } from "@/ui/planning/BlockForm";

/** A new block, after those that there are. */
export function NewBlock({ close }: { close: () => void }) {
  const blocks = useFigure("blocks", { atMost: 1 });
  return blocks && <BlockForm block={null} next={blocks.next} close={close} />;
}

/** A new block over the weeks that were drawn. */
export function DrawnBlock({ from, days, close }: { from: string; days: number; close: () => void }) {
  const { person } = useLog();
  return (
    <Dialog title="A block over these weeks" onClose={close}>
      <BlockForm
        block={null}
        like={{ id: `drawn ${from}`, personId: person.id, name: "", startDate: from, days }}
        next={from}
        close={close}
      />
    </Dialog>
  );
}
