"use client";

import { Printer } from "@/core/base/units/printer";
import { useMemo } from "react";
import { useLog } from "./log/LogContext";

/** Prints quantities in the units of the trainee in front. */
export function usePrinter(): Printer {
  const { units } = useLog();
  return useMemo(() => new Printer(units), [units]);
}
