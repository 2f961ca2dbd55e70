import type { Figure } from '../quantity/figure'
import type { RunResults } from '../result/runResults'
import type { RunState } from '../run/foldRun'
import { spreadsheetCsv } from './spreadsheetCsv'

export interface CsvRow {
  bench: number
  members: string
  scale: number
  state: RunState
  results: RunResults
}

const rounded = (value: number | null | undefined, decimals: number) =>
  value === null || value === undefined ? '' : value.toFixed(decimals)
const withU = (figure: Figure | undefined | null, decimals: number, factor = 1) => [
  rounded(figure ? figure.value * factor : null, decimals),
  rounded(figure ? Math.abs(figure.u * figure.value * factor) : null, decimals + 1),
]

/**
 * The class's results as CSV for a spreadsheet program: UTF-8 with a byte-order mark, CRLF, points as decimal marks, one unit per column. Text that a
 * spreadsheet would take for a formula is defused with an apostrophe (OWASP, CSV Injection).
 */
export function resultsCsv(rows: readonly CsvRow[]): string {
  const fields = [
    'bench',
    'group',
    'scale',
    'limiting reagent',
    'theoretical yield (g)',
    'u theoretical (g)',
    'crude (g)',
    'product (g)',
    'dry',
    'yield (%)',
    'u yield (%)',
    'recovery of crystallisation (%)',
    'u recovery (%)',
    'melting onset (°C)',
    'melting clear (°C)',
    'reading',
    'evidence',
  ]
  const data = rows.map(({ bench, members, scale, state, results }) => [
    String(bench),
    members,
    String(scale),
    results.table.lines
      .filter(({ limiting }) => limiting)
      .map(({ substance }) => substance.name)
      .join(' and '),
    ...withU(results.theoretical, 3),
    rounded(results.crude && state.samples[results.crude.sample]?.mass.value, 3),
    rounded(results.result && state.samples[results.result.sample]?.mass.value, 3),
    results.result ? (results.result.dry ? 'dry' : 'not constant') : '',
    ...withU(results.result?.figure, 1, 100),
    ...withU(results.recovery?.figure, 1, 100),
    rounded(results.melting?.onsetC, 1),
    rounded(results.melting?.clearC, 1),
    results.judgement.words,
    results.judgement.evidence,
  ])
  return spreadsheetCsv(fields, data)
}
