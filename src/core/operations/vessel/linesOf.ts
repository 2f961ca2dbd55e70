import type { Origin } from '../../matter/state'
import type { Line, Plan } from '../../plan/plan'

/** The lines of a plan that a holding comes from. */
export const linesOf = (plan: Plan, from: readonly Origin[]): Line[] => plan.lines.filter(({ id }) => from.includes(`line ${id}`))
