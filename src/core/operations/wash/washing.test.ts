import fc from 'fast-check'
import { isopentylAcetate } from '@/test-support/plans'
import { at } from '@/test-support/planned'
import { vesselBefore } from '../vessel/stoodAt'
import { impuritiesIn, impurityKind, type Impurity, type ImpurityKind } from './impurities'
import { afterWater, measured, washPlan, washSolutions } from './washPlan'

describe('what a crude product holds', () => {
  test('isopentyl acetate: acid that has given its protons, unreacted acid and alcohol, no water and no product', () => {
    const { context } = at(isopentylAcetate, 'wash-water')
    const found = impuritiesIn(context, vesselBefore(context))
    expect(found.map(({ name, kind }) => [name, kind])).toEqual(
      expect.arrayContaining([
        ['acetic acid', 'carboxylic acid'],
        ['sulfuric acid', 'mineral acid'],
        ['isopentyl alcohol', 'neutral'],
      ]),
    )
    // Two protons each: 1.0 mL × 1.84 g/mL × 0.96 ÷ 98.08 g/mol = 18.0 mmol of it.
    expect(found.find(({ name }) => name === 'sulfuric acid')!.mmol).toBeCloseTo(36.0, 1)
    expect(found.some(({ name }) => name === 'water' || name === 'isopentyl acetate')).toBe(false)
  })
  test.each<[string, Parameters<typeof impurityKind>[0], ImpurityKind]>([
    ['iodine', { formula: 'I2' }, 'halogen'],
    ['a phenol', { formula: 'C6H6O', groups: ['phenol'] }, 'phenol'],
    ['an amine', { formula: 'C6H7N', groups: ['amine'] }, 'amine'],
    ['methanol', { formula: 'CH4O', groups: ['alcohol'], logP: { value: -0.77, source: '' } }, 'water-soluble'],
    ['a salt', { formula: 'NaCl' }, 'water-soluble'],
    ['a hydrocarbon', { formula: 'C13H10', logP: { value: 4.2, source: '' } }, 'neutral'],
  ])('%s', (_name, substance, kind) => expect(impurityKind(substance)).toBe(kind))
})

describe('washes proposed', () => {
  const acids: Impurity[] = [
    { substance: 'acetic-acid', name: 'acetic acid', kind: 'carboxylic acid', mmol: 44 },
    { substance: 'sulfuric-acid', name: 'sulfuric acid', kind: 'mineral acid', mmol: 10 },
  ]
  test('what water leaves, by hand: K = 0.676, 15 mL with three of 8 mL: (10.14/18.14)³ = 17.5 %; 2 % of a strong acid', () => {
    const left = afterWater([{ ...acids[0]!, K: 0.676 }, acids[1]!], 15, 8, 3)
    expect(left[0]!.mmol / 44).toBeCloseTo(0.175, 3)
    expect(left[1]!.mmol).toBeCloseTo(0.2, 9)
  })
  test('acid in an ester: water before bicarbonate, brine last; 44.2 mmol at 1.1 mol/L need 40 mL', () => {
    const washes = washPlan(acids, 60, ['ester'])
    expect(washes.map(({ solution }) => solution)).toEqual(['water', 'saturated sodium bicarbonate', 'brine'])
    const { portionML, times, capacityMmol, gasL, harm } = washes[1]!
    expect(portionML * times).toBeGreaterThanOrEqual(40)
    expect(capacityMmol).toBeGreaterThanOrEqual(44.2)
    expect(gasL).toBeCloseTo((44.2 * 24.06) / 1000, 2)
    expect(harm).toBeUndefined()
  })
  test('hydroxide on an ester, base on an acid: what would happen is said', () => {
    expect(measured({ solution: '5 % sodium hydroxide', portionML: 10, times: 1 }, acids, ['ester']).harm).toContain(
      'splits the ester',
    )
    expect(
      measured({ solution: 'saturated sodium bicarbonate', portionML: 10, times: 1 }, acids, ['carboxylic acid']).harm,
    ).toContain('product itself')
  })
  test('each impurity that a wash meets is met, and the volume stays sensible', () => {
    const kind = fc.constantFrom<ImpurityKind>(
      'mineral acid',
      'carboxylic acid',
      'phenol',
      'amine',
      'aldehyde',
      'halogen',
      'water-soluble',
      'neutral',
    )
    const impurity = fc.record({
      substance: fc.constantFrom('a', 'b', 'c'),
      name: fc.constant('x'),
      kind,
      mmol: fc.double({ min: 0.1, max: 10, noNaN: true }),
    })
    fc.assert(
      fc.property(fc.array(impurity, { maxLength: 4 }), fc.double({ min: 20, max: 200, noNaN: true }), (impurities, layerML) => {
        const washes = washPlan(impurities, layerML, [])
        expect(washes.at(-1)!.solution).toBe('brine')
        for (const { solution, times, needMmol, capacityMmol } of washes) {
          expect(washSolutions).toContain(solution)
          expect(times).toBeLessThanOrEqual(3)
          if (needMmol !== null) expect(capacityMmol!).toBeGreaterThanOrEqual(needMmol - 1e-9)
        }
        for (const { substance, kind: each } of impurities)
          if (each !== 'neutral') expect(washes.some(({ meets }) => meets.includes(substance))).toBe(true)
      }),
    )
  })
})
