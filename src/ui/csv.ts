import Papa from 'papaparse';

/** What a spreadsheet would reckon with instead of showing it; a signed number is none. */
const FORMULA = /^(?![-+]?\d+(?:[.,]\d+)?$)[=+\-@\t\r]/;

/** A table for a spreadsheet: a cell that would be a formula there is text. */
export function tableCsv(columns: readonly string[], rows: readonly (string | number)[][]): string {
  return Papa.unparse([[...columns], ...rows], { newline: '\r\n', escapeFormulae: FORMULA });
}
