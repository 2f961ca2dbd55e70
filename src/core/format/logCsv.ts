import { labelOf, valueOf } from '../measurements/registry'
import { printed } from '../words/words'
import type { Folded } from '../classroom/foldClass'
import { spreadsheetCsv } from './spreadsheetCsv'

/** The log of a class as a table: a row an entry, in the order in which it was written, with what struck it. */
export function logCsv(folded: readonly Folded[]): string {
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
      ]
    })
  })
  return spreadsheetCsv(['bench', 'at (UTC)', 'step', 'kind', 'what', 'says', 'by', 'reason', 'id', 'strikes', 'struck by'], rows)
}
