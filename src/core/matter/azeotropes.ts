import { sameStructure } from '../substance/structure'
import { bubblePoint, vapourPressure, type Component } from './equilibrium'

/** Two liquids whose mixture boils without changing: by structure, where it boils at 760 mmHg, how much of the first it holds, and whether it parts into two layers when it is cold. */
export interface Azeotrope {
  one: string
  other: string
  atC: number
  /** Grams of the first in 100 g of what comes over. */
  percentOfOne: number
  layers: boolean
}

export const azeotropeSource =
  'CRC Handbook of Chemistry and Physics, azeotropic data for binary mixtures, and Horsley, Azeotropic Data; not yet compared with it'

const [water, ethanol, methanol] = ['O', 'CCO', 'CO']
const row = (one: string, other: string, atC: number, percentOfOne: number, layers = false): Azeotrope => ({
  one,
  other,
  atC,
  percentOfOne,
  layers,
})

/** The usual pairs of a teaching laboratory. */
export const azeotropes: readonly Azeotrope[] = [
  row(ethanol, water, 78.2, 95.6),
  row('CC(C)O', water, 80.3, 87.4),
  row('CCCO', water, 87.7, 71.7),
  row('CC(C)(C)O', water, 79.9, 88.2),
  row('CCC(C)O', water, 87.0, 72.7),
  row('CCCCO', water, 92.7, 57.5, true),
  row('CC(C)CCO', water, 95.2, 50.4, true),
  row('CC#N', water, 76.5, 83.7),
  row('C1CCOC1', water, 63.8, 94.6),
  row('C1COCCO1', water, 87.8, 81.6),
  row('c1ccncc1', water, 93.6, 57),
  row('CCC(C)=O', water, 73.4, 88.7),
  row('CCOC(C)=O', water, 70.4, 91.5, true),
  row('CC(C)CCOC(C)=O', water, 93.8, 63.8, true),
  row('CCOCC', water, 34.2, 98.7, true),
  row('COC(C)(C)C', water, 52.6, 96.5, true),
  row('CC(C)OC(C)C', water, 62.2, 95.4, true),
  row('Cc1ccccc1', water, 84.1, 79.8, true),
  row('c1ccccc1', water, 69.3, 91.1, true),
  row('C1CCCCC1', water, 69.5, 91.6, true),
  row('CCCCCC', water, 61.6, 94.4, true),
  row('CCCCCCC', water, 79.2, 87.1, true),
  row('ClCCl', water, 38.1, 98.5, true),
  row('ClC(Cl)Cl', water, 56.1, 97.2, true),
  row('CCOC(C)=O', ethanol, 71.8, 69.2),
  row('ClC(Cl)Cl', ethanol, 59.3, 93),
  row('CCCCCC', ethanol, 58.7, 79),
  row('C1CCCCC1', ethanol, 64.9, 69.5),
  row('Cc1ccccc1', ethanol, 76.7, 32),
  row('c1ccccc1', ethanol, 68.2, 67.6),
  row('CC(C)=O', methanol, 55.5, 88),
  row('ClC(Cl)Cl', methanol, 53.4, 87.4),
  row('Cc1ccccc1', methanol, 63.5, 27.5),
  row('CCCCCC', methanol, 50, 73.1),
  row('CCOC(C)=O', methanol, 62.3, 56),
  row('CC(C)=O', 'ClC(Cl)Cl', 64.4, 21.5),
  row('CC(C)=O', 'CCCCCC', 49.8, 59),
  row('CC(C)=O', 'C1CCCCC1', 53, 67.5),
  row('CCOC(C)=O', 'C1CCCCC1', 71.6, 56),
  row('CC(=O)O', 'Cc1ccccc1', 105.4, 28.1),
]

/** The azeotrope of two structures, with the first of it first; undefined where none is on record. */
export function azeotropeOf(one: string | undefined, other: string | undefined): Azeotrope | undefined {
  return azeotropes.find(
    (each) =>
      (sameStructure(each.one, one) && sameStructure(each.other, other)) ||
      (sameStructure(each.one, other) && sameStructure(each.other, one)),
  )
}

/**
 * Wilson's Λ of a pair from its azeotrope: where liquid and vapour are alike γi = P/pi, and the two constants that give these activity coefficients there are found by Newton's method (Wilson, J. Am. Chem. Soc. 86 (1964) 127;
 * the way over the azeotrope: Prausnitz, Lichtenthaler and Azevedo, ch. 6). Null for a pair that parts into layers, which Wilson's equation cannot describe, and where no constants do it.
 */
function wilsonFrom(
  { atC, percentOfOne, layers }: Azeotrope,
  one: Component,
  other: Component,
): [L12: number, L21: number] | null {
  if (layers) return null
  const moles = [percentOfOne / one.gPerMol, (100 - percentOfOne) / other.gPerMol] as const
  const [x1, x2] = [moles[0] / (moles[0] + moles[1]), moles[1] / (moles[0] + moles[1])]
  const wanted = [Math.log(760 / vapourPressure(one, atC)), Math.log(760 / vapourPressure(other, atC))] as const
  const miss = ([l12, l21]: readonly [number, number]): [number, number] => {
    const [s1, s2] = [x1 + l12 * x2, x2 + l21 * x1]
    const shared = l12 / s1 - l21 / s2
    return [-Math.log(s1) + x2 * shared - wanted[0], -Math.log(s2) - x1 * shared - wanted[1]]
  }
  for (const start of [0.2, 0.5, 1, 1.5, 0.05] as const)
    for (const second of [0.8, 0.5, 1, 0.2, 1.5, 0.05] as const) {
      const found = newton(miss, [start, second])
      if (found) return found
    }
  return null
}

