import { elementsIn, isHydrocarbon, isMetal } from '../../substance/atoms'
import type { Content } from '../vessel/content'
import { molarMass } from '../../substance/molarMass'
import { isWatery } from '../vessel/watery'

/** Specific heats at 25 °C, J/(g·K), of what there usually is (CRC Handbook, heat capacities; not yet compared with it). A dissolved acid counts with what it adds to the water's own. */
export const specificHeat = {
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

function ofSubstance({ substance, line }: Content): [cp: number, spread: number] {
  const { formula = '', groups = [] } = substance
  const elements = elementsIn(formula)
  const carbon = elements.has('C')
  if (line.form.kind === 'solid')
    return carbon
      ? [specificHeat.organicSolid, spreads.solid]
      : [isMetal(formula) ? specificHeat.metal : specificHeat.salt, spreads.solid]
  if (formula === 'H2SO4') return [specificHeat.sulfuricAcid, spreads.solute]
  if (formula === 'HNO3') return [specificHeat.nitricAcid, spreads.solute]
  if (isHydrocarbon(formula)) return [specificHeat.hydrocarbon, spreads.liquid]
  if (elements.has('Br') || elements.has('I')) return [specificHeat.bromide, spreads.liquid]
  if (elements.has('Cl') && carbon) return [specificHeat.halide, spreads.liquid]
  if (groups.includes('alcohol')) return [specificHeat.alcohol, spreads.liquid]
  if (groups.includes('carboxylic acid')) return [specificHeat.acid, spreads.liquid]
  if (groups.includes('ether')) return [specificHeat.ether, spreads.liquid]
  return [specificHeat.otherLiquid, spreads.liquid]
}

export interface HeatCapacity {
  /** J/(g·K) */
  cp: number
  /** How far it may be off, as a part of it. */
  spread: number
  grams: number
}

/**
 * Specific heat of all that is in a vessel: each part by its mass, a solution as the water that it holds and what is dissolved in it (96 % sulfuric acid 1.5, 70 % nitric acid 2.7 J/(g·K)). Null where something has no mass on record.
 */
export function heatCapacityIn(contents: readonly Content[]): HeatCapacity | null {
  let [grams, capacity, doubt] = [0, 0, 0]
  for (const content of contents) {
    const { massG, volumeML, mmol, substance, line } = content
    const all = massG ?? (isWatery(content) ? volumeML : null)
    if (all === null) return null
    if (substance.formula === 'H2O') {
      grams += all
      capacity += all * specificHeat.water
      continue
    }
    const share = 'purity' in line.form ? 1 : line.form.kind === 'mass-fraction' ? (line.form.fraction ?? null) : null
    const dissolved =
      share !== null
        ? // Neat sulfuric acid is taken as 96 %.
          all * share
        : mmol !== null && substance.formula !== undefined
          ? (mmol * molarMass(substance.formula)) / 1000
          : null
    if (dissolved === null) return null
    const [cp, spread] =
      isWatery(content) && substance.formula !== 'H2SO4' && substance.formula !== 'HNO3'
        ? ([specificHeat.otherSolute, spreads.solute] as const)
        : ofSubstance(content)
    grams += all
    capacity += dissolved * cp + Math.max(0, all - dissolved) * specificHeat.water
    doubt += dissolved * cp * spread + Math.max(0, all - dissolved) * specificHeat.water * spreads.water
  }
  return grams > 0 ? { cp: capacity / grams, spread: doubt / capacity, grams } : null
}
