import { nameOfHeld } from '../../substance/heldById'
import { printed } from '../../words/words'
import { operationIn } from '../registry'
import { baseCapacityOf, protonsOf } from '../../substance/acidBase'
import { typedFor } from '../../plan/typedFor'
import { flowOfPlan, shakenWith } from './flowOfPlan'
import type { Context } from '../planner'
import type { ShakingBlanks } from './blanks'

/** A step in which the acid or base that is shaken with is less than what it should turn. */
export interface Shortfall {
  step: string
  title: string
  reagent: string
  /** mmol of base or of protons that it holds; null where its strength is not known. */
  has: number | null
  /** True where the pH was typed: once the reagent is spent it no longer holds, and nothing is said of how much went over. Where it is worked out, the flow has taken no more than the reagent reaches. */
  typed: boolean
  /** mmol that should be turned. */
  needs: number
  targets: readonly string[]
}

/** A base this little above an acid's pKa turns less than half of it. */
const turnsFrom = 0

/**
 * The first step up to this one that has too little acid or base for what it should take out of the layer it shakes; null where there is enough.
 */
export function shortOfReagent(context: Context): Shortfall | null {
  const { plan, table, step, filledOf } = context
  const flow = flowOfPlan(context)
  if (!flow) return null
  for (const [index, { step: id, layer }] of flow.states.entries()) {
    const here = plan.steps.find((each) => each.id === id)!
    const goes = shakenWith(table, here)
    if (goes?.watery && operationIn(here)?.shakes) {
      const base = baseCapacityOf(goes.substance)
      const acid = protonsOf(goes.substance)
      const pH = (filledOf(here) as ShakingBlanks).pH
      const before = flow.states[index - 1]?.state.layers.find(({ name }) => name === layer)?.holds
      const turned = flow.solutes.filter(({ acidPKa, basePKa }) =>
        base > 0
          ? acidPKa !== undefined && pH - acidPKa > turnsFrom
          : acid > 0 && basePKa !== undefined && basePKa - pH > turnsFrom,
      )
      const needs = turned.reduce((sum, solute) => sum + (before ? (before[solute.id] ?? 0) : solute.mmol), 0)
      const has = goes.mmol === null ? null : goes.mmol * Math.max(base, acid)
      if (needs > 1e-6 && (has === null || has < needs))
        return {
          step: id,
          title: printed(here.title),
          typed: typedFor(here).pH !== undefined || has === null,
          reagent: goes.substance.name,
          has,
          needs,
          targets: turned.map(({ id: target }) => nameOfHeld(plan.substances, target)),
        }
    }
    if (id === step.id) break
  }
  return null
}
