"use client";

import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { BlockForm } from "@/ui/planning/BlockForm";

/** A new block, after those that there are. */
export function NewBlock({ close }: { close: () => void }) {
  const { today } = useLog();
  const blocks = useFigure("blocks", { atMost: 1 });
  return <BlockForm block={null} next={blocks?.next ?? today} close={close} />;
}
