import type { Substance } from '../../substance/substance'
import type { Line } from '../../plan/plan'
import { baseCapacityOf, givesCarbonDioxide, protonsOf } from '../../substance/acidBase'
import type { Partition } from '../../matter/partition'

/** What sets the pH of a watery layer, in mmol: strong bases less strong acids, carbonate, and weak acids and bases that stay in the water. */
export interface InWater {
  strong: number
  carbon: number
  buffers: readonly { mmol: number; acidPKa?: number; basePKa?: number }[]
}

export const plainWater: InWater = { strong: 0, carbon: 0, buffers: [] }

/** Carbonic acid (CRC Handbook), and what of its gas stays dissolved in open water at 20 °C and 1 bar of it, mol/L. */
const carbonic = { pKa1: 6.35, pKa2: 10.33, openMolPerL: 0.038 } as const
const ammoniumPKa = 9.25
/** The second proton of phosphoric acid; the first counts as strong, the third as none. */
const phosphoric2 = 7.2

/** What a watery liquid brings: by formula and groups, as it is dispensed. What is neither acid nor base brings nothing. */
export function bringsInto(substance: Substance, { form }: Pick<Line, 'form'>, mmol: number): InWater {
  const { formula, pKa, groups = [] } = substance
  if (form.kind === 'neat' && formula === 'H2O') return plainWater
  if (givesCarbonDioxide(substance)) return { strong: mmol * baseCapacityOf(substance), carbon: mmol, buffers: [] }
  if (formula === 'NH3') return { strong: 0, carbon: 0, buffers: [{ mmol, basePKa: ammoniumPKa }] }
  if (formula === 'H3PO4') return { strong: -mmol, carbon: 0, buffers: [{ mmol, acidPKa: phosphoric2 }] }
  if (groups.includes('carboxylic acid') && pKa && !pKa.ofConjugateAcid)
    return { strong: 0, carbon: 0, buffers: pKa.values.map((acidPKa) => ({ mmol, acidPKa })) }
  if (groups.includes('amine') && pKa?.ofConjugateAcid)
    return { strong: 0, carbon: 0, buffers: [{ mmol, basePKa: pKa.values[0]! }] }
  return { strong: mmol * (baseCapacityOf(substance) - protonsOf(substance)), carbon: 0, buffers: [] }
}

export const together = (one: InWater, other: InWater): InWater => ({
  strong: one.strong + other.strong,
  carbon: one.carbon + other.carbon,
  buffers: [...one.buffers, ...other.buffers],
})

export const partOf = ({ strong, carbon, buffers }: InWater, part: number): InWater => ({
  strong: strong * part,
  carbon: carbon * part,
  buffers: buffers.map((each) => ({ ...each, mmol: each.mmol * part })),
})

/** Negative charge of carbonate at a pH, mmol: of all of it, or of what open water holds once its gas may leave. */
function carbonateCharge(carbon: number, waterML: number, pH: number): number {
  const first = 10 ** (pH - carbonic.pKa1)
  const second = first * 10 ** (pH - carbonic.pKa2)
  const closed = (carbon * (first + 2 * second)) / (1 + first + second)
  return Math.min(closed, carbonic.openMolPerL * waterML * (first + 2 * second))
}

/** A solute over both layers: mmol in all. */
export type Dissolved = Partition & { mmol: number }

/** mmol of positive less negative charge that a solute has in the water at a pH, what is uncharged being divided between the layers. */
function chargeOf({ mmol, K, acidPKa, basePKa }: Dissolved, waterML: number, organicML: number, pH: number): number {
  const acid = acidPKa === undefined ? 0 : 10 ** (pH - acidPKa)
  const base = basePKa === undefined ? 0 : 10 ** (basePKa - pH)
  const zwitterion = acidPKa === undefined || basePKa === undefined ? 0 : 10 ** (basePKa - acidPKa)
  const whole = waterML * (1 + acid + base + zwitterion) + K * organicML
  return whole > 0 ? (mmol * waterML * (base - acid)) / whole : 0
}

/**
 * The pH of a watery layer against an organic one: where the charges in the water add up to nothing, [H⁺] + strong bases + protonated bases = [OH⁻] + strong acids + deprotonated acids + carbonate, by halving. So an acid goes over as
 * far as the base reaches, and no further. Activity coefficients are left out.
 */
export function pHAgainst(
  water: InWater,
  { waterML, organicML }: { waterML: number; organicML: number },
  solutes: readonly Dissolved[],
): number {
  const all = [...solutes, ...water.buffers.map((each) => ({ ...each, K: 0 }))]
  const excess = (pH: number) =>
    waterML * (10 ** -pH - 10 ** (pH - 14)) +
    water.strong +
    all.reduce((sum, each) => sum + chargeOf(each, waterML, organicML, pH), 0) -
    carbonateCharge(water.carbon, waterML, pH)
  let [low, high] = [-1.5, 15.5]
  for (let turn = 0; turn < 60; turn++) {
    const middle = (low + high) / 2
    if (excess(middle) > 0) low = middle
    else high = middle
  }
  return (low + high) / 2
}
