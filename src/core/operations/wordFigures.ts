import type { Lab } from '../lab/lab'
import type { Plan, Step } from '../plan/plan'
import { nameOfHeld } from '../substance/heldById'
import { blanksNamed } from '../reaction/stepText'
import type { ReactionTable } from '../reaction/reactionTable'
import type { Field } from './fields'
import type { Measured } from './planner'
import { ownBlank, ownFigures } from './own'
import { contextOf, fieldsHere, filledFor, plannerFor } from './planners'

/** A value as it stands in a sentence: with its unit, a choice in its words. */
function inWords(field: Field, value: unknown, substances: Plan['substances']): string {
  if (field.kind === 'text' && field.holds) return nameOfHeld(substances, value)
  if (field.kind === 'choice') return field.ways.find((way) => way.value === value)?.words ?? String(value)
  if (typeof value !== 'number') return String(value)
  return `${Number(value.toPrecision(6))}${'unit' in field && field.unit ? ` ${field.unit}` : ''}`
}

/** The blanks of a step that its words may name, with what each is called. */
export function namable(plan: Plan, step: Step): { key: string; label: string }[] {
  const own = ownFigures.flatMap((key) => {
    const blank = ownBlank(`@${key}`, step, plan)
    return blank ? [{ key, label: blank.field.label }] : []
  })
  const planned = (plannerFor(step)?.fields ?? []).filter(({ kind }) => kind !== 'rows')
  return [...own, ...planned.map(({ key, label }) => ({ key, label }))]
}

/** What stands in the blanks that the words of a step name: change the field, and every sentence follows; `measured` where a run is looked at rather than a plan. */
export function wordFigures(plan: Plan, table: ReactionTable, step: Step, lab: Lab, measured?: Measured): Record<string, string> {
  const named = blanksNamed(step.text)
  if (named.length === 0) return {}
  const planner = plannerFor(step)
  const filled = planner ? filledFor(contextOf(plan, table, step, lab, measured)) : {}
  const fields = planner ? fieldsHere(planner, lab) : []
  return Object.fromEntries(
    named.flatMap((key): [string, string][] => {
      const own = (ownFigures as readonly string[]).includes(key) ? ownBlank(`@${key}`, step, plan) : undefined
      if (own) return [[key, inWords(own.field, own.value, plan.substances)]]
      const field = fields.find((each) => each.key === key)
      const value = filled[key]
      return field && field.kind !== 'rows' && value !== undefined ? [[key, inWords(field, value, plan.substances)]] : []
    }),
  )
}

/** The same for every step of a plan whose words name a blank, by the step's id. */
export const figuresInWords = (plan: Plan, table: ReactionTable, lab: Lab): Record<string, Record<string, string>> =>
  Object.fromEntries(
    plan.steps.flatMap((step) => {
      const figures = wordFigures(plan, table, step, lab)
      return Object.keys(figures).length > 0 ? [[step.id, figures]] : []
    }),
  )
