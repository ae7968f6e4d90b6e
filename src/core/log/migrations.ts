type Document = Record<string, unknown>;
type Step = (document: Document) => Document;

/**
 * One step a version: the first turns a version-1 document into version 2. A step is never edited once released, and
 * looks at each collection by itself, since a stored page holds a part of one.
 */
const steps: readonly Step[] = [];

/** The archive version this core writes. */
export const currentVersion = steps.length + 1;

/**
 * Brings an archive document of any older version up to the current one.
 * @param shipped the steps there are; given only to try what a next one would do
 * @throws RangeError when the version is newer than ours or none at all; the message is for the trainee
 */
export function migrate(document: Document, shipped = steps): Document {
  const version = document.version;
  const current = shipped.length + 1;
  if (typeof version !== "number" || !Number.isInteger(version) || version < 1)
    throw new RangeError("it does not say which version of the format it is");
  if (version > current)
    throw new RangeError(
      `it was written by a newer Oat Column (version ${version} of the format; this one reads up to ${current})`,
    );
  return shipped
    .slice(version - 1)
    .reduce((held, step, index) => ({ ...step(held), version: version + index + 1 }), document);
}

/**
 * Brings some records of one kind up to the current version, as an archive's are.
 * @throws RangeError when the version is newer than ours or none at all
 */
export function migrateRecords(kind: string, records: unknown[], version: unknown, shipped = steps): unknown[] {
  return version === shipped.length + 1 ? records : (migrate({ version, [kind]: records }, shipped)[kind] as unknown[]);
}
