// What the bench uses of the spreadsheet engine, which is installed for the bench alone, so that the types of the bench
// are checked without it.
declare module "hyperformula" {
  export class HyperFormula {
    static buildFromArray(sheet: (string | number)[][], options: { licenseKey: string; maxRows: number }): HyperFormula;
    setCellContents(cell: { sheet: number; row: number; col: number }, contents: (string | number)[][]): void;
    destroy(): void;
  }
}
