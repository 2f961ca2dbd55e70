import { labelOf, valueOf } from '../measurements/registry'
import { printed } from '../words/words'
import type { Folded } from '../classroom/foldClass'
import { spreadsheetCsv } from './spreadsheetCsv'

/** How an entry is tied to the one before it, and, at the last of a run, the signature of its head. */
export interface Tied {
  hash: string
  signature: string
}

/** The log of a class as a table: a row an entry, in the order in which it was written, with what struck it and how it is tied to the one before. */
export function logCsv(folded: readonly Folded[], tied: ReadonlyMap<string, Tied> = new Map()): string {
  const rows = folded.flatMap(({ run, state }) => {
    const steps = new Map(state.steps.map(({ step }) => [step.id, step]))
    const struckBy = new Map(run.entries.flatMap(({ id, supersedes }) => (supersedes === null ? [] : [[supersedes, id]])))
    return run.entries.map((entry) => {
      const step = steps.get(entry.step)
      return [
        String(run.bench),
        entry.at,
        step ? printed(step.title) : entry.step,
        entry.kind,
        step ? labelOf(entry, step) : '',
        valueOf(entry),
        entry.by,
        entry.reason ?? '',
        entry.id,
        entry.supersedes ?? '',
        struckBy.get(entry.id) ?? '',
        tied.get(entry.id)?.hash ?? '',
        tied.get(entry.id)?.signature ?? '',
      ]
    })
  })
  return spreadsheetCsv(
    [
      'bench',
      'at (UTC)',
      'step',
      'kind',
      'what',
      'says',
      'by',
      'reason',
      'id',
      'strikes',
      'struck by',
      'hash',
      'head signed (Ed25519)',
    ],
    rows,
  )
}
