"use client";

import { printNumber } from "@/core/base/units/number";
import type { Target } from "@/core/energy/expenditure";
import { whereToWrite } from "@/core/energy/resting";
import type { FoodDay } from "@/core/nutrition/foodDay";
import { Figure } from "@/ui/figure/Figure";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";

/** What is left of a day's energy, with what is planned still to come; `protein` where its grams stand nowhere else. */
export function FoodLeft({ food, date, protein = false }: { food: FoodDay; date: string; protein?: boolean }) {
  const { today } = useLog();
  const printer = usePrinter();
  const of = { figure: { figure: "foodLeft" as const, date }, on: date < today ? date : today };
  const { target, remainingKcal: left } = food;
  if ("reason" in target)
    return (
      <Figure label="Left to eat" {...of} missing={`No target: ${target.reason}. ${whereToWrite(target.reason)}`} />
    );
  if (left === null)
    return (
      <Figure
        label="Left to eat"
        {...of}
        missing={`Not known: ${food.unknownWhy}. At least ${printer.energy(food.eaten.kcal)} of ${printer.energy(target.kcal)} is eaten.`}
      />
    );
  const after = left - food.planned.kcal;
  const notes = [
    `${target.kind} day ${printer.energyNumber(target.kcal)}`,
    ...(protein ? proteinNote(food, target) : []),
    ...(food.planned.kcal > 0
      ? [`${printer.energyNumber(Math.abs(after))} ${after < 0 ? "over" : "left"} with what is planned`]
      : []),
  ];
  return (
    <Figure
      label={left < 0 ? "Over the day's target" : "Left to eat"}
      value={printer.energyNumber(Math.abs(left))}
      unit={printer.units.energy}
      {...of}
      note={notes.join(" · ")}
    />
  );
}

function proteinNote({ eaten }: FoodDay, { asked: { protein } }: Exclude<Target, { reason: string }>): string[] {
  if (protein === null || "reason" in protein) return [];
  const toGo = protein.grams - eaten.protein;
  return [`protein ${toGo <= 0 ? "reached" : `${printNumber(toGo, 0)} g to go`}`];
}
