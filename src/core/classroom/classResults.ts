import { crudeSample, mainResult, mainSubstance, productSample, weighedSamples, type Plan } from '../plan/plan'
import type { Figure } from '../quantity/figure'
import { writeFigureText } from '../quantity/write'
import { computedLine } from '../reaction/reactionTable'
import { limitingNames } from '../reaction/working'
import type { Judgement } from '../result/judge'
import { lossAccount } from '../result/lossAccount'
import type { MeltingReading } from '../operations/melt/meltingReading'
import type { Outcome } from '../result/outcome'
import { median } from '../quantity/median'
import { classShiftC, robustOutliers } from './classFigures'
import { foldClass, type Folded, type RunOfClass } from './foldClass'

export type { RunOfClass }

/** A bench's results as figures and words, without the entries they were drawn from. */
export interface ResultRow {
  /** The run. */
  id: string
  bench: number
  members: string
  scale: number
  before: readonly { title: string; fraction: number }[]
  limiting: { amount: string; names: string; changed: boolean; asPlanned: boolean }
  crude: Figure | null
  product: { mass: Figure; dry: boolean } | null
  result: { kind: 'yield' | 'recovery'; fraction: Figure } | null
  recovery: Figure | null
  melting: MeltingReading | null
  judgement: Judgement
  /** Where the product went, in sentences. */
  account: string
  /** True where the result lies far outside the class. */
  outlier: boolean
  /** Why it does not count for the class, and who has said so; null where it counts. */
  excluded: { reason: string; by: string; entry: string } | null
  /** Every result of the bench, those of the columns too. */
  outcomes: Outcome[]
}

export interface ClassResults {
  product: { name: string; melting: { lowC: number; highC: number } | null } | null
  /** The samples of the columns: the product, and what it was made from. */
  shown: { product: string; crude: string }
  /** True where what is got back is compared with what was put in. */
  recovers: boolean
  /** True where something is weighed, and where a yield or a recovery is counted from it. */
  weighs: boolean
  /** A crude sample of the product is weighed before it. */
  weighsCrude: boolean
  counts: boolean
  crystallises: boolean
  melts: boolean
  rows: ResultRow[]
  medianResult: number | null
  medianRecovery: number | null
  shiftC: number | null
}

/** The results of a class, bench by bench, with its figures. */
export const classResults = (plan: Plan, runs: readonly RunOfClass[]): ClassResults => resultsOf(plan, foldClass(plan, runs))

/** The same from runs whose state is worked out already. What does not count stays in its row, and out of median, spread and shift. */
export function resultsOf(plan: Plan, folded: readonly Folded[]): ClassResults {
  const product = mainSubstance(plan)
  const rows = folded.map(resultRow)
  const counted = rows.filter(({ excluded }) => excluded === null)
  const results = counted.flatMap(({ result }) => (result ? [result.fraction.value] : []))
  const recoveries = counted.flatMap(({ recovery }) => (recovery ? [recovery.value] : []))
  const outliers = robustOutliers(results)
  let at = 0
  for (const row of counted) row.outlier = row.result !== null && outliers[at++] === true
  const clears = counted.flatMap(({ melting }) => melting?.clearC ?? [])
  return {
    product: product ? { name: product.name, melting: product.melting ?? null } : null,
    shown: { product: mainResult(plan)?.recovery?.sample ?? productSample(plan), crude: crudeSample(plan) },
    recovers: mainResult(plan)?.recovery !== undefined,
    weighs: weighedSamples(plan).length > 0,
    weighsCrude: weighedSamples(plan).includes(crudeSample(plan)),
    counts: mainResult(plan) !== undefined,
    crystallises: plan.steps.some(({ kind }) => kind === 'crystallise'),
    melts: plan.steps.some(({ kind }) => kind === 'melt'),
    rows,
    medianResult: results.length > 0 ? median(results) : null,
    medianRecovery: recoveries.length > 0 ? median(recoveries) : null,
    shiftC: product?.melting ? classShiftC(clears, product.melting.highC) : null,
  }
}

function resultRow({ run: { id = '', bench, members, scale, before = [] }, state, results }: Folded): ResultRow {
  const limiting = computedLine(results.table, results.limiting[0] ?? state.plan.reference)
  const product = results.result && state.samples[results.result.sample]
  const amount =
    results.result?.kind === 'recovery' && results.whole
      ? writeFigureText(results.whole, 'mass')
      : limiting.amount
        ? writeFigureText(limiting.amount, 'amount')
        : ''
  const gone: Judgement | null =
    state.joined && !state.joined.here
      ? { level: 'open', words: `Went on at bench ${state.joined.bench}`, evidence: 'What both groups made stands there.' }
      : null
  return {
    id,
    bench,
    members,
    scale,
    before: before.map(({ title, fraction }) => ({ title, fraction })),
    limiting: {
      amount,
      names: limitingNames(state.plan, results.table) || limiting.substance.name,
      changed: results.limitingChanged,
      asPlanned: results.notMeasured.includes(limiting.line.id),
    },
    crude: (results.crude && state.samples[results.crude.sample]?.mass) ?? null,
    product: product ? { mass: product.mass, dry: product.dry } : null,
    result: results.result && { kind: results.result.kind, fraction: results.result.figure },
    recovery: results.recovery?.figure ?? null,
    melting: results.melting,
    judgement: gone ?? results.judgement,
    account: lossAccount(state, results),
    outlier: false,
    excluded: state.excluded && { reason: state.excluded.reason, by: state.excluded.by, entry: state.excluded.entry },
    outcomes: results.outcomes,
  }
}
