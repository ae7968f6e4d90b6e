import { counted } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { BodyPoint, BodyView } from "@/core/body/bodyView";
import { fullDate, longDate } from "@/ui/dates";

/** Notes of the days that a point stands for. */
export function marksOf({ points, marks }: BodyView, at: number) {
  const [from, to] = [points[at - 1]?.date ?? "", points[at]!.date];
  return marks.filter(({ date }) => date > from && date <= to);
}

export function pointReading(point: BodyPoint, printer: Printer): string {
  const number = (kg: number | null) => (kg === null ? "" : printer.massNumber(kg));
  const shown = point.trendKg ?? point.aheadKg;
  return [
    longDate(point.date),
    point.weighedKg === null
      ? null
      : `weigh-in ${number(point.weighedKg)}${point.gross ? ", kept out as a gross error" : ""}`,
    point.secondKg === null ? null : `second ${number(point.secondKg)}`,
    point.trendKg === null
      ? point.aheadKg === null
        ? null
        : `at this pace ${number(point.aheadKg)} (${number(point.aheadLow)} to ${number(point.aheadHigh)})`
      : `trend ${number(point.trendKg)} (${number(point.low80)} to ${number(point.high80)})${point.knownKg === null ? "" : `, known that day ${number(point.knownKg)}`}`,
    point.planKg === null
      ? null
      : `plan ${number(point.planKg)}${shown === null ? "" : `, ${printer.massChange(shown - point.planKg)} against it`}`,
    point.trendKg === null && point.catchUpKg !== null ? `to land on the day ${number(point.catchUpKg)}` : null,
    point.sessions === 0 ? null : point.sessions === 1 ? "trained" : `${counted(point.sessions, "day")} with training`,
  ]
    .filter(Boolean)
    .join(" · ");
}

export function chartSummary(view: BodyView, printer: Printer): string {
  const first = view.points.find(({ trendKg }) => trendKg !== null);
  const last = view.points.findLast(({ trendKg }) => trendKg !== null);
  return first && last
    ? `Body weight: trend from ${printer.mass(first.trendKg!)} on ${fullDate(first.date)} to ${printer.mass(last.trendKg!)} on ${fullDate(last.date)}`
    : "Body weight: nothing to draw yet";
}
