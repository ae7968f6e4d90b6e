import { exhausted, hasRoom, reserveFile } from "./folder";
import { OriginFolder } from "./originFolder";

/*
 * Started by the first script of every page, before anything opens the database: where the disk is full, the reserve is
 * given up first. It is
 * bundled by itself (bin/build.mjs) and says "ready" in any case.
 */

async function makeReady(): Promise<void> {
  // Where another tab lives the database is open already, and may be being written to.
  const { held } = await navigator.locks.query();
  if (held?.some(({ name }) => name?.startsWith("oat-column-tab-"))) return;
  const file = await (await OriginFolder.root(false))?.open(reserveFile, true);
  if (file == null) return;
  try {
    if (!hasRoom(file, exhausted)) file.truncate(0);
  } finally {
    file.close();
  }
}

void makeReady()
  .catch(() => {})
  .then(() => postMessage("ready"));
