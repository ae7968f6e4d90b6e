import type { Printer } from "@/core/base/units/printer";

/** A lift's quoted load: with its sign where it is added to the body. */
export function quoted(printer: Printer, kg: number, added: boolean): string {
  return `${added && kg >= 0 ? "+" : ""}${printer.massNumber(kg)}`;
}
