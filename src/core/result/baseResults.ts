import { typedFor } from '../plan/typedFor'
import { usualColdC } from '../operations/crystallise/usualCold'
import { yieldCeiling } from '../reaction/equilibrium'
import { writeNumber } from '../quantity/write'
import { exact, over, times, type Figure } from '../quantity/figure'
import {
  isReactant,
  lineOf,
  mainResult,
  crudeSample,
  mainSubstance,
  productSample,
  substanceOf,
  substanceOfSample,
  type Plan,
  type Recovery,
} from '../plan/plan'
import { computedLine, reactionTable, theoreticalYield, wholeOf, type ReactionTable } from '../reaction/reactionTable'
import { leftInMotherLiquor, solubilityAt } from '../matter/solubility'
import { correctedRange } from '../measurements/melting'
import type { RunState } from '../run/foldRun'
import { goesOnWithG, ownShare } from '../run/pools'
import { meltingReading, type MeltingReading } from '../operations/melt/meltingReading'
import { judge, type Judgement } from './judge'

/** A percentage that says which it is: of what, after which step, wet or dry. Fractions, not percent. */
export interface Percentage {
  kind: 'yield' | 'recovery'
  sample: string
  figure: Figure
  dry: boolean
}

/** What came back of one of the substances that were put in. */
export interface Recovered {
  recovery: Recovery
  substance: string
  percentage: Percentage | null
  melting: MeltingReading | null
  judgement: Judgement
}

/** What every result of a run rests on: what was charged, the whole that is counted from, and the pair of yield and melting range. */
export interface BaseResults {
  kind: 'yield' | 'recovery'
  /** The table from what this group charged; planned figures stand in for lines that were not measured. */
  table: ReactionTable
  /** g; null where nothing is made. */
  theoretical: Figure | null
  /** Grams that the result counts from: the theoretical yield, or what was put in. */
  whole: Figure | null
  limiting: string[]
  /** True when another reactant sets the limit than in the plan. */
  limitingChanged: boolean
  /** Reactants and materials whose planned amount had to stand in. */
  notMeasured: string[]
  /** The crude sample over the same whole as the result. */
  crude: Percentage | null
  /** The yield of the reaction, or the recovery of what was put in. */
  result: Percentage | null
  /** Purified over crude: what the crystallisation gave back. Never a yield. */
  recovery: Percentage | null
  melting: MeltingReading | null
  /** Every substance that is got back, where a plan separates. */
  recovered: Recovered[]
  /** Grams that the cold solvent used is expected to hold. */
  expectedInLiquorG: number | null
  judgement: Judgement
}

/**
 * Results of one run. The theoretical yield always comes from what was really charged; percent yield is product over theoretical,
 * percent recovery is purified over crude or got back over put in, and they are kept apart.
 */
