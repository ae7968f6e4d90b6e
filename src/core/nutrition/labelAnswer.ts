import * as z from "zod";
import { name, nutrients } from "../log/kinds/fields";

/** What a label service answers for a number, checked like anything that comes from outside. */
const labelSchema = z.object({
  name,
  carbohydrateBasis: z.enum(["total", "available"]),
  per100g: nutrients,
  portions: z
    .array(z.object({ name, grams: z.number().positive().max(100_000) }))
    .max(20)
    .nullish(),
});
export type Label = z.infer<typeof labelSchema>;

/** A label from a service's answer; null where it is none. */
export function labelFrom(answer: unknown): Label | null {
  return labelSchema.safeParse(answer).data ?? null;
}
