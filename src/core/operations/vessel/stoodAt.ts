import { volumeOf } from '../../matter/phase'
import { holdingsIn, massOf, vesselNamed, type Phase, type Vessel } from '../../matter/state'
import type { Readings, Stood, Walk } from '../../matter/walk'
import type { Substance } from '../../substance/substance'
import type { Context, Measured } from '../planner'
import { walkOf } from './standsIn'

const known = new WeakMap<Measured, Readings>()

/** What a run has measured, as the walk takes it: the same object for the same measurements. */
export function asReadings(measured: Measured): Readings {
  const found = known.get(measured) ?? { samplesG: measured.samples, usedML: measured.usedML }
  known.set(measured, found)
  return found
}

/** The walk around the step of a planner, by the plan or by what its run has charged and measured, and the place of the step in it. */
export function walkAt({ plan, table, step, lab, measured }: Context): { walked: Walk; at: number } {
  const walked = walkOf(plan, table, lab, measured && asReadings(measured))
  return { walked, at: walked.steps.findIndex((each) => each.step.id === step.id) }
}

/** What stands on the bench around the step of a planner. */
export function stoodAt(context: Context): Stood | undefined {
  const { walked, at } = walkAt(context)
  return walked.steps[at]
}

/** The vessel that the work is done in while a step is done, with everything in it. */
export function vesselDuring(context: Context): Vessel | undefined {
  const bench = stoodAt(context)?.during
  return bench && vesselNamed(bench, bench.at)
}

/** The vessel that the work stands in when a step begins. */
export function vesselBefore(context: Context): Vessel | undefined {
  const bench = stoodAt(context)?.before
  return bench && vesselNamed(bench, bench.at)
}

/** Grams of a substance in a vessel, in all phases; null where nobody can say. */
export const gramsOfIn = (vessel: Vessel | undefined, substance: Substance | undefined): number | null =>
  massOf((vessel ? holdingsIn(vessel) : []).filter(({ thing, certain }) => certain && thing.substance === substance))

const kind = (solid: boolean) => (phase: Phase) => (phase.kind === 'solid') === solid

/** Grams of what is solid in a vessel; null where nobody can say. */
export const solidGIn = (vessel: Vessel | undefined): number | null =>
  massOf(vessel?.phases.filter(kind(true)).flatMap(({ holds }) => holds) ?? [])

/** Millilitres of what is liquid in a vessel, as far as anybody knows. */
export const liquidMLIn = (vessel: Vessel | undefined): number =>
  vessel?.phases.filter(kind(false)).reduce((sum, phase) => sum + volumeOf(phase).mL, 0) ?? 0

/** Millilitres that everything in a vessel takes, solids among them, as far as anybody knows. */
export const fillMLIn = (vessel: Vessel | undefined): number =>
  vessel?.phases.reduce((sum, phase) => sum + volumeOf(phase).mL, 0) ?? 0
