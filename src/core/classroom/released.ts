import { writeNumber } from '../quantity/write'
import type { ClassResults, ResultRow } from './classResults'

/** Which computation results come from. It is raised when a rule of `core/result` changes what comes out of the same entries. */
export const computation = '1'

/** A result as it was released: figures and readings, without names. */
export interface ReleasedRow {
  run: string
  bench: number
  fraction: number | null
  kind: 'yield' | 'recovery' | null
  massG: number | null
  onsetC: number | null
  clearC: number | null
  reading: string
  excluded: boolean
  outcomes: { key: string; text: string; words: string }[]
}

export interface Released {
  medianResult: number | null
  rows: ReleasedRow[]
}

/** What is released of the results of a class. */
export const releasedOf = ({ medianResult, rows }: ClassResults): Released => ({
  medianResult,
  rows: rows.map((row) => ({
    run: row.id,
    bench: row.bench,
    fraction: row.result?.fraction.value ?? null,
    kind: row.result?.kind ?? null,
    massG: row.product?.mass.value ?? null,
    onsetC: row.melting?.onsetC ?? null,
    clearC: row.melting?.clearC ?? null,
    reading: row.judgement.words,
    excluded: row.excluded !== null,
    outcomes: row.outcomes.map(({ key, text, judgement }) => ({ key, text, words: judgement?.words ?? '' })),
  })),
})

/** What would be another result now than was released, bench by bench, in words. */
export interface Changed {
  bench: number
  what: string
  before: string
  now: string
}

const percent = (fraction: number | null) => (fraction === null ? '–' : `${writeNumber(100 * fraction, 1)} %`)
const range = ({ onsetC, clearC }: Pick<ReleasedRow, 'onsetC' | 'clearC'>) =>
  onsetC === null || clearC === null ? '–' : `${writeNumber(onsetC, 1)}–${writeNumber(clearC, 1)} °C`

/** Compares released results with those of now. */
export function changedSince(released: Released, now: Released): Changed[] {
  const rows = now.rows.flatMap((row): Changed[] => {
    const before = released.rows.find(({ run }) => run === row.run)
    if (!before) return [{ bench: row.bench, what: 'bench', before: '–', now: 'has come since' }]
    const pairs: [what: string, before: string, now: string][] = [
      [row.kind ?? before.kind ?? 'result', percent(before.fraction), percent(row.fraction)],
      ['melting range', range(before), range(row)],
      ['reading', before.reading, row.reading],
      ['counts', before.excluded ? 'no' : 'yes', row.excluded ? 'no' : 'yes'],
      ...outcomesOf(before, row),
    ]
    return pairs.flatMap(([what, was, is]) => (was === is ? [] : [{ bench: row.bench, what, before: was, now: is }]))
  })
  return rows
}

/** Further results by their keys: those that either has. */
function outcomesOf(before: ReleasedRow, now: ReleasedRow): [string, string, string][] {
  const keys = [...new Set([...before.outcomes, ...now.outcomes].map(({ key }) => key))]
  const text = (row: ReleasedRow, key: string) => row.outcomes.find((each) => each.key === key)?.text ?? '–'
  return keys
    .filter((key) => !key.startsWith('yield') && !key.startsWith('melting'))
    .map((key): [string, string, string] => [key, text(before, key), text(now, key)])
}

/** The released row of a run. */
export const releasedRow = (released: Released, run: ResultRow['id']): ReleasedRow | undefined =>
  released.rows.find((row) => row.run === run)
