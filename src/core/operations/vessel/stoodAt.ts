import type { Readings, Stood } from '../../matter/walk'
import type { Context, Measured } from '../planner'
import { walkOf } from './standsIn'

/** What a run has measured, as the walk takes it: the same object for the same run. */
const readingsOf = new WeakMap<Measured, Readings>()

function asReadings(measured: Measured): Readings {
  const known = readingsOf.get(measured) ?? { samplesG: measured.samples, usedML: measured.usedML }
  readingsOf.set(measured, known)
  return known
}

/** What stands on the bench around the step of a planner, by the plan or by what its run has charged and measured. */
export function stoodAt({ plan, table, step, lab, measured }: Context): Stood | undefined {
  return walkOf(plan, table, lab, measured && asReadings(measured)).steps.find((each) => each.step.id === step.id)
}
