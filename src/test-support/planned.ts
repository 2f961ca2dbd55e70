import { defaultLab } from '@/core/lab/lab'
import type { Lab } from '@/core/lab/lab'
import type { CrystalliseBlanks } from '@/core/operations/crystallise/blanks'
import type { DistilBlanks } from '@/core/operations/distil/blanks'
import type { ShakingBlanks } from '@/core/operations/extract/blanks'
import type { Filled } from '@/core/operations/fields'
import type { Measured } from '@/core/operations/planner'
import { contextOf, filledFor, reportFor } from '@/core/operations/planners'
import { operationOf } from '@/core/operations/registry'
import type { WashBlanks } from '@/core/operations/wash/planner'
import type { Plan, Work } from '@/core/plan/plan'
import { reactionTable } from '@/core/reaction/reactionTable'

/** A step of a plan with what was typed for it, and what its planner says. */
export function at(plan: Plan, id: string, typed: Record<string, unknown> = {}, lab: Lab = defaultLab, measured?: Measured) {
  const step = plan.steps.find((each) => each.id === id)!
  const work = { ...step.work, ...typed, of: operationOf(step)! } as Work
  const changed: Plan =
    Object.keys(typed).length > 0
      ? { ...plan, steps: plan.steps.map((each) => (each.id === id ? { ...each, work } : each)) }
      : plan
  const context = contextOf(
    changed,
    reactionTable(changed),
    changed.steps.find((each) => each.id === id)!,
    lab,
    measured,
  )
  const filled = filledFor(context)
  const report = reportFor(context, filled)!
  return {
    context,
    // Which operation it is each test knows.
    filled: filled as unknown as Filled & ShakingBlanks & WashBlanks & DistilBlanks & CrystalliseBlanks,
    report,
    fact: (fact: string) => report.facts.find((each) => each.id === fact)?.value,
    advice: (advice: string) => report.advice.find((each) => each.id === advice),
  }
}

export const nothingMeasured: Measured = { samples: {}, usedML: {}, temperatures: {}, weighings: {}, heads: {}, windows: {} }
export const lowPressure: Lab = { ...defaultLab, pressure: { by: 'mmHg', value: 700 } }
