import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { PlannedSum } from "@/core/planning/proposal";
import type { Column } from "@/ui/kit/column";

/** Work as it was done, of what was planned. */
interface Worked {
  planned: PlannedSum;
  done: PlannedSum;
}

/** The columns of lifts, load, minutes and distance: done of planned, each empty where there is neither. */
export function workColumns<R extends Worked>(
  printer: Printer,
): Record<"lifts" | "load" | "minutes" | "distance", Column<R>> {
  const column = (head: string, of: (sum: PlannedSum) => number, print: (value: number) => string): Column<R> => ({
    head,
    num: true,
    cell: ({ planned, done }) => {
      const [asked, was] = [of(planned), of(done)];
      return (
        (asked > 0 || was > 0) && (
          <>
            {was > 0 ? print(was) : "–"}
            {asked > 0 && <span className="planned"> of {print(asked)}</span>}
          </>
        )
      );
    },
  });
  const whole = (value: number) => printNumber(value, 0);
  return {
    lifts: column("Lifts", ({ numberOfLifts }) => numberOfLifts, whole),
    load: column(
      `Load, ${printer.units.mass}`,
      ({ volumeLoadKg }) => volumeLoadKg,
      (kg) => printer.volumeLoadNumber(kg),
    ),
    minutes: column("Minutes", ({ minutes }) => minutes, whole),
    distance: column(
      "Distance",
      ({ metres }) => metres,
      (metres) => printer.distance(metres),
    ),
  };
}
