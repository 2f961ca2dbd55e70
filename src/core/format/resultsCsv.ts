import type { ResultRow } from '../classroom/classResults'
import type { Figure } from '../quantity/figure'
import { spreadsheetCsv } from './spreadsheetCsv'

const rounded = (value: number | null | undefined, decimals: number) =>
  value === null || value === undefined ? '' : value.toFixed(decimals)
const withU = (figure: Figure | undefined | null, decimals: number, factor = 1) => [
  rounded(figure ? figure.value * factor : null, decimals),
  rounded(figure ? Math.abs(figure.u * figure.value * factor) : null, decimals + 1),
]

/**
 * The class's results as CSV for a spreadsheet program: a row for each percentage, which says what kind it is, of what and after what, so that a recovery never stands under a yield; a bench without a
 * result has one row. UTF-8 with a byte-order mark, CRLF, points as decimal marks, one unit per column. Text that a spreadsheet would take for a formula is defused with an apostrophe (OWASP, CSV Injection).
 */
export function resultsCsv(rows: readonly ResultRow[]): string {
  const fields = [
    'bench',
    'group',
    'scale',
    'limiting reagent',
    'percentage',
    'substance',
    'after',
    'of',
    'whole (g)',
    'u whole (g)',
    'mass (g)',
    'u mass (g)',
    'dry',
    'value (%)',
    'u value (%)',
    'melting onset (°C)',
    'melting clear (°C)',
    'reading',
    'evidence',
  ]
  const data = rows.flatMap(({ bench, members, scale, limiting, percentages, judgement }) => {
    const head = [String(bench), members, String(scale), limiting.names]
    if (percentages.length === 0) return [[...head, ...Array<string>(13).fill(''), judgement.words, judgement.evidence]]
    return percentages.map((each) => [
      ...head,
      each.kind,
      each.substance,
      each.after,
      each.of,
      ...withU(each.whole, 3),
      ...withU(each.mass, 3),
      each.dry ? 'dry' : 'not constant',
      ...withU(each.fraction, 1, 100),
      rounded(each.melting?.onsetC, 1),
      rounded(each.melting?.clearC, 1),
      each.judgement?.words ?? '',
      each.judgement?.evidence ?? '',
    ])
  })
  return spreadsheetCsv(fields, data)
}
