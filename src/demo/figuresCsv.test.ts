import Papa from 'papaparse'
import { foldClass } from '@/core/classroom/foldClass'
import { figuresCsv } from '@/core/format/figuresCsv'
import { lossAccounts } from '@/core/result/losses/lossAccount'
import type { Entry } from '@/core/run/entry'
import { college } from './college'

const made = college(new Date('2026-11-23T15:00:00Z'), 'UTC')
const session = made.sessions[0]!
const plan = made.preparations.find(({ revision }) => revision === session.revision)!.plan

/** The class, with the value of one slot changed for some benches. */
const changed = (change: Record<number, { step: string; value: number }>) =>
  foldClass(
    plan,
    session.runs.map((run) => ({
      ...run,
      entries: run.entries.map((entry): Entry => {
        const wanted = change[run.bench]
        return wanted && entry.kind === 'reading' && entry.step === wanted.step
          ? ({ ...entry, body: { ...entry.body, value: wanted.value } } as Entry)
          : entry
      }),
    })),
  )

const rowsOf = (folded: ReturnType<typeof changed>) =>
  Papa.parse<Record<string, string>>(figuresCsv(folded).replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: true }).data

test('a yield stands under the heading of the reactant that limits at its bench, and nowhere else', () => {
  // Bench 2 takes 2.0 mL of the anhydride, 21 mmol: it limits there, the aniline everywhere else.
  const folded = changed({ 2: { step: 'charge-anhydride', value: 2 } })
  const rows = rowsOf(folded)
  const yields = Object.keys(rows[0]!).filter((name) => name.startsWith('Yield '))
  expect(yields.filter((name) => name.includes('aniline'))).not.toEqual([])
  expect(yields.filter((name) => name.includes('anhydride'))).not.toEqual([])
  for (const [index, { results }] of folded.entries()) {
    const own = results.outcomes.filter(({ quantity, figure }) => /yield/.test(quantity) && figure).map(({ from }) => from)
    for (const name of yields) {
      const holds = own.some((from) => name.includes(`of ${from}`))
      expect([index, name, rows[index]![name] !== '']).toEqual([index, name, holds])
    }
  }
})

test('losses of a bench and what is unexplained add up to what is not in the product, once each', () => {
  // Bench 3 weighs more than the theory.
  const folded = changed({ 3: { step: 'weigh-pure', value: 60 } })
  const rows = rowsOf(folded)
  let below = 0
  for (const [index, { state, results }] of folded.entries()) {
    const sum = Object.entries(rows[index]!)
      .filter(([name]) => name.includes(': lost, '))
      .reduce((all, [, text]) => all + Number(text || 0), 0)
    const accounts = lossAccounts(state, results)
    const missing = accounts.reduce((all, { wholeG, productG }) => all + wholeG - productG, 0)
    if (accounts.some(({ unexplained }) => unexplained.g < 0)) below++
    expect(sum).toBeCloseTo(missing, 3)
  }
  expect(below).toBeGreaterThan(0)
})
