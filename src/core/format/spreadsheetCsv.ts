import Papa from 'papaparse'

/**
 * Rows as CSV for a spreadsheet program: UTF-8 with a byte-order mark, CRLF. Text that a spreadsheet would take for a formula is defused
 * with an apostrophe (OWASP, CSV Injection).
 */
export function spreadsheetCsv(fields: readonly string[], data: readonly (string | number)[][]): string {
  return `\ufeff${Papa.unparse({ fields: [...fields], data: [...data] }, { escapeFormulae: true, newline: '\r\n' })}\r\n`
}
