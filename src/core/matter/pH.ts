import type { Holding } from './state'
import { hydroxide, proton } from './minerals'
import type { Thing } from './thing'

/** What takes part in the balance of charges of a watery phase. */
export interface Dissolved {
  thing: Thing
  mmol: number
  /** Its K, organic over watery, of the uncharged form; 0 where there is no other phase, or it does not go over. */
  K: number
}

export interface Volumes {
  waterML: number
  organicML: number
}

/**
 * Shares of the forms of an acid, a base or both at a pH, relative to the uncharged form 1, and the mean charge they have together: for pKa values a₁ < a₂ …, [H₍ₙ₋ₖ₎A] = 10^(k·pH − a₁ − … − aₖ). A zwitterion counts as a form without charge that stays in the
 * water.
 */
function formsOf({ acid, base }: Thing, pH: number): { sum: number; charge: number } {
  let sum = 1
  let charge = 0
  let exponent = 0
  for (let lost = 1; lost <= acid.length; lost++) {
    exponent += pH - acid[lost - 1]!
    const form = 10 ** exponent
    sum += form
    charge -= lost * form
  }
  if (base !== null) {
    const protonated = 10 ** (base - pH)
    sum += protonated
    charge += protonated
    if (acid.length > 0) sum += 10 ** (base - acid[0]!)
  }
  return { sum, charge }
}

/** mmol of a dissolved thing in the water, at a pH, over both layers. */
export function inWaterAt({ thing, mmol, K }: Dissolved, pH: number, { waterML, organicML }: Volumes): number {
  if (K === 0 || organicML === 0) return mmol
  const { sum } = formsOf(thing, pH)
  return (mmol * waterML * sum) / (waterML * sum + K * organicML)
}

/** The distribution ratio of a thing at a pH, organic over watery, where only its uncharged form goes into the organic layer: D = K/(1 + Σ of the other forms to it). */
export const distributionAt = (thing: Thing, K: number, pH: number): number => K / formsOf(thing, pH).sum

/** mmol of the uncharged form in the water. */
export function unchargedAt(dissolved: Dissolved, pH: number, volumes: Volumes): number {
  return inWaterAt(dissolved, pH, volumes) / formsOf(dissolved.thing, pH).sum
}

const takesPart = ({ acid, base }: Thing) => acid.length > 0 || base !== null

/**
 * The pH of water in which ions and components are dissolved, against an organic layer where there is one: where all charges add up to nothing, Σ z·n(ions) + [H⁺]·V + Σ charge of the components = [OH⁻]·V, found by halving. So an acid goes over as far as the
 * base reaches and no further. Activity coefficients are left out; the ions of water are counted by their product at 25 °C.
 */
export function pHOf(dissolved: readonly Dissolved[], volumes: Volumes): number {
  const { waterML } = volumes
  if (waterML <= 0) return 7
  return balancedAt(excessOf(dissolved, volumes))
}

/** Positive less negative charge in water at a pH, mmol. */
function excessOf(dissolved: readonly Dissolved[], volumes: Volumes): (pH: number) => number {
  const { waterML } = volumes
  let strong = 0
  const parts: Dissolved[] = []
  for (const each of dissolved)
    if (each.thing === proton || each.thing === hydroxide) continue
    else if (takesPart(each.thing)) parts.push(each)
    else strong += each.thing.charge * each.mmol
  return (pH: number) => {
    let sum = strong + waterML * (10 ** -pH - 10 ** (pH - 14))
    for (const each of parts) {
      const { sum: forms, charge } = formsOf(each.thing, pH)
      sum += each.mmol > 0 ? (inWaterAt(each, pH, volumes) * charge) / forms : 0
    }
    return sum
  }
}

/** Where a falling excess of positive charge comes to nothing between pH −1.5 and 15.5: halved to a hundredth, then by secants that stay between. */
function balancedAt(excess: (pH: number) => number): number {
  let [low, high] = [-1.5, 15.5]
  for (let turn = 0; turn < 11; turn++) {
    const middle = (low + high) / 2
    if (excess(middle) > 0) low = middle
    else high = middle
  }
  let [lowValue, highValue] = [excess(low), excess(high)]
  for (let turn = 0; turn < 8 && high - low > 1e-10; turn++) {
    const slope = highValue - lowValue
    const next = slope === 0 ? (low + high) / 2 : Math.min(high, Math.max(low, low - (lowValue * (high - low)) / slope))
    const value = excess(next)
    if (Math.abs(value) < 1e-12) return next
    if (value > 0) {
      if (next - low < 1e-12) break
      ;[low, lowValue] = [next, value]
    } else {
      if (high - next < 1e-12) break
      ;[high, highValue] = [next, value]
    }
  }
  return lowValue === highValue
    ? (low + high) / 2
    : Math.min(high, Math.max(low, low - (lowValue * (high - low)) / (highValue - lowValue)))
}

/**
 * The pH of water that can hold no more than so much of the uncharged form of one component, mmol, with what is left of that component there: what is more of it has left as a gas. The same as pHOf where there is not more.
 */
export function withGasGone(
  dissolved: readonly Dissolved[],
  gas: Thing,
  heldMmol: number,
  waterML: number,
): { pH: number; left: number } {
  const volumes = { waterML, organicML: 0 }
  const there = dissolved.find(({ thing }) => thing === gas)?.mmol ?? 0
  const closed = pHOf(dissolved, volumes)
  if (there / formsOf(gas, closed).sum <= heldMmol) return { pH: closed, left: there }
  const others = dissolved.filter(({ thing }) => thing !== gas)
  const excess = excessOf(others, volumes)
  const pH = balancedAt((at) => excess(at) + Math.min(there / formsOf(gas, at).sum, heldMmol) * formsOf(gas, at).charge)
  return { pH, left: Math.min(there, heldMmol * formsOf(gas, pH).sum) }
}

/** What of holdings takes part in a balance of charges; null where the amount of something that does is unknown. */
export function dissolvedIn(holds: readonly Holding[], kOf: (thing: Thing) => number = () => 0): Dissolved[] | null {
  const all: Dissolved[] = []
  for (const { thing, amount, certain } of holds) {
    if (!certain || (thing.charge === 0 && !takesPart(thing))) continue
    if (amount === null) return null
    all.push({ thing, mmol: amount, K: kOf(thing) })
  }
  return all
}
