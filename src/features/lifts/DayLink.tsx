"use client";

import { shortDate } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import Link from "next/link";

/** A day that was trained on, which leads to it. */
export function DayLink({ date }: { date: string }) {
  const { chooseDay } = useLog();
  return (
    <Link href="/" className="nowrap" onClick={() => chooseDay(date)}>
      {shortDate(date)}
    </Link>
  );
}
