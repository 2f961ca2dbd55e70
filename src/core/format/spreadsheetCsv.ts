import Papa from 'papaparse'

/** What a spreadsheet would take for a formula, also behind spaces and line breaks; a figure below zero is none. */
function defused(cell: string | number): string | number {
  if (typeof cell === 'number' || /^-\d+\.\d+$/.test(cell)) return cell
  return /^\s*[=+\-@|]|^[\t\r\n]/.test(cell) ? `'${cell}` : cell
}

/**
 * Rows as CSV for a spreadsheet program: UTF-8 with a byte-order mark, CRLF. Text that a spreadsheet would take for a formula is defused
 * with an apostrophe (OWASP, CSV Injection).
 */
export function spreadsheetCsv(fields: readonly string[], data: readonly (string | number)[][]): string {
  const rows = data.map((row) => row.map(defused))
  return `\ufeff${Papa.unparse({ fields: [...fields], data: rows }, { newline: '\r\n' })}\r\n`
}
