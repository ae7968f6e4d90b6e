"use client";

import { isFarOff } from "@/core/body/weighIns";
import { usePrinter } from "@/ui/usePrinter";
import { useState } from "react";

/**
 * Questions a weight that is far from what the scale was expected to show: it is taken when it is given a second time.
 */
export function useOutlierCheck(expectedKg: number | null): {
  question: string | null;
  passes: (kg: number) => boolean;
} {
  const printer = usePrinter();
  const [asked, setAsked] = useState<number | null>(null);
  return {
    question:
      asked === null || expectedKg === null
        ? null
        : `${printer.mass(asked)} is far from the ${printer.mass(expectedKg)} expected. Log it again if it is right: it is kept, and left out of the trend as a gross error.`,
    passes: (kg) => {
      const passes = kg === asked || !isFarOff(kg, expectedKg);
      setAsked(passes ? null : kg);
      return passes;
    },
  };
}
