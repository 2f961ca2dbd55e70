/** Heats of usual reactions and heat capacities, by hand or as handbooks have them. */
import { capacities, rises } from './givens'
import { inWater, mmolOf, neat, solid as grams, solution, vesselOf, type Poured } from './poured'
import { someOf } from '@/test-support/vessels'
import { adiabaticRise } from '@/core/operations/add/adiabaticRise'
import { heatCapacityIn } from '@/core/matter/heatCapacity'
import { joulesOf, warms } from '@/core/matter/warms'
import { heatOfMixing, type Diluted } from '@/core/reaction/dilution'
import { heats } from '@/core/reaction/heatTable'

const solid = (id: string, mmol: number): Poured => ({ ...grams(id, 0), g: mmol / mmolOf(id, 1) })
const dilute = solution

describe('heat capacity', () => {
  test.each(capacities)('%s: %d J/(g·K) within %d', (_what, contents, cp, within) => {
    const found = heatCapacityIn(vesselOf(...contents).phases)!
    expect(Math.abs(found.cp - cp)).toBeLessThan(within)
  })
  test('what has no mass is not guessed', () => {
    expect(heatCapacityIn(vesselOf(neat('water', 10), someOf('toluene')).phases)).toBeNull()
    expect(heatCapacityIn([])).toBeNull()
  })
})

const meet = (there: readonly Poured[], comes: readonly Poured[]) => {
  const found = warms(vesselOf(...there), vesselOf(...comes))!
  // Dilution beside a reaction is looked at by itself.
  return found.parts.filter(({ what }) => !what.startsWith('dilution'))
}

test('two bases under one acid: what the first leaves meets the second, and both heats count', () => {
  const bases = [dilute('sodium-hydroxide', 10, 1), dilute('ammonia', 10, 2)]
  // 10 mmol take the hydroxide at 57, the 5 that are left the ammonia at 50 kJ/mol: 820 J.
  const found = meet(bases, [dilute('hydrochloric-acid', 15, 1)])
  expect(found.map(({ what, mmol }) => [what, Number(mmol.toFixed(6))])).toEqual([
    ['strong acid with strong base', 10],
    ['strong acid with ammonia or an amine', 5],
  ])
  expect(joulesOf(found).low).toBeCloseTo(10 * 55 + 5 * 35, 6)
  expect(joulesOf(found).likely).toBeCloseTo(820, 6)
  expect(joulesOf(found).high).toBeCloseTo(10 * 60 + 5 * 60, 6)
  // With no acid left over the second gives nothing.
  expect(meet(bases, [dilute('hydrochloric-acid', 10, 1)])).toHaveLength(1)
})

describe('heat of what meets', () => {
  const found = (contents: readonly Poured[], ...added: string[]) => {
    const isAdded = ({ of }: Poured) => typeof of !== 'string' && added.includes(of.id)
    const [first] = warms(vesselOf(...contents.filter((each) => !isAdded(each))), vesselOf(...contents.filter(isAdded)))!.parts
    return first ? [first.what, Number(first.mmol.toFixed(1))] : undefined
  }
  test.each([
    [
      '20 mmol of acid into 30 of base',
      [dilute('sodium-hydroxide', 10, 3), dilute('hydrochloric-acid', 10, 2)],
      ['hydrochloric-acid'],
      ['strong acid with strong base', 20],
    ],
    [
      'sulfuric acid counts twice',
      [dilute('sodium-hydroxide', 10, 5), dilute('sulfuric-acid', 10, 2)],
      ['sulfuric-acid'],
      ['strong acid with strong base', 40],
    ],
    [
      'acetic acid is weak',
      [dilute('sodium-hydroxide', 10, 3), dilute('acetic-acid', 10, 2)],
      ['acetic-acid'],
      ['weak acid with strong base', 20],
    ],
    [
      '9.6 g of 96 % acid into water',
      [neat('water', 50), inWater('sulfuric-acid', 9.6, 96)],
      ['sulfuric-acid'],
      ['dilution of sulfuric acid', 94],
    ],
    [
      'acetic anhydride onto aniline',
      [neat('aniline', 4.09), neat('acetic-anhydride', 2.705)],
      ['acetic-anhydride'],
      ['acetylation of an amine', 26.5],
    ],
    [
      'mixed acid onto an ester',
      [neat('methyl-benzoate', 3), inWater('sulfuric-acid', 11, 96), inWater('nitric-acid', 4, 68)],
      ['nitric-acid'],
      ['nitration', 22],
    ],
    [
      'a halide onto magnesium',
      [solid('magnesium', 30), neat('diethyl-ether', 10), neat('1-bromobutane', 3.43)],
      ['1-bromobutane'],
      ['forming a Grignard reagent', 25],
    ],
    [
      'acetone onto what came of it',
      [solid('magnesium', 30), neat('1-bromobutane', 3.43), neat('acetone', 1.16)],
      ['acetone'],
      ['addition of a Grignard reagent', 20],
    ],
    [
      'hydride of four hydrogens and ethanol',
      [solid('lithium-aluminium-hydride', 5), neat('ethanol', 4.607)],
      ['ethanol'],
      ['hydride with alcohol', 20],
    ],
    ['nothing that is known', [neat('toluene', 5), neat('hexane', 5)], ['hexane'], undefined],
    ['nothing new is put in', [dilute('sodium-hydroxide', 10, 3), dilute('hydrochloric-acid', 10, 2)], ['water'], undefined],
  ] as [string, Poured[], string[], [string, number] | undefined][])('%s', (_what, contents, added, expected) =>
    expect(found(contents, ...added)).toEqual(expected),
  )
  test('every span is one, and every row can be reached', () => {
    for (const { kJ, what } of heats) {
      expect([what, kJ[0] <= kJ[1] && kJ[1] <= kJ[2] && kJ[2] < 700]).toEqual([what, true])
    }
  })
})

