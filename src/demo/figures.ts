import { operationOf } from '@/core/operations/registry'
import type { Plan } from '@/core/plan/plan'
import { contextOf, filledFor, plannerFor, reportFor } from '@/core/operations/planners'
import { defaultLab } from '@/core/lab/lab'
import { volumeOf } from '@/core/matter/phase'
import { vesselNamed } from '@/core/matter/state'
import { walkOf } from '@/core/operations/vessel/standsIn'
import { queriesOf } from '@/core/query/queries'
import { reactionTable } from '@/core/reaction/reactionTable'
import { scalePlan } from '@/core/edit/scalePlan'
import { notLinear } from '@/core/operations/notLinear'
import { runResults } from '@/core/result/runResults'
import { foldRun } from '@/core/run/foldRun'
import { college } from './college'

const rounded = (value: unknown): unknown => {
  if (typeof value === 'number') return Number(value.toPrecision(6))
  if (Array.isArray(value)) return value.map(rounded)
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, rounded(part)]))
}
const line = (...parts: unknown[]) =>
  parts.map((part) => (typeof part === 'string' ? part : JSON.stringify(rounded(part)))).join(' ')

/** Every figure, blank, fact, piece of advice and query of a plan at a scale, one on a line and without a word of the author's. */
export function figuresOf(plan: Plan, scale: number): string[] {
  const scaled = scalePlan(plan, scale)
  const table = reactionTable(scaled)
  const { steps } = walkOf(scaled, table, defaultLab)
  return [
    ...table.lines.map((each) =>
      line(
        'line',
        each.line.id,
        [each.mass, each.volume, each.amount].map((figure) => figure?.value ?? null),
        each.limiting,
      ),
    ),
    ...scaled.steps.flatMap((step) => {
      const { during } = steps.find((each) => each.step.id === step.id)!
      const inside = vesselNamed(during, during.at)!.phases.map((phase) => [phase.kind, volumeOf(phase).mL])
      const head = line('step', step.id, operationOf(step) ?? 'own', inside)
      if (!plannerFor(step)) return [head]
      const context = contextOf(scaled, table, step)
      const filled = filledFor(context)
      const { facts, advice } = reportFor(context, filled)!
      return [
        head,
        ...Object.entries(filled).map(([key, value]) => line('  blank', key, value)),
        ...facts.map(({ id, value }) => line('  fact', id, value)),
        ...advice.map(({ id, level }) => line('  advice', id, level)),
      ]
    }),
    ...queriesOf(scaled, table).map(({ id }) => line('query', id)),
    line('not linear', notLinear(plan, scale).length),
  ]
}

/** The results of two runs of the made-up college: one as it should be, one with too much solvent. */
export function figuresOfRuns(): string[] {
  const made = college(new Date('2026-11-18T12:00:00Z'), 'UTC')
  const session = made.sessions[0]!
  const { plan } = made.preparations.find(({ revision }) => revision === session.revision)!
  return [0, 4].flatMap((index) => {
    const run = session.runs[index]!
    const {
      plan: _plan,
      table: _table,
      judgement,
      ...results
    } = runResults(foldRun(plan, run.scale, run.entries)) as unknown as Record<string, unknown>
    return Object.entries({ ...results, judgement: (judgement as { level: string }).level }).map(([key, value]) =>
      line('run', String(run.bench), key, value ?? null),
    )
  })
}
