import { nameOfHeld } from '../../substance/heldById'
import { mainSubstance } from '../../plan/plan'
import { distributionRatio, fractionLeft } from '../../matter/partition'
import { saltingOf } from './flowOfPlan'
import { shortOfReagent } from './shortOfReagent'
import { type Context } from '../planner'
import { type ShakingBlanks } from './blanks'
import { flowHere } from './shakingHere'

/** The substances that are followed at a step, with how much of each every layer holds. */
export function whereItIs(
  context: Context,
): { solutes: string[]; layers: { name: string; kind: string; volumeML: number; pH: number; share: number[] }[] } | null {
  const here = flowHere(context)
  if (!here || shortOfReagent(context)?.typed) return null
  const { flow, state } = here
  const totals = flow.solutes.map(({ id }) => state.layers.reduce((sum, { holds }) => sum + (holds[id] ?? 0), 0))
  return {
    solutes: flow.solutes.map(({ id }) => nameOfHeld(context.plan.substances, id)),
    layers: state.layers.map(({ name, kind, volumeML, pH, holds }) => ({
      name,
      kind,
      volumeML,
      pH,
      share: flow.solutes.map(({ id }, i) => (totals[i]! > 0 ? (holds[id] ?? 0) / totals[i]! : 0)),
    })),
  }
}

/** Fraction taken out against the number of portions into which the same volume is parted, for the substance that moves least easily of those that should. */
export function recoveryByPortions(context: Context, filled: ShakingBlanks): { portions: number; percent: number }[] {
  const here = flowHere(context)
  if (!here || shortOfReagent(context)?.typed) return []
  const { flow, shaken } = here
  const product = context.plan.mainProduct === undefined ? undefined : mainSubstance(context.plan)?.id
  const pulls = flow.solutes
    .filter(({ id }) => (product === undefined ? (shaken.holds[id] ?? 0) > 0 : id === product))
    .map((solute) => {
      const D = saltingOf(filled) * distributionRatio(solute, shaken.kind === 'organic' ? filled.pH : shaken.pH)
      return shaken.kind === 'organic' ? 1 / D : D
    })
    .filter((pull) => pull > 0.05)
  if (pulls.length === 0) return []
  const pull = Math.min(...pulls)
  const total = filled.portions * filled.portionML
  return Array.from({ length: 8 }, (_, index) => ({
    portions: index + 1,
    percent: 100 * (1 - fractionLeft({ D: pull, waterML: shaken.volumeML, portionML: total / (index + 1), portions: index + 1 })),
  }))
}

/** What is in which layer, as a table; nothing where it is not known. */
export function layersOf(context: Context): Record<string, unknown> {
  const layers = whereItIs(context)
  return layers ? { layers } : {}
}
