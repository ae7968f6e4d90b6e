import { Answers } from "@/compute/queries";
import { dateOf, mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import { demoLog, partnerId, rowerId } from "@/demo/demoLog";
import { createHash } from "node:crypto";
import { expect, it } from "vitest";
import { everyQuestion } from "../everyQuestion";

/** Figures to eight places: the last ones of a power or a logarithm are the machine's own. */
const rounded = (_: string, value: unknown) => (typeof value === "number" ? Number(value.toPrecision(8)) : value);
const hash = (value: unknown) =>
  createHash("sha256")
    .update(JSON.stringify(value, rounded) ?? "undefined")
    .digest("hex")
    .slice(0, 16);

/** The parts of the contract, by their place: one hash for each, so that what has changed is named. */
function partsOf(value: unknown, place = "contract"): [string, unknown][] {
  const isOfParts = typeof value === "object" && value !== null && place.split(".").length < 4;
  return isOfParts
    ? Object.entries(value).flatMap(([key, part]) => partsOf(part, `${place}.${key}`))
    : [[place, value]];
}

it("answers of the demo log are what they were", { timeout: 60_000 }, async () => {
  const day = mustDay("2026-06-11");
  const lines: string[] = [];
  for (const [who, personId] of [
    ["rower", rowerId],
    ["partner", partnerId],
  ] as const) {
    const log = demoLog(day);
    let next = 0;
    const answers = new Answers(log, () => `new${next++}`);
    const asking = { personId, today: dateOf(day) };
    for (const [name, all] of Object.entries(everyQuestion(log, asking)))
      all.forEach((asks, index) =>
        lines.push(`${who} ${name} ${index} ${hash(answers.answer(name as "people", asks as never))}`),
      );
  }
  for (const [place, part] of partsOf(contract(demoLog(day), day))) lines.push(`${place} ${hash(part)}`);
  // An answer that is meant to change is written anew with `npx vitest run tests/house/answers.test.ts -u`; which ones
  // did is seen in what is committed.
  await expect(`${lines.join("\n")}\n`).toMatchFileSnapshot("../fixtures/demo-answers.txt");
});
