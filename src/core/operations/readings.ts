import type { Beside } from '../measurements/besides'
import type { Measurement } from '../measurements/measurement'
import { measurementOf } from '../measurements/registry'
import { lineOf, substanceOf, type Plan, type Step } from '../plan/plan'
import { operationIn } from './registry'

/** How a step is measured: as its operation says; a hold by its clock, and what nobody measures is ticked off. */
export function measurementIn(step: Step): Measurement {
  const measures = operationIn(step)?.measures
  const key = typeof measures === 'function' ? measures(step) : measures
  return measurementOf(step.kind === 'hold' ? 'clock' : (key ?? 'ticked'))
}

/** What a group writes down in a step, in words; empty where it only ticks the step off. */
export function readingsOf(plan: Plan, step: Step): string {
  const of =
    step.kind === 'charge'
      ? substanceOf(plan, lineOf(plan, step.line)).name
      : 'sample' in step
        ? `the sample ${step.sample}`
        : 'what is in the vessel'
  return measurementIn(step).written(of)
}

/** What may be written besides while a step goes on: what its operation says, and all of it while the author's own work is held. */
export function besidesIn(step: Step): readonly Beside[] {
  const operation = operationIn(step)
  return operation ? (operation.besides ?? []) : step.kind === 'hold' ? ['temperature', 'heater'] : []
}