type Two = readonly [number, number]

/**
 * ln γ at infinite dilution of the first in the second and the other way round, for pairs whose azeotrope lies too near a pure liquid to say it, or that have none: van Laar constants at 101.3 kPa, Perry’s Chemical
 * Engineers’ Handbook, table of binary activity constants; not yet compared with it.
 */
export const infiniteDilution: readonly { one: string; other: string; lnGamma: Two }[] = [
  { one: ethanol, other: water, lnGamma: [1.6798, 0.9227] },
  { one: methanol, other: water, lnGamma: [0.8041, 0.5619] },
  { one: 'CC(C)O', other: water, lnGamma: [2.3319, 0.8976] },
  { one: 'CC(C)=O', other: water, lnGamma: [2.04, 1.5461] },
  { one: 'C1CCOC1', other: water, lnGamma: [2.8258, 1.945] },
]

/** Wilson's Λ from the activity coefficients at infinite dilution, ln γ1 = 1 − ln Λ12 − Λ21 and so for the other, by Newton's method. Null where no constants do it. */
export function wilsonFromDilution([one, other]: Two): [L12: number, L21: number] | null {
  const miss = ([l12, l21]: Two): [number, number] => [1 - Math.log(l12) - l21 - one, 1 - Math.log(l21) - l12 - other]
  for (const start of [0.2, 0.5, 1, 0.05] as const) {
    const found = newton(miss, [start, 0.8])
    if (found) return found
  }
  return null
}

/** Newton's method for two logarithms of constants, so that they stay above 0; null where it does not come to rest. */
function newton(miss: (at: Two) => [number, number], start: Two): [number, number] | null {
  let at: Two = [Math.log(start[0]), Math.log(start[1])]
  const of = ([u, v]: Two) => miss([Math.exp(u), Math.exp(v)])
  for (let turn = 0; turn < 60; turn++) {
    const f = of(at)
    if (Math.hypot(...f) < 1e-10) {
      const [l12, l21] = [Math.exp(at[0]), Math.exp(at[1])]
      return l12 > 0.001 && l21 > 0.001 && l12 < 10 && l21 < 10 ? [l12, l21] : null
    }
    const h = 1e-6
    const [a, c] = of([at[0] + h, at[1]]).map((value, index) => (value - f[index]!) / h) as [number, number]
    const [b, d] = of([at[0], at[1] + h]).map((value, index) => (value - f[index]!) / h) as [number, number]
    const determinant = a * d - b * c
    if (Math.abs(determinant) < 1e-14) return null
    const step: Two = [(d * f[0] - b * f[1]) / determinant, (a * f[1] - c * f[0]) / determinant]
    const damp = Math.min(1, 0.7 / Math.max(Math.abs(step[0]), Math.abs(step[1]), 1e-9))
    at = [at[0] - damp * step[0], at[1] - damp * step[1]]
    if (!Number.isFinite(at[0]) || !Number.isFinite(at[1])) return null
  }
  return null
}

/** Constants that were found, by the structures of the pair and the slopes of their vapour pressures. */
const found = new Map<string, [L12: number, L21: number] | undefined>()

/** Wilson's Λ of a pair, the first of it first: from what is on record of it dilute, else from its azeotrope; undefined where neither is. */
export function wilsonOf(
  one: Component & { smiles?: string | undefined },
  other: Component & { smiles?: string | undefined },
): [L12: number, L21: number] | undefined {
  if (one.smiles === undefined || other.smiles === undefined) return undefined
  const pair = [one.smiles, one.a, one.b, other.smiles, other.a, other.b].join(' ')
  if (!found.has(pair)) found.set(pair, lookUp(one, other))
  return found.get(pair)
}

function lookUp(
  one: Component & { smiles?: string | undefined },
  other: Component & { smiles?: string | undefined },
): [L12: number, L21: number] | undefined {
  const back = ([l12, l21]: Two): [number, number] => [l21, l12]
  const isOf = (structure: string) => sameStructure(structure, one.smiles) || sameStructure(structure, other.smiles)
  const known = infiniteDilution.find((each) => isOf(each.one) && isOf(each.other))
  if (known) {
    const found = wilsonFromDilution(known.lnGamma)
    return found ? (sameStructure(known.one, one.smiles) ? found : back(found)) : undefined
  }
  const azeotrope = azeotropeOf(one.smiles, other.smiles)
  if (!azeotrope) return undefined
  const straight = sameStructure(azeotrope.one, one.smiles)
  const found = straight ? wilsonFrom(azeotrope, one, other) : wilsonFrom(azeotrope, other, one)
  return found ? (straight ? found : back(found)) : undefined
}

/** Where a pair with these constants boils at a composition, °C: for whoever checks them. */
export const boilsWith = (components: readonly [Component, Component], lambda: Two, x1: number, mmHg = 760): number =>
  bubblePoint(
    {
      components,
      model: {
        kind: 'Wilson',
        lambda: [
          [1, lambda[0]],
          [lambda[1], 1],
        ],
      },
      mmHg,
    },
    [x1, 1 - x1],
  ).atC