describe('dilution, by the tables of integral heats', () => {
  test('at the points of a table and between them', () => {
    const heatOfSolution = (of: Diluted, waters: number) =>
      heatOfMixing(of, { mmol: 1, waterMmol: 0 }, { mmol: 0, waterMmol: waters })
    expect(heatOfSolution('sulfuric acid', 0)).toBe(0)
    expect(heatOfSolution('sulfuric acid', 5)).toBe(58.03)
    // Half way from 10 to 20 moles of water.
    expect(heatOfSolution('sulfuric acid', 15)).toBeCloseTo((67.03 + 71.5) / 2, 9)
    expect(heatOfSolution('hydrochloric acid', 1e6)).toBe(74.68)
  })
  test('no heat when like is put to like, and none is lost in two pours', () => {
    expect(heatOfMixing('nitric acid', { mmol: 10, waterMmol: 30 }, { mmol: 5, waterMmol: 15 })).toBeCloseTo(0, 9)
    const acid = { mmol: 10, waterMmol: 5 }
    const atOnce = heatOfMixing('sulfuric acid', acid, { mmol: 0, waterMmol: 500 })
    const first = heatOfMixing('sulfuric acid', acid, { mmol: 0, waterMmol: 100 })
    const then = heatOfMixing('sulfuric acid', { mmol: 10, waterMmol: 105 }, { mmol: 0, waterMmol: 400 })
    expect(first + then).toBeCloseTo(atOnce, 6)
  })
  test.each([
    // 9.6 g of 96 % are 94 mmol in 21 of water; with 50 g of water 30 mol to the mol: 72.1 − 6.4 = 66 kJ/mol.
    ['sulfuric acid into water', [neat('water', 50)], [inWater('sulfuric-acid', 9.6, 96)], 'sulfuric acid', 66, 3],
    // Whichever is poured into the other, the heat is the same.
    ['water into sulfuric acid', [inWater('sulfuric-acid', 9.6, 96)], [neat('water', 50)], 'sulfuric acid', 66, 3],
    // 37 %: 3.4 mol of water to the mol, 58.8; into ten times as much, 73.3.
    [
      '12 M hydrochloric acid into water',
      [neat('water', 100)],
      [inWater('hydrochloric-acid', 10, 37)],
      'hydrochloric acid',
      15,
      2,
    ],
    // 44.5 kJ/mol in every textbook, at much water 42.5.
    ['caustic soda into water', [neat('water', 100)], [grams('sodium-hydroxide', 4)], 'sodium hydroxide', 42.5, 1],
  ] as [string, Poured[], Poured[], string, number, number][])('%s', (_what, there, comes, of, kJ, within) => {
    const { parts, untold } = warms(vesselOf(...there), vesselOf(...comes))!
    const [first] = parts
    expect(untold).toEqual([])
    expect(first!.what).toBe(`dilution of ${of}`)
    expect(Math.abs(first!.kJ.likely - kJ)).toBeLessThan(within)
    expect(first!.kJ.low).toBeLessThan(first!.kJ.likely)
    expect(first!.kJ.high).toBeGreaterThan(first!.kJ.likely)
  })
  test('into alcohol by about how much nobody has on record; dilute acid into water gives next to none', () => {
    const [first] = warms(vesselOf(neat('ethanol', 20)), vesselOf(inWater('sulfuric-acid', 5, 96)))!.parts
    expect(first!.what).toBe('dilution of sulfuric acid')
    expect(first!.kJ.low / first!.kJ.likely).toBeCloseTo(0.5, 6)
    expect(warms(vesselOf(neat('water', 20)), vesselOf(solution('hydrochloric-acid', 5, 0.1)))!.parts).toEqual([])
  })
  test('an amount that nobody knows makes no heat known', () =>
    expect(warms(vesselOf(neat('water', 20)), vesselOf(someOf('sulfuric-acid')))).toBeNull())
})

test('no heat is borrowed: an oxidation is not the esterification beside it, and of one that is not on record nothing is said', () => {
  const cleaner = [grams('potassium-dichromate', 3.4), solution('sulfuric-acid', 18, 3)]
  const [first] = warms(vesselOf(...cleaner), vesselOf(neat('ethanol', 0.79)))!.parts
  expect(first!.what).toBe('oxidation by chromium(VI)')
  // 17 mmol at 300 kJ/mol: 5 kJ into some 26 g of water and salts, 60 K and more.
  expect(first!.mmol * first!.kJ.likely).toBeGreaterThan(4500)
  const nitric = warms(vesselOf(inWater('nitric-acid', 10, 68)), vesselOf(neat('ethanol', 4)))!
  expect(nitric.untold.map(([one, other]) => [one.thing.name, other.thing.name].sort())).toContainEqual([
    'ethanol',
    'hydrogen ion',
  ])
})

test.each(rises)('rise: %s', (_what, mmol, kJ, g, cp, kelvin) =>
  expect(adiabaticRise(mmol, kJ, [{ g, cp }])).toBeCloseTo(kelvin, -0.5),
)
