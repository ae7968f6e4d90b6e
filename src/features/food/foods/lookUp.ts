import { type Label, labelFrom } from "@/core/nutrition/labelAnswer";
import { askService } from "../askService";

/** What has been answered already is not asked for again. */
const held = new Map<string, Label>();

/** The label under a bar code's number, from the simulated service that ships; or why there is none. */
export async function lookUp(gtin: string): Promise<Label | { why: string }> {
  const before = held.get(gtin);
  if (before !== undefined) return before;
  const response = await askService(`/labels/${gtin}`, {
    late: "The label service takes too long. Type the label, or try again.",
    away: "The label service cannot be reached. Type the label.",
    unknown: "The label service does not know this number. Type the label; the number stays with it.",
    down: "The label service is down. Type the label, or try again.",
  });
  if ("why" in response) return response;
  const label = labelFrom(await response.json().catch(() => null));
  if (label === null) return { why: "The label service answered nonsense; nothing of it was taken." };
  held.set(gtin, label);
  return label;
}
