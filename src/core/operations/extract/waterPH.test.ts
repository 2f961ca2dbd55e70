/** pH of watery layers, against textbook values and by hand. */
import fc from 'fast-check'
import type { Form } from '../../plan/plan'
import type { Substance } from '../../substance/substance'
import { layerFlow, type Solute } from './layerFlow'
import { bringsInto, pHAgainst, plainWater, together, type InWater } from './waterPH'

const water: Form = { kind: 'solution', molPerL: 1 }
const brings = (formula: string, mmol: number, more: Partial<Substance> = {}) =>
  bringsInto({ id: 'x', name: 'x', formula, ...more }, { form: water }, mmol)
const alone = (what: InWater, waterML = 100) => pHAgainst(what, { waterML, organicML: 0 }, [])
const acetic = { groups: ['carboxylic acid' as const], pKa: { values: [4.76], source: 'x' } }

test.each([
  ['water', plainWater, 7],
  ['0.1 mol/L sodium hydroxide', brings('NaOH', 10), 13],
  ['0.1 mol/L hydrochloric acid', brings('HCl', 10), 1],
  ['0.05 mol/L sulfuric acid, both protons taken as strong', brings('H2SO4', 5), 1],
  // [H+]² = Ka·c: (4.76 + 1)/2.
  ['0.1 mol/L acetic acid', brings('C2H4O2', 10, acetic), 2.88],
  // 14 − (4.75 + 1)/2.
  ['0.1 mol/L ammonia', brings('NH3', 10), 11.12],
  // (6.35 + 10.33)/2.
  ['0.1 mol/L sodium bicarbonate', brings('NaHCO3', 10), 8.34],
  ['0.1 mol/L sodium carbonate', brings('Na2CO3', 10), 11.64],
  ['acetic acid half neutralised', together(brings('C2H4O2', 10, acetic), brings('NaOH', 5)), 4.76],
  ['ammonia half neutralised', together(brings('NH3', 10), brings('HCl', 5)), 9.25],
  // Half of the bicarbonate has gone as gas; 0.038 mol/L of carbon dioxide stay: 6.35 + log(50/38).
  ['1 mol/L bicarbonate met by half as much acid, open', together(brings('NaHCO3', 100), brings('HCl', 50)), 7.47],
  ['salt', brings('NaCl', 100), 7],
] as [string, InWater, number][])('%s', (_what, what, pH) => expect(alone(what)).toBeCloseTo(pH, 1))

const benzoic: Solute = { id: 'acid', mmol: 7.3, K: 74, acidPKa: 4.2 }
const start = { name: 'ether', kind: 'organic' as const, volumeML: 30, pH: 7 }
const shake = (mmol: number, portions = 1) =>
  layerFlow(
    start,
    [benzoic],
    [{ kind: 'shake', layer: 'ether', portions, portionML: 10, pH: 14, into: 'B', water: brings('NaOH', mmol) }],
  ).at(-1)!
const held = (mmol: number, portions?: number) => shake(mmol, portions).layers.find(({ name }) => name === 'B')!

describe('an acid goes over as far as the base reaches', () => {
  test('3.0 mmol of base take 3.0 of 7.3 mmol: 41 %, not 99.6', () => expect(held(3).holds.acid).toBeCloseTo(3.0, 1))
  test('in two portions no more', () => expect(held(3, 2).holds.acid).toBeCloseTo(3.0, 1))
  test('10 mmol take all of it, and leave the water basic', () => {
    expect(held(10).holds.acid).toBeGreaterThan(7.29)
    expect(held(10).pH).toBeGreaterThan(13)
  })
  test('acid put to that water frees it again: 12 mmol bring it below its pKa', () => {
    const { layers } = layerFlow(
      start,
      [benzoic],
      [
        { kind: 'shake', layer: 'ether', portions: 1, portionML: 10, pH: 14, into: 'B', water: brings('NaOH', 10) },
        { kind: 'bring to pH', layer: 'B', pH: 7, addML: 4, water: brings('HCl', 12) },
      ],
    ).at(-1)!
    // 2 mmol of strong acid left in 14 mL: 0.14 mol/L.
    expect(layers.find(({ name }) => name === 'B')!.pH).toBeCloseTo(0.85, 1)
  })
  test('nothing is lost, and more base never takes less', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 20, noNaN: true }), fc.integer({ min: 1, max: 4 }), (base, portions) => {
        const { layers } = shake(base, portions)
        expect(layers.reduce((sum, { holds }) => sum + (holds.acid ?? 0), 0)).toBeCloseTo(7.3, 9)
        expect(held(base + 0.5, portions).holds.acid!).toBeGreaterThanOrEqual(held(base, portions).holds.acid! - 1e-6)
      }),
      { numRuns: 40 },
    )
  })
  test('a base over acid, the other way round: 5 mmol of acid take 5 of 8 mmol of an amine', () => {
    const amine: Solute = { id: 'amine', mmol: 8, K: 60, basePKa: 9.5 }
    const { layers } = layerFlow(
      start,
      [amine],
      [{ kind: 'shake', layer: 'ether', portions: 1, portionML: 10, pH: 0, into: 'A', water: brings('HCl', 5) }],
    ).at(-1)!
    expect(layers.find(({ name }) => name === 'A')!.holds.amine).toBeCloseTo(5.03, 1)
  })
  test('bicarbonate takes the carboxylic acid and leaves the phenol', () => {
    const phenol: Solute = { id: 'phenol', mmol: 5, K: 30, acidPKa: 10 }
    const { layers } = layerFlow(
      start,
      [benzoic, phenol],
      [{ kind: 'shake', layer: 'ether', portions: 2, portionML: 10, pH: 8.3, into: 'B', water: brings('NaHCO3', 20) }],
    ).at(-1)!
    const taken = layers.find(({ name }) => name === 'B')!.holds
    expect(taken.acid).toBeGreaterThan(7.2)
    expect(taken.phenol).toBeLessThan(0.4)
  })
})
