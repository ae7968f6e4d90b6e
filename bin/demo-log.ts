import { dayOf } from "../src/core/base/calendar/day";
import { demoLog } from "../src/demo/demoLog";
import { writeArchive } from "../src/formats/archive/write";

const date = process.argv[2] ?? "2026-06-11";
const today = dayOf(date);
if (today === null) {
  process.stderr.write(`usage: npm run --silent demo-log [-- YYYY-MM-DD]: "${date}" is not a date\n`);
  process.exit(1);
}
process.stdout.write(writeArchive(demoLog(today), `${date}T06:00:00Z`));
