import { operationIn } from '../registry'
import { walkOf } from './standsIn'
import type { Lab } from '../../lab/lab'
import type { Meets } from '../../matter/reactions/meets'
import type { Row } from '../../matter/reactions/row'
import type { Holding } from '../../matter/state'
import { linesOf } from './linesOf'
import { substanceOf, type Plan } from '../../plan/plan'
import { classesOf, type ClassInVessel } from '../../reaction/reactiveClasses'
import type { ReactionTable } from '../../reaction/reactionTable'

/** Who meets: a substance of the plan, or what formed in it. */
export interface Who {
  id: string
  name: string
}

/** Two substances of a plan that meet in a vessel, in a step in which they do. */
export interface Met {
  row: Row
  one: Who
  other: Who
  step: string
  /** True where the step is there for it. */
  meant: boolean
}

/** What a plan calls what stands in a vessel: by its own name where the plan has it; ions by the substances of the lines that they come from, those of the class before others; what formed by its own name. */
export function whoIs(plan: Plan, { thing, from }: Holding, as: ClassInVessel): Who[] {
  if (plan.substances.includes(thing.substance)) return [{ id: thing.substance.id, name: thing.name }]
  const lines = linesOf(plan, from)
  if (lines.length === 0) return [{ id: thing.id, name: thing.name }]
  const own = lines.filter((line) => classesOf(substanceOf(plan, line), line).has(as))
  const all = (own.length > 0 ? own : lines).map((line) => substanceOf(plan, line))
  return [...new Map(all.map(({ id, name }) => [id, { id, name }])).values()]
}

/** One name for two, whichever comes first. */
export const pairName = ({ one, other }: Pick<Met, 'one' | 'other'>): string => [one.id, other.id].sort().join(' ')

/** Pairs by the names that a plan has for them; what comes of one line alone meets nobody. */
export const named = (plan: Plan, { row, one, other }: Meets): Pick<Met, 'row' | 'one' | 'other'>[] =>
  whoIs(plan, one, row.one).flatMap((a) =>
    whoIs(plan, other, row.other).flatMap((b) => (a.id === b.id ? [] : [{ row, one: a, other: b }])),
  )

/** What meets in a plan: each pair of substances once, where they first stand in one vessel, and again where it first is not meant. */
export function meetingsIn(plan: Plan, table: ReactionTable, lab: Lab): Met[] {
  const known = found.get(table)
  if (known?.plan === plan && known.lab === lab) return known.met
  const met = look(plan, table, lab)
  found.set(table, { plan, lab, met })
  return met
}

const found = new WeakMap<ReactionTable, { plan: Plan; lab: Lab; met: Met[] }>()

function look(plan: Plan, table: ReactionTable, lab: Lab): Met[] {
  const seen = new Set<string>()
  const walked = walkOf(plan, table, lab)
  return plan.steps.flatMap((step, at) => {
    const purposes = operationIn(step)?.meant ?? []
    return walked
      .meets(at)
      .flatMap((each) => named(plan, each))
      .flatMap((pair): Met[] => {
        const meant = pair.row.meant !== undefined && purposes.includes(pair.row.meant.purpose)
        const name = `${pairName(pair)} ${meant} ${pair.row.grade === 'heed'}`
        if (seen.has(name)) return []
        seen.add(name)
        return [{ ...pair, step: step.id, meant }]
      })
  })
}
