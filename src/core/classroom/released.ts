import { writeNumber } from '../quantity/write'
import { resultName } from '../result/outcome'
import type { ClassResults } from './classResults'

/** Which computation results come from. It is raised when a rule of `core/result` changes what comes out of the same entries. */
export const computation = '2'

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
  outcomes: ReleasedOutcome[]
}

/** One result as it is read; name and figures are missing in what was released before they were kept. */
interface ReleasedOutcome {
  key: string
  name?: string
  text: string
  words: string
  /** In `unit`; the second is the upper end of a range. */
  figures?: [number | null, number | null]
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
    outcomes: row.outcomes.map(({ key, quantity, of, sample, text, figure, to, judgement }) => ({
      key,
      name: `${resultName(quantity, of)}${sample && `, ${sample}`}`,
      text,
      words: judgement?.words ?? '',
      figures: [figure?.value ?? null, to],
    })),
  })),
})

/** What would be another result now than was released, bench by bench, in words. */
export interface Changed {
  bench: number
  what: string
  before: string
  now: string
}

/** Compares released results with those of now. */
export function changedSince(released: Released, now: Released): Changed[] {
  const rows = now.rows.flatMap((row): Changed[] => {
    const before = released.rows.find(({ run }) => run === row.run)
    if (!before) return [{ bench: row.bench, what: 'bench', before: '–', now: 'has come since' }]
    const pairs: [what: string, before: string, now: string][] = [
      ['reading', before.reading, row.reading],
      ['counts', before.excluded ? 'no' : 'yes', row.excluded ? 'no' : 'yes'],
      ...outcomesOf(before, row),
    ]
    return pairs.flatMap(([what, was, is]) => (was === is ? [] : [{ bench: row.bench, what, before: was, now: is }]))
  })
  return rows
}

/** All results by their keys: those that either has, whichever sample they are of. */
function outcomesOf(before: ReleasedRow, now: ReleasedRow): [string, string, string][] {
  const keys = [...new Set([...before.outcomes, ...now.outcomes].map(({ key }) => key))]
  return keys.map((key): [string, string, string] => {
    const [was, is] = [before, now].map(({ outcomes }) => outcomes.find((each) => each.key === key))
    return [is?.name ?? was?.name ?? key, ...inDigits(was, is)]
  })
}

/** Both as they are read; with more digits where they differ in what the reading rounds away. */
function inDigits(was: ReleasedOutcome | undefined, is: ReleasedOutcome | undefined): [string, string] {
  const texts: [string, string] = [was?.text ?? '–', is?.text ?? '–']
  if (texts[0] !== texts[1] || !was?.figures || !is?.figures) return texts
  const apart = was.figures.some((value, index) => {
    const other = is.figures![index]!
    return value !== null && other !== null && Math.abs(value - other) > 1e-6 * Math.abs(value)
  })
  const digits = ({ text, figures }: ReleasedOutcome) =>
    `${text} (${figures!.flatMap((value) => (value === null ? [] : [writeNumber(value, 4)])).join('–')})`
  return apart ? [digits(was), digits(is)] : texts
}
