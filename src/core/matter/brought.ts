import { pressureMmHg, type Lab } from '../lab/lab'
import { partsUsed, type PartUsed } from '../plan/partsUsed'
import { isCharged, lineOf, type Plan, type Step } from '../plan/plan'
import type { ReactionTable } from '../reaction/reactionTable'
import { chargedOf, type Charged } from './charged'
import { likely } from './span'
import { emptyBench, together, vesselAt, type Vessel } from './state'
import { thingsOf } from './things'
import { goesIn } from './verbs'
import type { World } from './world'

/** What several lines bring, in one. */
export const joined = (all: readonly Charged[]): Charged => ({
  liquid: together(...all.map(({ liquid }) => liquid)),
  solid: together(...all.map(({ solid }) => solid)),
})

interface Brings {
  plan: Plan
  table: ReactionTable
  lab: Lab
}

/** What a step puts in, in a vessel of its own; undefined where it puts nothing in. */
export function broughtBy({ plan, table, lab }: Brings, step: Step): Vessel | undefined {
  const things = thingsOf(plan)
  const lines = chargedIn(plan, step)
  if (lines.length === 0) return undefined
  const world: World = {
    ...{ things, mmHg: pressureMmHg(lab), draw: likely, step: step.id, written: new Map(), note: () => {} },
  }
  const all = lines.map(({ line, part }) => chargedOf(plan, table, things, line, part, likely))
  return vesselAt(goesIn(emptyBench, joined(all), world))
}

/** The lines that a step puts in, with the part of each. */
export const chargedIn = (plan: Plan, step: Step): PartUsed[] =>
  partsUsed(step).filter(({ line }) => plan.lines.some(({ id }) => id === line) && isCharged(lineOf(plan, line)))
