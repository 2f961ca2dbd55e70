import type { Form } from '@/core/plan/plan'
import { inWater, neat, solid, type Poured } from './poured'

/** Where liquids boil under reduced pressure: id of the record, mmHg, °C, within so many K. */
export const underPressure = [
  // Handbook, boiling points under reduced pressure.
  ['benzaldehyde', 10, 62, 2],
  ['nitrobenzene', 10, 85, 2],
  ['aniline', 10, 69, 2],
  ['benzyl-alcohol', 10, 93, 2],
  ['ethyl-acetoacetate', 14, 72, 3],
  ['dimethylformamide', 39, 76, 2],
  ['phenol', 10, 74, 2],
  ['glycerol', 10, 167, 2],
  ['dimethyl-sulfoxide', 10, 70, 8],
  ['acetophenone', 10, 78, 3],
  // Within the range of their constants.
  ['water', 634, 95.0, 0.2],
  ['toluene', 100, 51.9, 0.5],
  ['acetone', 400, 39.0, 0.7],
  ['ethanol', 400, 63.5, 0.7],
  ['cyclohexane', 300, 53.0, 0.7],
] as const

/** Where mixtures and solutions boil at 760 mmHg: °C, within so many K. */
export const mixtures: [string, Poured[], number, number][] = [
  // The audit’s case: an ester with 10 % caustic. Two layers boil together, and no salt sets the point.
  ['ethyl benzoate with 27 g of 10 % caustic', [neat('ethyl-benzoate', 5), inWater('sodium-hydroxide', 27, 10)], 101, 3],
  ['10 % sodium hydroxide by itself', [inWater('sodium-hydroxide', 100, 10)], 102.5, 1.5],
  ['26 % brine', [inWater('sodium-chloride', 100, 26)], 108, 2.5],
  ['70 % nitric acid', [inWater('nitric-acid', 10, 70)], 120.5, 1],
  ['68 % nitric acid', [inWater('nitric-acid', 10, 68)], 120.5, 1],
  ['20.2 % hydrochloric acid', [inWater('hydrochloric-acid', 10, 20.2)], 108.6, 1],
  ['50 % sulfuric acid', [inWater('sulfuric-acid', 10, 50)], 124, 2],
  ['ethanol and water at the azeotrope', [neat('ethanol', 95.6), neat('water', 4.4)], 78.2, 0.5],
  ['ethanol and water, half of the moles each', [neat('ethanol', 46.07), neat('water', 18.02)], 79.8, 1],
  ['a tenth of the moles ethanol', [neat('ethanol', 4.607), neat('water', 16.22)], 86.4, 1.2],
  ['methanol and water, half of the moles each', [neat('methanol', 32.04), neat('water', 18.02)], 73.1, 1],
  ['acetone and water, half of the moles each', [neat('acetone', 58.08), neat('water', 18.02)], 59.9, 2],
  ['ethyl acetate and ethanol at the azeotrope', [neat('ethyl-acetate', 69.2), neat('ethanol', 30.8)], 71.8, 0.3],
  ['acetone and chloroform at the azeotrope', [neat('acetone', 21.5), neat('chloroform', 78.5)], 64.4, 0.3],
  // By hand after Raoult: half of the moles each of cyclohexane and toluene boil where 0.5·p1 + 0.5·p2 = 760 mmHg.
  ['cyclohexane and toluene, half of the moles each', [neat('cyclohexane', 84.16), neat('toluene', 92.14)], 92.5, 1.5],
  ['toluene with water', [neat('toluene', 10), neat('water', 10)], 84.1, 1],
  ['hexane with water', [neat('hexane', 10), neat('water', 10)], 61.6, 1],
  ['dichloromethane with water', [neat('dichloromethane', 10), neat('water', 10)], 38.1, 1],
  // By hand: 0.512 K·kg/mol × (10 g/342.3 g/mol)/0.1 kg = 0.15 K.
  ['water with sugar', [neat('water', 100), solid('sucrose', 10)], 100.15, 0.05],
  ['melted naphthalene', [solid('naphthalene', 10)], 218, 1],
  ['ethanol over iron', [neat('ethanol', 20), solid('iron', 5)], 78.3, 0.3],
]

