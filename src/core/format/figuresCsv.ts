import type { Folded } from '../classroom/foldClass'
import { resultName, type Outcome } from '../result/outcome'
import { lossAccounts } from '../result/losses/lossAccount'
import { spreadsheetCsv } from './spreadsheetCsv'

/** A figure without float noise: six digits that count. */
const cell = (value: number | null | undefined) =>
  value === null || value === undefined ? '' : String(Number(value.toPrecision(6)))

/** What a column of results is headed with. Which reactant a yield counts from differs between benches: a cell stands only under the heading that holds for its bench. */
const nameOf = ({ quantity, of, from, sample }: Outcome) =>
  [resultName(quantity, of), sample, from && `of ${from}`].filter(Boolean).join(', ')

/** Every figure of a class, a row a bench and one unit a column: charged, weighed, results with both ends of a range and their standard uncertainty, losses. */
export function figuresCsv(folded: readonly Folded[]): string {
  const columns = new Map<string, (run: Folded) => number | null | undefined>()
  const add = (name: string, of: (run: Folded) => number | null | undefined) => {
    if (!columns.has(name)) columns.set(name, of)
  }
  for (const { state, results } of folded) {
    for (const [line, { measure }] of Object.entries(state.charged))
      add(`charged ${line} (${measure === 'mass' ? 'g' : 'mL'})`, (run) => {
        const own = run.state.charged[line]
        return own?.measure === measure ? own.figure.value : undefined
      })
    for (const sample of Object.keys(state.samples)) add(`${sample} (g)`, (run) => run.state.samples[sample]?.mass.value)
    for (const outcome of results.outcomes) {
      const { figure, to, unit } = outcome
      if (!figure) continue
      const name = nameOf(outcome)
      const u = unit === '' ? '1' : unit
      const found = (run: Folded) => run.results.outcomes.find((each) => nameOf(each) === name && each.unit === unit)
      add(`${name}${to === null ? '' : ', from'} (${u})`, (run) => found(run)?.figure?.value)
      if (to !== null) add(`${name}, to (${u})`, (run) => found(run)?.to)
      else
        add(`u of ${name} (${u})`, (run) => {
          const own = found(run)?.figure
          return own && Math.abs(own.u * own.value)
        })
    }
    for (const { of, sample, losses } of lossAccounts(state, results)) {
      const lost = `${of}, ${sample}: lost`
      const account = (run: Folded) =>
        lossAccounts(run.state, run.results).find((each) => each.of === of && each.sample === sample)
      for (const { key, words } of losses)
        add(
          `${lost}, ${words}${key.includes(' ') ? ` (${key})` : ''} (g)`,
          (run) => account(run)?.losses.find((each) => each.key === key && each.words === words)?.g,
        )
      // One column, so that losses add up: below zero where more came out than is accounted for.
      add(`${lost}, unexplained (g)`, (run) => account(run)?.unexplained.g)
    }
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
