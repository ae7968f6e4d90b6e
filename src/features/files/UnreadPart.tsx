"use client";

import { mendedLog, writeUnreadFile } from "@/compute/archives";
import { printNumber } from "@/core/base/units/number";
import { download } from "@/ui/download";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { unreadText } from "@/ui/log/told";
import styles from "@/ui/view.module.css";
import { useHandOut } from "./useHandOut";

/** What of the stored log cannot be read, and what can be done about it. */
export function UnreadPart({ count }: { count: number }) {
  const { name, today, replace } = useLog();
  const handing = useHandOut();
  const save = () =>
    handing.out(async () =>
      download(`oat-column-unread-${today}.json`, await writeUnreadFile(name), "application/json"),
    );
  const repair = () =>
    handing.out(async () => {
      const { laidOut, brought, out } = await mendedLog(name);
      const from =
        brought === 0
          ? "nothing of it was in the second copy"
          : `${printNumber(brought, 0)} ${brought === 1 ? "record" : "records"} brought back from the second copy`;
      await replace(laidOut, `What could not be read taken out (${printNumber(out, 0)}), ${from}`);
    });
  return (
    <div className="warn">
      <p>{unreadText(count)}</p>
      <p className={styles.ways}>
        <LinkButton disabled={handing.busy} onClick={() => void save()}>
          Save what cannot be read
        </LinkButton>
        <LinkButton disabled={handing.busy} onClick={() => void repair()}>
          Repair from the second copy
        </LinkButton>
      </p>
      <p className="quiet small">
        A repair puts in what the second copy has of it and takes out what cannot be read; undo takes it back.
      </p>
      {handing.problem && <p role="alert">{handing.problem}</p>}
    </div>
  );
}
