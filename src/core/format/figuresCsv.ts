import type { Folded } from '../classroom/foldClass'
import { resultName } from '../result/outcome'
import { lossAccounts } from '../result/losses/lossAccount'
import { spreadsheetCsv } from './spreadsheetCsv'

/** A figure without float noise: six digits that count. */
const cell = (value: number | null | undefined) =>
  value === null || value === undefined ? '' : String(Number(value.toPrecision(6)))

/** Every figure of a class, a row a bench and one unit a column: charged, weighed, results with both ends of a range and their standard uncertainty, losses. */
export function figuresCsv(folded: readonly Folded[]): string {
  const columns = new Map<string, (run: Folded) => number | null | undefined>()
  const add = (name: string, of: (run: Folded) => number | null | undefined) => {
    if (!columns.has(name)) columns.set(name, of)
  }
  for (const { state, results } of folded) {
    for (const [line, { measure }] of Object.entries(state.charged))
      add(`charged ${line} (${measure === 'mass' ? 'g' : 'mL'})`, (run) => run.state.charged[line]?.figure.value)
    for (const sample of Object.keys(state.samples)) add(`${sample} (g)`, (run) => run.state.samples[sample]?.mass.value)
    for (const { key, quantity, of, from, sample, unit, figure, to } of results.outcomes) {
      if (!figure) continue
      const name = [resultName(quantity, of), sample, from && `of ${from}`].filter(Boolean).join(', ')
      const u = unit === '' ? '1' : unit
      const found = (run: Folded) => run.results.outcomes.find((each) => each.key === key)
      add(`${name}${to === null ? '' : ', from'} (${u})`, (run) => found(run)?.figure?.value)
      if (to !== null) add(`${name}, to (${u})`, (run) => found(run)?.to)
      else
        add(`u of ${name} (${u})`, (run) => {
          const own = found(run)?.figure
          return own && Math.abs(own.u * own.value)
        })
    }
    for (const { of, losses, unexplained } of lossAccounts(state, results))
      for (const { key, words } of [...losses, unexplained])
        add(`${of} lost, ${words}${key.includes(' ') ? ` (${key})` : ''} (g)`, (run) => {
          const account = lossAccounts(run.state, run.results).find((each) => each.of === of)
          return account && [...account.losses, account.unexplained].find((each) => each.key === key)?.g
        })
  }
  add('theory (g)', (run) => run.results.theoretical?.value)
  const named = [...columns]
  return spreadsheetCsv(
    ['bench', 'group', 'scale', 'counts', ...named.map(([name]) => name)],
    folded.map((run) => [
      String(run.run.bench),
      run.run.members,
      cell(run.run.scale),
      run.state.excluded ? `no: ${run.state.excluded.reason}` : 'yes',
      ...named.map(([, of]) => cell(of(run))),
    ]),
  )
}
