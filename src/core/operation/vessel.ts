import type { Plan, Vessel } from '../plan/plan'
import { stepsThatUse } from '../plan/editPlan'
import type { ReactionTable } from '../reaction/reactionTable'

/** Sizes in mL in which each kind of vessel is made. */
export const vesselSizes: Readonly<Record<Vessel['kind'], readonly number[]>> = {
  'round-bottom': [5, 10, 25, 50, 100, 250, 500, 1000],
  'separating funnel': [30, 60, 125, 250, 500, 1000],
  conical: [10, 25, 50, 125, 250, 500, 1000],
  vial: [4, 8, 20, 40],
}

/** How full each kind may be with everything in, as a fraction of its size: bumping and frothing above, scorching below. */
export const fillRule: Readonly<Record<Vessel['kind'], { least: number; most: number }>> = {
  'round-bottom': { least: 1 / 3, most: 2 / 3 },
  'separating funnel': { least: 0, most: 3 / 4 },
  conical: { least: 0, most: 1 / 2 },
  vial: { least: 0, most: 3 / 4 },
}

/**
 * Millilitres in the vessel that a step sets up, once everything is in that goes in before the next vessel is set up or the
 * mixture is poured off (quench, filter, weigh). Liquids by volume, solids taken at 1 mL to the gram.
 */
export function contentsML(plan: Plan, table: ReactionTable, setUp: string): number {
  const from = plan.steps.findIndex(({ id }) => id === setUp)
  const rest = plan.steps.slice(from)
  const end = rest.findIndex(
    (step, index) =>
      index > 0 &&
      (['assemble', 'weigh', 'crystallise'].includes(step.kind) || (step.kind === 'act' && leavesVessel.has(step.verb))),
  )
  const inside = new Set((end < 0 ? rest : rest.slice(0, end)).map(({ id }) => id))
  return table.lines
    .filter(({ line }) => stepsThatUse(plan, line.id).some(({ id }) => inside.has(id)))
    .reduce((sum, { volume, mass }) => sum + (volume?.value ?? mass?.value ?? 0), 0)
}

const leavesVessel = new Set(['Pour', 'Quench', 'Filter', 'Extract', 'Wash', 'Distil', 'Evaporate'])

/** The smallest standard size that obeys the fill rule, or null where none does. */
export function fittingSize(kind: Vessel['kind'], volumeML: number): number | null {
  const { least, most } = fillRule[kind]
  return vesselSizes[kind].find((size) => volumeML <= most * size && volumeML >= least * size) ?? null
}
