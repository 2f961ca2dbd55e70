import { asReadings } from '../operations/vessel/stoodAt'
import { defaultLab } from '../lab/lab'
import { matterOf } from './matterJson'
import type { Context } from '../operations/planner'
import { contextOf, filledFor, reportFor, tablesFor } from '../operations/planners'
import type { Figure } from '../quantity/figure'
import type { Plan } from '../plan/plan'
import type { Substance } from '../substance/substance'
import { queriesOf } from '../query/queries'
import { balance } from '../reaction/balance'
import { reactionTable, theoreticalYield, type ReactionTable } from '../reaction/reactionTable'
import type { Percentage } from '../result/baseResults'
import { runResults } from '../result/runResults'
import type { Entry } from '../run/entry'
import { foldRun } from '../run/foldRun'
import { measuredOf } from '../run/measured'

const plain = (figure: Figure | null, factor = 1) =>
  figure && { value: figure.value * factor, standardUncertainty: Math.abs(figure.u * figure.value * factor) }

const lines = (table: ReactionTable) =>
  table.lines.map((line) => ({
    id: line.line.id,
    substance: line.substance.name,
    role: line.line.role,
    coefficient: line.line.coefficient,
    molarMass_g_per_mol: line.molarMass,
    mass_g: plain(line.mass),
    volume_mL: plain(line.volume),
    amount_mmol: plain(line.amount),
    ratio: line.ratio?.value ?? null,
    limiting: line.limiting,
    excess: line.excess,
  }))

const percentage = (percent: Percentage | null) =>
  percent && { kind: percent.kind, sample: percent.sample, dry: percent.dry, percent: plain(percent.figure, 100) }

/** What the planner of each step works out, from the plan or from what a run has charged and measured. */
function operationsOf(plan: Plan, table: ReactionTable, { measured, solvents }: Pick<Context, 'measured' | 'solvents'>) {
  return plan.steps.flatMap((step) => {
    const context = contextOf(plan, table, step, undefined, measured, solvents)
    const filled = filledFor(context)
    const report = reportFor(context, filled)
    if (!report) return []
    const figures = report.facts.map(({ id, name, value, unit }) => ({ id, name, value, unit }))
    const advice = report.advice.map(({ id, level, words }) => ({ id, level, words }))
    return [{ step: step.id, inputs: filled, figures, advice, ...tablesFor(context, filled) }]
  })
}

/** Everything core computes from a plan, and from a run's entries where they are given, as one plain document (docs/formats/README.md). */
export function calculate(plan: Plan, run?: { scale: number; entries: Entry[] }, solvents: readonly Substance[] = []) {
  const table = reactionTable(plan)
  const planned = {
    title: plan.title,
    lines: lines(table),
    extent_mmol: plain(table.extent),
    limiting: table.limiting,
    theoreticalYield_g: plain(theoreticalYield(plan, table)),
    balanced: balance(plan).imbalances.length === 0,
    operations: operationsOf(plan, table, { solvents }),
    matter: matterOf(plan, table, defaultLab),
    queries: queriesOf(plan, table).map(({ id, about, title, evidence, answer }) => ({
      id,
      about,
      title,
      evidence,
      ...(answer === undefined ? {} : { answer }),
    })),
  }
  if (!run) return planned
  const state = foldRun(plan, run.scale, run.entries)
  const results = runResults(state)
  const measured = measuredOf(state)
  return {
    ...planned,
    run: {
      scale: run.scale,
      operations: operationsOf(state.plan, results.table, { measured, solvents }),
      matter: matterOf(state.plan, results.table, defaultLab, asReadings(measured)),
      steps: state.steps.map(({ step, status, signature }) => ({ id: step.id, status, signature: signature.state })),
      charged: Object.fromEntries(
        Object.entries(state.charged).map(([id, { measure, figure }]) => [id, { measure, ...plain(figure) }]),
      ),
      samples: Object.fromEntries(Object.entries(state.samples).map(([id, { mass, dry }]) => [id, { mass_g: plain(mass), dry }])),
      lines: lines(results.table),
      limiting: results.limiting,
      limitingChanged: results.limitingChanged,
      notMeasured: results.notMeasured,
      theoreticalYield_g: plain(results.theoretical),
      whole_g: plain(results.whole),
      crude: percentage(results.crude),
      result: percentage(results.result),
      recovery: percentage(results.recovery),
      results: results.outcomes.map(({ quantity, of, sample, from, figure, to, unit, text, dry, evidence, judgement }) => ({
        ...{ quantity, of, sample, from, unit, text, to, dry, evidence, judgement },
        value: plain(figure),
      })),
      melting: results.melting,
      expectedInMotherLiquor_g: results.expectedInLiquorG,
      judgement: results.judgement,
    },
  }
}
