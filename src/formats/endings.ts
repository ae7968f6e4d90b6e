/**
 * File endings by which a file of each format is chosen. Apart from the formats, so that a page can name them without
 * loading what reads them.
 */
export const endings = {
  archive: [".json", ".zip"],
  workbook: [".csv", ".tsv", ".txt"],
} as const;

/** The same as a field for files takes it, with the types by which browsers know them. */
export const accepted = {
  archive: [...endings.archive, "application/json", "application/zip"].join(","),
  workbook: [...endings.workbook, "text/csv", "text/plain"].join(","),
} as const satisfies Record<keyof typeof endings, string>;