/** Heat capacity of what is in a flask: J/(g·K), within so many. */
export const capacities: [string, Poured[], number, number][] = [
  ['water', [neat('water', 10)], 4.18, 0.01],
  ['96 % sulfuric acid', [inWater('sulfuric-acid', 10, 96)], 1.51, 0.08],
  ['70 % nitric acid', [inWater('nitric-acid', 10, 70)], 2.65, 0.1],
  ['10 % sodium hydroxide', [inWater('sodium-hydroxide', 10, 10)], 3.86, 0.2],
  ['37 % hydrochloric acid', [inWater('hydrochloric-acid', 10, 37)], 2.9, 0.5],
  ['ethanol', [neat('ethanol', 10)], 2.44, 0.1],
  ['toluene', [neat('toluene', 10)], 1.7, 0.15],
  ['diethyl ether', [neat('diethyl-ether', 10)], 2.3, 0.15],
  ['dichloromethane', [neat('dichloromethane', 10)], 1.19, 0.25],
  ['1-bromobutane', [neat('1-bromobutane', 10)], 0.8, 0.2],
  ['acetic acid', [neat('acetic-acid', 10)], 2.05, 0.1],
  ['half water, half ethanol by mass', [neat('water', 10), neat('ethanol', 10)], 3.3, 0.2],
]

/** Rise if no heat is led away: mmol, kJ/mol, g, J/(g·K), K. */
export const rises: [string, number, number, number, number, number][] = [
  // By hand: n·(−ΔH)/(m·c).
  ['50 mmol of acid and base in 100 g of water', 50, 57, 100, 4.18, 6.8],
  ['0.1 mol of sulfuric acid into 50 mL of water', 100, 72, 60, 3.6, 33],
  ['22 mmol of a nitration in 18 g of acids', 22, 135, 18, 1.75, 94],
  ['25 mmol of a Grignard reagent in 20 g of ether', 25, 270, 20, 2.2, 153],
]

/** What stock solutions take: id, mL, unit, figure. */
export const recipes = [
  // By hand.
  ['naoh-1', 1000, 'g', 40.0],
  ['naoh-10', 1000, 'g', 110.9],
  ['hcl-1', 1000, 'mL', 83.5],
  ['hcl-6', 500, 'mL', 250.5],
  ['sulfuric-1', 1000, 'mL', 55.5],
  ['sulfuric-3', 250, 'mL', 41.6],
  ['ammonia-2', 1000, 'mL', 149.7],
  ['acetic-5', 1000, 'mL', 48.0],
  ['brine', 1000, 'g', 311.2],
  ['saturated-bicarbonate', 1000, 'g', 93.7],
  ['thiosulfate-10', 100, 'g', 10.83],
  ['silver-nitrate-ethanol', 100, 'g', 2.0],
] as const

/** How strong what is in a bottle is: form, g/mol, mol/L. */
export const strengths: [string, Form, number, number][] = [
  ['37 % hydrochloric acid', { kind: 'mass-fraction', fraction: 0.37, gPerML: 1.18, source: 'x' }, 36.46, 11.97],
  ['96 % sulfuric acid', { kind: 'mass-fraction', fraction: 0.96, gPerML: 1.84, source: 'x' }, 98.08, 18.0],
  ['85 % phosphoric acid', { kind: 'mass-fraction', fraction: 0.85, gPerML: 1.685, source: 'x' }, 98.0, 14.6],
  ['10 g in 100 mL of sodium hydroxide', { kind: 'mass-volume', gPer100ML: 10 }, 40, 2.5],
  ['glacial acetic acid', { kind: 'neat', purity: 0.998 }, 60.05, 17.4],
]
