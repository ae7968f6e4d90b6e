/**
 * File endings by which a file of each format is chosen. Apart from the formats, so that a page can name them without
 * loading what reads them.
 */
export const endings = {
  archive: [".json", ".zip"],
  workbook: [".csv", ".tsv", ".txt"],
} as const;
