"use client";

import { useMemo } from "react";
import { Printer } from "@/core/base/units/printer";
import { useLog } from "./log/LogContext";

/** Prints quantities in the units of the trainee in front. */
export function usePrinter(): Printer {
  const { units } = useLog();
  return useMemo(() => new Printer(units), [units]);
}
