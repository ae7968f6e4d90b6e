"use client";

import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { Button } from "antd";
import { useState } from "react";

/** Emptying the log asks first: what would go, and an archive of it before. */
export function EmptyLog({ holds, exportLog, busy }: { holds: string; exportLog: () => void; busy: boolean }) {
  const { replace, people } = useLog();
  const [asked, setAsked] = useState(false);
  const empty = async () => {
    const [{ emptyLog }, { layOut }] = await Promise.all([import("@/core/log/log"), import("@/store/pages")]);
    await replace(layOut(emptyLog()), "Log emptied");
  };
  return (
    <>
      <LinkButton onClick={() => setAsked(true)}>Empty the log…</LinkButton>
      {asked && (
        <Dialog title="Empty the log" onClose={() => setAsked(false)}>
          <p>
            Everything of {people.map(({ name }) => name).join(" and ")} goes: {holds}. Undo brings it back, also from
            the first page, as long as nothing else is taken back before it.
          </p>
          <p className="row above-l">
            <Button type="primary" disabled={busy} onClick={exportLog}>
              Export archive first
            </Button>
            <Button
              onClick={() => {
                setAsked(false);
                void empty();
              }}
            >
              Empty the log
            </Button>
            <LinkButton onClick={() => setAsked(false)}>Keep it</LinkButton>
          </p>
        </Dialog>
      )}
    </>
  );
}
