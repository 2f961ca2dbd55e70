import { over, type Figure } from '../quantity/figure'
import { isReactant, lineOf, substanceOf, type Plan } from '../plan/plan'
import { reactionTable, theoreticalYield, type ReactionTable } from '../reaction/reactionTable'
import { leftInMotherLiquor, solubilityAt } from '../operation/solubility'
import type { RunState } from '../run/foldRun'
import { meltingReading, type MeltingReading } from './meltingReading'
import { judge, type Judgement } from './judge'

/** A percentage that says which it is: of what, after which step, wet or dry. Fractions, not percent. */
export interface Percentage {
  kind: 'yield' | 'recovery'
  sample: string
  figure: Figure
  dry: boolean
}

export interface RunResults {
  /** The table from what this group charged; planned figures stand in for lines that were not measured. */
  table: ReactionTable
  /** g */
  theoretical: Figure | null
  limiting: string[]
  /** True when another reactant sets the limit than in the plan. */
  limitingChanged: boolean
  /** Reactants whose planned amount had to stand in. */
  notMeasured: string[]
  crudeYield: Percentage | null
  yield: Percentage | null
  /** Purified over crude: what the crystallisation gave back. Never a yield. */
  recovery: Percentage | null
  melting: MeltingReading | null
  /** Grams that the cold solvent used is expected to hold. */
  expectedInLiquorG: number | null
  judgement: Judgement
}

/**
 * Results of one run. The theoretical yield always comes from what was really charged; percent yield is product over theoretical,
 * percent recovery is purified over crude, and they are kept apart.
 */
export function runResults(run: RunState): RunResults {
  const table = reactionTable(run.plan, run.charged)
  const theoretical = theoreticalYield(run.plan, table)
  const crystallise = run.steps.find(({ step }) => step.kind === 'crystallise')
  const names = crystallise?.step.kind === 'crystallise' ? crystallise.step : { from: 'crude', to: 'purified' }
  const [crude, product] = [run.samples[names.from], run.samples[names.to]]
  const ofTheory = (sample: string): Percentage | null => {
    const found = run.samples[sample]
    return found && theoretical ? { kind: 'yield', sample, figure: over(found.mass, theoretical), dry: found.dry } : null
  }
  const literature = substanceOf(run.plan, lineOf(run.plan, run.plan.mainProduct)).melting
  const melting =
    run.melting && literature
      ? meltingReading({ onsetC: run.melting.body.onsetC, clearC: run.melting.body.clearC }, literature)
      : null
  const finalYield = ofTheory(names.to)
  const expectedInLiquorG = liquor(run.plan, run, crude?.mass.value ?? null)
  return {
    table,
    theoretical,
    limiting: table.limiting,
    limitingChanged: table.limiting.join() !== run.planned.limiting.join(),
    notMeasured: run.plan.lines.filter((line) => isReactant(line) && !run.charged[line.id]).map(({ id }) => id),
    crudeYield: ofTheory(names.from),
    yield: finalYield,
    recovery:
      crude && product ? { kind: 'recovery', sample: names.to, figure: over(product.mass, crude.mass), dry: product.dry } : null,
    melting,
    expectedInLiquorG,
    judgement: judge({
      yield: finalYield?.figure.value ?? null,
      dry: finalYield?.dry ?? false,
      melting,
      expected: run.plan.expectedYield,
      inLiquorG: expectedInLiquorG,
      theoreticalG: theoretical?.value ?? null,
    }),
  }
}

function liquor(plan: Plan, run: RunState, crudeG: number | null): number | null {
  const state = run.steps.find(({ step }) => step.kind === 'crystallise')
  if (state?.step.kind !== 'crystallise' || !state.net || crudeG === null) return null
  const solvent = lineOf(plan, state.step.solvent).substance
  const curve = substanceOf(plan, lineOf(plan, plan.mainProduct)).solubility?.find((record) => record.solvent === solvent)
  if (!curve) return null
  const coldest = Math.min(...curve.points.map(({ atC }) => atC))
  return leftInMotherLiquor(state.net.figure.value, solubilityAt(curve.points, coldest), crudeG)
}
