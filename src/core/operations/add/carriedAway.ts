import { isWater, type Thing } from '../../matter/thing'

/** Entropy of vaporisation at the boiling point, J/(mol·K): Trouton’s rule; liquids held together by hydrogen bonds more (CRC Handbook of Chemistry and Physics, enthalpies of vaporisation; not compared with it). */
const trouton = { plain: 88, hydrogenBonds: 110 } as const
/** J/(mol·K) */
const gasConstant = 8.314
const zeroK = 273.15

const bonds = (thing: Thing) =>
  isWater(thing) || (thing.substance.groups ?? []).some((group) => group === 'alcohol' || group === 'phenol')

/** What so many joules boil off of a liquid at its boiling point: mL of it, and litres of vapour under a pressure. */
export function boilsOff(joules: number, thing: Thing, atC: number, mmHg: number): { mL: number; vapourL: number } {
  const perMmol = ((bonds(thing) ? trouton.hydrogenBonds : trouton.plain) * (atC + zeroK)) / 1000
  const mmol = Math.max(0, joules) / perMmol
  const mL = (mmol * thing.gPer) / (thing.substance.density?.gPerML ?? 0.9)
  return { mL, vapourL: ((mmol / 1000) * gasConstant * (atC + zeroK)) / (mmHg * 0.133322) }
}

/** Heat that passes the wall of a glass flask between stirred liquid and ice water, W/(m²·K). Judgement: glass of 2 mm lets 500 through, a film of liquid on either side as much. */
const wall = 150
/** Ice water, °C. */
const iceC = 0

/** Minutes over which heat must be spread so that a bath of ice carries it away from a round flask that is so full, at so many °C inside: its surface is 4.84·V^⅔. */
export function minutesToCarry(joules: number, mL: number, insideC: number): number {
  const area = 4.84 * (Math.max(1, mL) * 1e-6) ** (2 / 3)
  const watts = wall * area * Math.max(5, insideC - iceC)
  return joules / watts / 60
}
