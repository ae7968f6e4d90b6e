import type { DateOrder } from "@/core/ledger/paste";

/** The orders in which a sheet may write its dates, as they are asked about. */
export const orderNames: Record<DateOrder, string> = {
  ymd: "year, month, day",
  dmy: "day, month, year",
  mdy: "month, day, year",
};