export function baseResults(run: RunState): BaseResults {
  const { plan } = run
  const table = reactionTable(plan, run.charged)
  const whole = wholeOf(plan, table)
  const result = mainResult(plan)
  const names = { from: crudeSample(plan), to: productSample(plan) }
  const final = result?.recovery?.sample ?? names.to
  const kind = result?.recovery ? 'recovery' : 'yield'
  const [crude, product] = [run.samples[names.from], run.samples[names.to]]
  // What was put to the crude, or given of it, came out of no flask of this group: of what is made of it, its own part counts.
  const pool = run.pools[names.from]
  const share = crude ? ownShare(crude.mass.value, pool) : 1
  const goneOnWith =
    crude && pool ? times(crude.mass, exact(goesOnWithG(crude.mass.value, pool) / crude.mass.value)) : crude?.mass
  const percentage = (sample: string, of: Figure | null, as: Percentage['kind']): Percentage | null => {
    const found = run.samples[sample]
    if (!found || !of) return null
    const own = sample === names.to && names.to !== names.from ? times(found.mass, exact(share)) : found.mass
    return { kind: as, sample, figure: over(own, of), dry: found.dry }
  }
  const melts = (sample: string) => plan.steps.some((step) => step.kind === 'melt' && step.sample === sample)
  const meltingOf = (sample: string) => {
    const [entry, literature] = [run.melting[sample], substanceOfSample(plan, sample)?.melting]
    return entry && literature ? meltingReading(correctedRange(entry.body), literature) : null
  }
  const reached = percentage(final, whole, kind)
  const melting = meltingOf(final)
  const expectedInLiquorG = liquor(plan, run, goneOnWith?.value ?? null)
  return {
    kind,
    table,
    theoretical: theoreticalYield(plan, table),
    whole,
    limiting: table.limiting,
    limitingChanged: table.limiting.join() !== run.planned.limiting.join(),
    notMeasured: plan.lines
      .filter((line) => (isReactant(line) || line.role === 'material') && !run.charged[line.id])
      .map(({ id }) => id),
    crude: percentage(names.from, whole, kind),
    result: reached,
    recovery:
      goneOnWith && product
        ? { kind: 'recovery', sample: names.to, figure: over(product.mass, goneOnWith), dry: product.dry }
        : null,
    melting,
    recovered: (plan.recoveries ?? []).map((recovery) => {
      const put = computedLine(table, recovery.of).mass
      const got = percentage(recovery.sample, put, 'recovery')
      const range = meltingOf(recovery.sample)
      return {
        recovery,
        substance: substanceOf(plan, lineOf(plan, recovery.product)).name,
        percentage: got,
        melting: range,
        judgement: judge({
          fraction: got?.figure.value ?? null,
          kind: 'recovery',
          dry: got?.dry ?? false,
          melts: melts(recovery.sample),
          melting: range,
          expected: recovery.expected ?? null,
          inLiquorG: null,
          wholeG: put?.value ?? null,
        }),
      }
    }),
    expectedInLiquorG,
    judgement: withMore(
      judge({
        fraction: reached?.figure.value ?? null,
        kind,
        dry: reached?.dry ?? false,
        melts: melts(final),
        melting,
        expected: result?.expected ?? null,
        ceiling: kind === 'yield' ? yieldCeiling(plan, table) : null,
        u: reached ? Math.abs(reached.figure.u * reached.figure.value) : 0,
        inLiquorG: expectedInLiquorG,
        wholeG: whole?.value ?? null,
      }),
      [
        ...(pool
          ? [
              `Material was put together before: ${writeNumber(100 * share, 0)} % of what was gone on with was the group’s own, and so much of the product counts for its yield.`,
            ]
          : []),
        ...leftOut(run),
      ],
    ),
  }
}

/** A judgement with what else its figures rest on. */
const withMore = (judgement: Judgement, more: readonly string[]): Judgement =>
  more.length === 0 ? judgement : { ...judgement, evidence: [judgement.evidence, ...more].filter(Boolean).join(' ') }

/** Reactants and materials that were left out: nobody knows what went in, and the theory counts what the plan says. */
function leftOut({ plan, steps, charged }: RunState): string[] {
  const out = steps.flatMap(({ step, skipped }) =>
    step.kind === 'charge' && skipped !== null && !charged[step.line] ? [step.line] : [],
  )
  const names = [...new Set(out)]
    .map((id) => lineOf(plan, id))
    .filter((line) => isReactant(line) || line.role === 'material')
    .map((line) => substanceOf(plan, line).name)
  return names.length === 0
    ? []
    : [
        `The charge of ${names.join(' and ')} was left out: the theory counts what the plan says, and may be far from what is in the flask.`,
      ]
}

function liquor(plan: Plan, run: RunState, crudeG: number | null): number | null {
  const state = run.steps.find(({ step }) => step.kind === 'crystallise')
  if (state?.step.kind !== 'crystallise' || !state.net || crudeG === null) return null
  const solvent = lineOf(plan, state.step.solvent).substance
  const curve = mainSubstance(plan)?.solubility?.find((record) => record.solvent === solvent)
  if (!curve) return null
  const coldC = Number(typedFor(state.step).coldC ?? usualColdC)
  return leftInMotherLiquor(state.net.figure.value, solubilityAt(curve.points, coldC), crudeG)
}
