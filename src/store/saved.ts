import type { IDBPDatabase } from "idb";
import { type LogDatabase, headOf } from "./database";

/**
 * The version of the core that computed an answer: a hash of its source, put in by the build. An answer of another core
 * is never shown.
 */
const core = process.env.CORE_VERSION ?? "unknown";

/** At most so many answers are kept for the next start. */
const keptAtMost = 60;

/** Keeps answers for the next start; those that no longer hold go. */
export async function saveAnswers(
  database: IDBPDatabase<LogDatabase>,
  sequence: number,
  answers: readonly { key: string; answer: unknown }[],
): Promise<void> {
  const transaction = database.transaction("saved", "readwrite", { durability: "relaxed" });
  transaction.done.catch(() => {});
  const held = await transaction.store.getAll();
  const others = held.filter(
    (one) => one.sequence === sequence && one.core === core && !answers.some(({ key }) => key === one.key),
  );
  await transaction.store.clear();
  for (const one of [...others, ...answers.map(({ key, answer }) => ({ key, sequence, core, answer }))].slice(
    -keptAtMost,
  ))
    await transaction.store.put(one);
  await transaction.done;
}

/**
 * What is known of a log before it is read. `written`: whether anything was ever committed to it. `answers`: those that
 * still hold, computed by this core from the log as it stands; they are told apart by their questions, in which the day
 * is named.
 */
export async function keptOf(
  database: IDBPDatabase<LogDatabase>,
): Promise<{ written: boolean; answers: Map<string, unknown> }> {
  const transaction = database.transaction(["saved", "meta"]);
  const [held, standing] = await Promise.all([
    transaction.objectStore("saved").getAll(),
    transaction.objectStore("meta").get("standing"),
  ]);
  const { sequence } = headOf(standing);
  return {
    written: sequence > 0,
    answers: new Map(
      held.filter((one) => one.sequence === sequence && one.core === core).map(({ key, answer }) => [key, answer]),
    ),
  };
}
