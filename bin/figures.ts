import { readFileSync } from "node:fs";
import { dayOf } from "../src/core/base/calendar/day";
import { contract } from "../src/core/contract";
import { readArchive } from "../src/formats/archive/read";

const usage = "usage: npm run --silent figures -- FILE [--on YYYY-MM-DD] [--intake KCAL --until YYYY-MM-DD]";

function fail(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(1);
}

const args = process.argv.slice(2);
/** What stands behind an option; null without it. */
function option(name: string): string | null {
  const index = args.indexOf(name);
  return index < 0 ? null : (args.splice(index, 2)[1] ?? fail(usage));
}
const [onText, intakeText, until] = [option("--on"), option("--intake"), option("--until")];
const [file, ...rest] = args;
if (file === undefined || rest.length > 0) fail(usage);
const on = onText === null ? null : (dayOf(onText) ?? fail(`--on: "${onText}" is not a date written YYYY-MM-DD`));
if ((intakeText === null) !== (until === null)) fail(usage);
const intakeKcal = Number(intakeText);
if (intakeText !== null && !(intakeKcal >= 0 && intakeKcal <= 20_000))
  fail(`--intake: "${intakeText}" is no energy of a day in kilocalories`);
if (until !== null && dayOf(until) === null) fail(`--until: "${until}" is not a date written YYYY-MM-DD`);

let bytes: Uint8Array;
try {
  bytes = readFileSync(file);
} catch (error) {
  fail(`${file}: it cannot be read (${(error as NodeJS.ErrnoException).code ?? "unknown reason"})`);
}
const reading = readArchive(bytes);
if (!reading.ok) fail(reading.problems.map(({ path, message }) => `${path}: ${message}`).join("\n"));
process.stdout.write(
  `${JSON.stringify(contract(reading.log, on, until === null ? null : { intakeKcal, until }), null, 2)}\n`,
);
