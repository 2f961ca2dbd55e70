import type { Thing } from '../../matter/thing'
import { baseCapacityOf, protonsOf } from '../../substance/acidBase'
import type { Context } from '../planner'
import { amountOf, type LayersHere } from './layersHere'
import { shakenWith } from './shakenWith'

/** An acid or base that is shaken with and is less than what it should turn. */
export interface Shortfall {
  reagent: string
  /** mmol of base or of protons that it holds; null where its strength is not known. */
  has: number | null
  /** mmol that should be turned. */
  needs: number
  targets: readonly string[]
}

/** A base turns more than half of the acids whose pKa is below this, an acid of the bases whose pKaH is above the other: bicarbonate reaches pH 8, hydroxide 14, dilute acid 0. */
const reaches = { weakBase: 8, strongBase: 14, acid: 0 } as const

/** Where the acid or base of a step is too little for what it should take out of the layer it shakes; null where there is enough. */
export function shortOfReagent({ table, step }: Context, { shaken, followed }: LayersHere): Shortfall | null {
  const goes = shakenWith(table, step)
  if (!goes?.watery) return null
  const [base, acid] = [baseCapacityOf(goes.substance), protonsOf(goes.substance)]
  if (base === 0 && acid === 0) return null
  const reach = isWeak(goes.substance.formula) ? reaches.weakBase : reaches.strongBase
  const isTurned = (thing: Thing) =>
    base > 0 ? thing.acid.length > 0 && thing.acid[0]! < reach : thing.base !== null && thing.base > reaches.acid
  const turned = followed.filter((thing) => isTurned(thing) && (amountOf(shaken.holds, thing) ?? 0) > 1e-6)
  const needs = turned.reduce((sum, thing) => sum + (amountOf(shaken.holds, thing) ?? 0), 0)
  const has = goes.mmol === null ? null : goes.mmol * Math.max(base, acid)
  if (needs <= 1e-6 || (has !== null && has >= needs)) return null
  return { reagent: goes.substance.name, has, needs, targets: turned.map(({ name }) => name) }
}

/** A bicarbonate leaves phenols as they are. */
const isWeak = (formula: string | undefined) => formula === 'NaHCO3' || formula === 'KHCO3'
