/** Where liquids, mixtures and solutions boil: published or hand-worked values, each with what it may be off. */
import { forPlan, substanceRecords } from './records'
import { boilsAt } from '@/core/substance/boilsAt'
import { molarMass } from '@/core/substance/molarMass'
import { azeotropes, boilsWith, wilsonOf } from '@/core/operations/distil/azeotropes'
import { vapourConstants } from '@/core/substance/boilsAt'
import type { Content } from '@/core/operations/vessel/content'
import { inWater, neat, solid } from '@/test-support/contents'
import { boilingOf } from '@/core/operations/vessel/boilingOf'
import { acidBoilsAtC } from '@/core/operations/vessel/strongAcids'

const record = (id: string) => forPlan(substanceRecords.find((each) => each.id === id)!)
const boils = (contents: Content[], mmHg = 760) => {
  const found = boilingOf(contents, mmHg)
  if ('why' in found) throw new Error(found.why)
  return found
}

test.each([
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
] as const)('%s at %d mmHg boils at %d °C', (id, mmHg, atC, withinK) => {
  const found = boilsAt(record(id), mmHg)!
  expect(Math.abs(found.atC - atC)).toBeLessThan(withinK)
  // What is said of it covers how far it is off.
  expect(Math.abs(found.atC - atC)).toBeLessThan(found.plusMinusK + 1)
})

test('what a figure is worth grows as the pressure falls, and constants far outside their range give way', () => {
  const at = (mmHg: number) => boilsAt(record('benzaldehyde'), mmHg)!.plusMinusK
  expect(at(5)).toBeGreaterThan(at(50))
  expect(at(760)).toBeCloseTo(1, 6)
  expect(boilsAt(record('aniline'), 760)!.by).toBe('Antoine constants')
  expect(boilsAt(record('aniline'), 400)!.by).toMatch(/^Antoine/)
  expect(boilsAt(record('aniline'), 10)!.by).toMatch(/Hass and Newton/)
})

test.each([
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
] as [string, Content[], number, number][])('%s', (_what, contents, atC, withinK) => {
  const found = boils(contents)
  expect(Math.abs(found.atC - atC)).toBeLessThan(withinK)
  expect(Math.abs(found.atC - atC)).toBeLessThan(found.plusMinusK + 2)
})

test('at 600 mmHg everything boils lower', () => {
  for (const contents of [
    [neat('ethanol', 10), neat('water', 10)],
    [neat('toluene', 10), neat('water', 10)],
    [inWater('hydrochloric-acid', 10, 20.2)],
  ])
    expect(boils(contents, 600).atC).toBeLessThan(boils(contents).atC - 2)
})

test('a pair that is alike is worth more than one that is not, and acid with amine only begins there', () => {
  expect(boils([neat('hexane', 10), neat('octane', 10)]).plusMinusK).toBe(2)
  expect(boils([neat('isopentyl-alcohol', 10), neat('isopentyl-acetate', 10)]).plusMinusK).toBe(8)
  expect(boils([neat('ethanol', 10), neat('water', 10)])).toMatchObject({
    plusMinusK: 2,
    azeotropes: [{ names: ['ethanol', 'water'] }],
  })
  expect(boils([neat('acetic-acid', 5), neat('aniline', 4)])).toMatchObject({
    orHigher: true,
    plusMinusK: expect.closeTo(12, -1) as number,
  })
})

test.each([
  ['nothing', [], /no liquid/],
  ['a solid salt', [solid('sodium-chloride', 5)], /no liquid/],
  [
    'an oil',
    [{ ...neat('toluene', 5), substance: { id: 'oil', name: 'an oil', formula: 'C9H12' } }],
    /an oil boils at is not on record/,
  ],
] as [string, Content[], RegExp][])('of %s it is not said', (_what, contents, why) => {
  const found = boilingOf(contents, 760)
  expect('why' in found && found.why).toMatch(why)
})

test('acids along their table, not beyond it', () => {
  expect(acidBoilsAtC('H2SO4', 0.55)).toBeCloseTo(132.5, 6)
  expect(acidBoilsAtC('HCl', 0.4)).toBeNull()
  expect(acidBoilsAtC('NaOH', 0.1)).toBeNull()
})

describe('azeotropes', () => {
  const component = (smiles: string) => {
    const found = substanceRecords.find((each) => each.smiles === smiles)!
    return { name: found.name, smiles, ...vapourConstants(found)!, gPerMol: molarMass(found.formula!), gPerML: 1 }
  }
  test.each(azeotropes.filter(({ layers }) => !layers).map((each) => [`${each.one} ${each.other}`, each] as const))(
    'with the constants of %s the mixture boils where it is on record',
    (_name, { one, other, atC, percentOfOne }) => {
      const [a, b] = [component(one), component(other)]
      const lambda = wilsonOf(a, b)
      // A pair so near a pure liquid that its constants cannot be found is left out.
      if (!lambda) return expect(percentOfOne > 50).toBe(true)
      const x = percentOfOne / a.gPerMol / (percentOfOne / a.gPerMol + (100 - percentOfOne) / b.gPerMol)
      expect(Math.abs(boilsWith([a, b], lambda, x) - atC)).toBeLessThan(2)
      // The other way round it is the same.
      expect(wilsonOf(b, a)).toEqual([lambda[1], lambda[0]])
    },
  )
  test.each(azeotropes.filter(({ layers }) => layers).map((each) => [`${each.one} ${each.other}`, each] as const))(
    'two layers of %s boil together near the value on record',
    (_name, { one, other, atC }) => {
      const ids = [one, other].map((smiles) => substanceRecords.find((each) => each.smiles === smiles)!.id)
      expect(Math.abs(boils(ids.map((id) => neat(id, 20))).atC - atC)).toBeLessThan(3.5)
    },
  )
})
