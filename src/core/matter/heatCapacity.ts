import { elementsIn, isHydrocarbon, isMetal } from '../substance/atoms'
import { isLiquid } from './phase'
import { massOf, type Holding, type Phase } from './state'
import { isWater, type Thing } from './thing'

/** Specific heats at 25 °C, J/(g·K), of what there usually is (CRC Handbook of Chemistry and Physics, heat capacities; not compared with it). A dissolved acid counts with what it adds to the water's own. */
const specificHeat = {
  water: 4.18,
  sulfuricAcid: 1.4,
  nitricAcid: 2,
  otherSolute: 1,
  hydrocarbon: 1.8,
  alcohol: 2.4,
  acid: 2.1,
  ether: 2.2,
  halide: 1,
  bromide: 0.8,
  otherLiquid: 1.9,
  organicSolid: 1.25,
  salt: 0.9,
  metal: 0.5,
} as const

/** How far such a figure may be off, as a part of it. */
const spreads = { water: 0.01, solute: 0.1, liquid: 0.12, solid: 0.2 } as const

type Specific = readonly [cp: number, spread: number]

function ofLiquid({ formula = '', groups = [] }: Thing['substance']): number {
  const elements = elementsIn(formula)
  if (isHydrocarbon(formula)) return specificHeat.hydrocarbon
  if (elements.has('Br') || elements.has('I')) return specificHeat.bromide
  if (elements.has('Cl') && elements.has('C')) return specificHeat.halide
  if (groups.includes('alcohol')) return specificHeat.alcohol
  if (groups.includes('carboxylic acid')) return specificHeat.acid
  if (groups.includes('ether')) return specificHeat.ether
  return specificHeat.otherLiquid
}

function worked(thing: Thing, kind: Phase['kind']): Specific {
  const { substance } = thing
  const { formula = '' } = substance
  if (isWater(thing)) return [specificHeat.water, spreads.water]
  if (kind === 'solid') {
    if (thing.atoms === null || 'C' in thing.atoms) return [specificHeat.organicSolid, spreads.solid]
    return [isMetal(formula) ? specificHeat.metal : specificHeat.salt, spreads.solid]
  }
  if (thing.id === 'ion SO4^2-' || formula === 'H2SO4') return [specificHeat.sulfuricAcid, spreads.solute]
  if (thing.id === 'ion NO3^-' || formula === 'HNO3') return [specificHeat.nitricAcid, spreads.solute]
  if (!isLiquid(thing)) return [kind === 'watery' ? specificHeat.otherSolute : specificHeat.organicSolid, spreads.solid]
  return [ofLiquid(substance), spreads.liquid]
}

const remembered = new WeakMap<Thing, Partial<Record<Phase['kind'], Specific>>>()

/** Specific heat of a thing in a phase, J/(g·K), with how far it may be off as a part of it. */
function specificOf(thing: Thing, kind: Phase['kind']): Specific {
  const known = remembered.get(thing) ?? {}
  remembered.set(thing, known)
  return (known[kind] ??= worked(thing, kind))
}

export interface HeatCapacity {
  /** J/(g·K) */
  cp: number
  /** How far it may be off, as a part of it. */
  spread: number
  grams: number
}

/** Joules to the kelvin of holdings of a phase; what has no known amount counts for nothing. */
export const joulesPerK = (holds: readonly Holding[], kind: Phase['kind']): number =>
  holds.reduce((sum, { thing, amount }) => sum + (amount ?? 0) * thing.gPer * specificOf(thing, kind)[0], 0)

/** Specific heat of all that stands in phases, each part by its mass (96 % sulfuric acid 1.5, 70 % nitric acid 2.7 J/(g·K)); null where an amount is unknown, or nothing is there. */
export function heatCapacityIn(phases: readonly Phase[]): HeatCapacity | null {
  const grams = massOf(phases.flatMap(({ holds }) => holds))
  if (grams === null || grams <= 0) return null
  let [capacity, doubt] = [0, 0]
  for (const { kind, holds } of phases)
    for (const { thing, amount } of holds) {
      const [cp, spread] = specificOf(thing, kind)
      capacity += amount! * thing.gPer * cp
      doubt += Math.abs(amount! * thing.gPer) * cp * spread
    }
  return capacity > 0 ? { cp: capacity / grams, spread: doubt / capacity, grams } : null
}
