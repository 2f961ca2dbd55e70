import { fractionLeft } from '../../matter/partition'
import { distributionAt } from '../../matter/pH'
import type { Context } from '../planner'
import { type ShakingBlanks } from './blanks'
import { amountOf, kHere, layersHere } from './layersHere'
import { saltingOf } from './saltingOf'

/** A layer with the share of each substance that it holds; null where nobody can say. */
export interface LayerShares {
  name: string
  kind: 'organic' | 'watery'
  volumeML: number
  pH: number | null
  share: (number | null)[]
}

/** The substances that are followed at a step, with how much of each every layer holds. */
export function whereItIs(context: Context): { solutes: string[]; layers: LayerShares[] } | null {
  const here = layersHere(context)
  if (!here) return null
  const amounts = here.layers.map(({ holds }) => here.followed.map((thing) => amountOf(holds, thing)))
  const totals = here.followed.map((_thing, i) =>
    amounts.reduce<number | null>((sum, each) => (sum === null || each[i] === null ? null : sum + each[i]!), 0),
  )
  return {
    solutes: here.followed.map(({ name }) => name),
    layers: here.layers.map(({ name, kind, mL, pH }, at) => ({
      name,
      kind,
      volumeML: mL,
      pH,
      share: totals.map((total, i) => (total === null ? null : total > 0 ? amounts[at]![i]! / total : 0)),
    })),
  }
}

/** Fraction taken out against the number of portions into which the same volume is parted, for the substance that moves least easily of those that should. */
export function recoveryByPortions(context: Context, filled: ShakingBlanks): { portions: number; percent: number }[] {
  const here = layersHere(context)
  const pH = here?.layers.find(({ kind, name }) => kind === 'watery' && (name === here.left.name || name === filled.into))?.pH
  if (!here || pH === undefined || pH === null) return []
  const product = context.plan.mainProduct
  const wanted = product === undefined ? here.followed : here.followed.slice(0, 1)
  const pulls = wanted
    .filter((thing) => (amountOf(here.shaken.holds, thing) ?? 0) > 0)
    .flatMap((thing) => {
      const known = kHere(context, thing, here.solvent)
      if (!known) return []
      const D = saltingOf(filled) * distributionAt(thing, known.K.likely, pH)
      return [here.shaken.kind === 'organic' ? 1 / D : D]
    })
    .filter((pull) => pull > 0.05 && Number.isFinite(pull))
  if (pulls.length === 0) return []
  const pull = Math.min(...pulls)
  const total = filled.portions * filled.portionML
  return Array.from({ length: 8 }, (_, index) => ({
    portions: index + 1,
    percent: 100 * (1 - fractionLeft({ D: pull, waterML: here.shaken.mL, portionML: total / (index + 1), portions: index + 1 })),
  }))
}

/** What is in which layer, as a table; nothing where it is not known. */
export function layersOf(context: Context): Record<string, unknown> {
  const layers = whereItIs(context)
  return layers ? { layers } : {}
}
