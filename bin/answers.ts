import { createHash } from "node:crypto";
import { Answers, type QueryName } from "../src/compute/queries";
import { dateOf, mustDay } from "../src/core/base/calendar/day";
import { contract } from "../src/core/contract";
import { canonical } from "../src/core/log/canonical";
import { type Log, peopleOf, putRecord, removeRecord } from "../src/core/log/log";
import { decadesLog } from "../src/demo/decades";
import { demoLog } from "../src/demo/demoLog";
import { editKinds, madeUpEdit } from "../src/demo/edits";
import { Random } from "../src/demo/random";
import { everyQuestion } from "../tests/everyQuestion";

/** Hashed whatever the order of keys: a view may be put together from its parts in any. */
const hashOf = (value: unknown) =>
  createHash("sha256")
    .update(JSON.stringify(canonical(value)))
    .digest("hex")
    .slice(0, 16);
const day = mustDay("2026-06-11");
const today = dateOf(day);

/** Prints a line a question: what its answers come to. */
function print(name: string, log: Log, answers: Answers): void {
  process.stdout.write(
    `${name}\tcontract\t${createHash("sha256")
      .update(JSON.stringify(contract(log, day)))
      .digest("hex")
      .slice(0, 16)}\t${hashOf(contract(log, day - 45))}\n`,
  );
  for (const { id } of peopleOf(log)) {
    const asked = everyQuestion(log, { personId: id, today });
    for (const query of Object.keys(asked) as QueryName[])
      process.stdout.write(
        `${name}\t${id}\t${query}\t${asked[query].map((one) => hashOf(answers.answer(query, one))).join(" ")}\n`,
      );
  }
}

function fresh(log: Log): Answers {
  let made = 0;
  return new Answers(log, () => `new-${(made += 1)}`);
}

for (const [name, log] of [
  ["demo", demoLog(day)],
  ["ten years", decadesLog(day, 10)],
] as const) {
  const answers = fresh(log);
  print(name, log, answers);
  const [person] = peopleOf(log);
  const random = new Random(11);
  for (let round = 0; round < 60; round++) {
    const step = madeUpEdit(log, person!.id, editKinds[round % editKinds.length]!, random, day - 200, day);
    if (step === null) continue;
    if ("remove" in step) removeRecord(log, step.remove);
    else putRecord(log, step.kind, step.put);
  }
  print(`${name}, edited`, log, answers);
}
