/** The archive version this core writes. */
export const currentVersion = 1;

type Document = Record<string, unknown>;

/** One step a version: `steps[n]` turns a version-n document into version n + 1. Never edited once released. */
const steps: Record<number, (document: Document) => Document> = {};

/**
 * Brings an archive document of any older version up to the current one.
 * @throws RangeError when the version is newer than ours or none at all; the message is for the trainee
 */
export function migrate(document: Document): Document {
  const version = document.version;
  if (typeof version !== "number" || !Number.isInteger(version) || version < 1)
    throw new RangeError("it does not say which version of the format it is");
  if (version > currentVersion)
    throw new RangeError(
      `it was written by a newer Oat Column (version ${version} of the format; this one reads up to ${currentVersion})`,
    );
  let current = document;
  for (let step = version; step < currentVersion; step++) current = { ...steps[step]!(current), version: step + 1 };
  return current;
}
