import { writeNumber } from '../../quantity/write'
import { vesselNamed } from '../../matter/state'
import type { KeepsBack } from '../kept'
import { operationIn } from '../registry'
import { stoodAt } from '../vessel/stoodAt'
import { walkOf } from '../vessel/standsIn'
import { asReadings } from '../vessel/stoodAt'
import { amountOf, kHere, layerOf, layersHere } from './layersHere'

/** The layers that the work does not go on with: what all shakings of the plan together leave in them, said once, at the last. */
export const shakingKeeps: KeepsBack = (context, { substance, reachedG }) => {
  const { plan, table, step, lab, measured } = context
  const last = plan.steps.findLast((each) => operationIn(each)?.shakes)
  const here = last?.id === step.id ? layersHere(context) : null
  const stood = stoodAt(context)
  if (!here || !stood) return null
  const thing = here.followed.find((each) => each.substance === substance)
  const known = thing && kHere(context, thing, here.solvent)
  if (!thing || !known)
    return { unknown: `what the other layers hold: no partition coefficient of ${substance.name} is on record` }
  const walked = walkOf(plan, table, lab, measured && asReadings(measured))
  const at = plan.steps.findIndex(({ id }) => id === step.id)
  /** The share of all of it that the layers besides the one that holds most have, in one realisation. */
  const best = [...here.layers].sort((a, b) => (amountOf(b.holds, thing) ?? 0) - (amountOf(a.holds, thing) ?? 0))[0]!.name
  const elsewhere = (bench: (typeof stood)['after']): number | null => {
    const amounts = here.layers.map(({ name }) => {
      const vessel = vesselNamed(bench, name)
      return [name, vessel ? amountOf(layerOf(vessel).holds, thing) : 0] as const
    })
    if (amounts.some(([, mmol]) => mmol === null)) return null
    const total = amounts.reduce((sum, [, mmol]) => sum + mmol!, 0)
    return total > 0 ? amounts.reduce((sum, [name, mmol]) => sum + (name === best ? 0 : mmol!), 0) / total : 0
  }
  const likely = elsewhere(stood.after)
  const others = walked.others().map((steps) => elsewhere(steps[at]!.after))
  if (likely === null || others.includes(null))
    return { unknown: `what the other layers hold of ${substance.name}: an amount is not known` }
  const all = [likely, ...(others as number[])]
  const total = here.layers.reduce((sum, { holds }) => sum + (amountOf(holds, thing) ?? 0), 0)
  const named = here.layers
    .map(({ name, holds }) => [name, (amountOf(holds, thing) ?? 0) / (total || 1)] as const)
    .filter(([name, share]) => name !== best && share > 1e-4)
  const { K } = known
  return {
    what: 'other layers',
    g: likely * reachedG,
    lowG: Math.min(...all) * reachedG,
    highG: Math.max(...all) * reachedG,
    how: `${named.length === 0 ? 'next to nothing' : named.map(([name, share]) => `${writeNumber(100 * share, 1)} % in ${name}`).join(', ')} by partition with K ${writeNumber(K.likely, K.likely < 10 ? 2 : 0)}, from ${writeNumber(K.low, K.low < 10 ? 2 : 0)} to ${writeNumber(K.high, K.high < 10 ? 2 : 0)}`,
  }
}
