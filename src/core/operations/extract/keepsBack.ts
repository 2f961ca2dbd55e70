import { writeNumber } from '../../quantity/write'
import type { KeepsBack } from '../kept'
import { flowOfPlan } from './flowOfPlan'
import { layerFlow, mostlyIn } from './layerFlow'

/** A partition coefficient of a record is another one in another mixture: half or twice as much. */
const partitionMay = 2

/** The layers that the work does not go on with: what all shakings of the plan together leave in them, said once, at the last. */
export const shakingKeeps: KeepsBack = (context, { substance, reachedG }) => {
  const flow = flowOfPlan(context)
  const last = flow?.states.at(-1)
  if (!flow || !last || last.step !== context.step.id) return null
  const solute = flow.solutes.find(({ id }) => id === substance.id)
  if (!solute || !(solute.mmol > 0))
    return { unknown: `what the other layers hold: no partition coefficient of ${substance.name} is on record` }
  // The layer that holds most of it is the one that is worked up; where K is off, it is still the same one.
  const layer = mostlyIn(last.state, solute.id)?.layer
  const elsewhere = (factor: number) => {
    const solutes = flow.solutes.map((each) => (each === solute ? { ...each, K: each.K * factor } : each))
    const end = layerFlow(flow.start, solutes, flow.done).at(-1)!
    const kept = end.layers.find(({ name }) => name === layer)?.holds[solute.id] ?? 0
    return Math.min(1, Math.max(0, 1 - kept / solute.mmol))
  }
  const all = [1 / partitionMay, 1, partitionMay].map(elsewhere)
  const others = last.state.layers.filter(({ name, holds }) => name !== layer && (holds[solute.id] ?? 0) > solute.mmol * 1e-4)
  return {
    what: 'other layers',
    g: all[1]! * reachedG,
    lowG: Math.min(...all) * reachedG,
    highG: Math.max(...all) * reachedG,
    how: `${others.length === 0 ? 'next to nothing' : others.map(({ name, holds }) => `${writeNumber((100 * (holds[solute.id] ?? 0)) / solute.mmol, 1)} % in ${name}`).join(', ')} by partition with K ${writeNumber(solute.K, solute.K < 10 ? 2 : 0)}; from half of K to twice`,
  }
}
