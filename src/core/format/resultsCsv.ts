import type { ResultRow } from '../classroom/classResults'
import type { Figure } from '../quantity/figure'
import { spreadsheetCsv } from './spreadsheetCsv'

const rounded = (value: number | null | undefined, decimals: number) =>
  value === null || value === undefined ? '' : value.toFixed(decimals)
const withU = (figure: Figure | null, decimals: number) => [
  rounded(figure?.value, decimals),
  rounded(figure && Math.abs(figure.u * figure.value), decimals + 1),
]

/**
 * The class's results as CSV for a spreadsheet program: a row for each result, which says what it is, of what and after what, so that a recovery never stands under a yield; a bench without a
 * result has one row. UTF-8 with a byte-order mark, CRLF, points as decimal marks. Text that a spreadsheet would take for a formula is defused with an apostrophe (OWASP, CSV Injection).
 */
export function resultsCsv(rows: readonly ResultRow[]): string {
  const fields = [
    'bench',
    'group',
    'scale',
    'limiting reagent',
    'result',
    'substance',
    'after',
    'of',
    'whole (g)',
    'u whole (g)',
    'mass (g)',
    'u mass (g)',
    'dry',
    'value',
    'u value',
    'to',
    'unit',
    'as read',
    'reading',
    'evidence',
  ]
  const data = rows.flatMap(({ bench, members, scale, limiting, outcomes, judgement }) => {
    const head = [String(bench), members, String(scale), limiting.names]
    if (outcomes.length === 0) return [[...head, ...Array<string>(14).fill(''), judgement.words, judgement.evidence]]
    return outcomes.map((each) => [
      ...head,
      each.quantity,
      each.of,
      each.sample,
      each.from,
      ...withU(each.whole, 3),
      ...withU(each.mass, 3),
      each.dry === null ? '' : each.dry ? 'dry' : 'not constant',
      ...withU(each.figure, places(each.unit)),
      rounded(each.to, places(each.unit)),
      each.unit,
      each.text,
      each.judgement?.words ?? '',
      each.judgement?.evidence ?? '',
    ])
  })
  return spreadsheetCsv(fields, data)
}

/** Decimals of a figure in its unit: an index and a strength are read to four. */
const places = (unit: ResultRow['outcomes'][number]['unit']) => (unit === '%' || unit === '°C' ? 1 : 4)
