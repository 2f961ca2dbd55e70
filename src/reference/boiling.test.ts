/** Where liquids, mixtures and solutions boil: published or hand-worked values, each with what it may be off. */
import { mixtures, underPressure } from './givens'
import { forPlan, substanceRecords } from './records'
import { boilsAt } from '@/core/substance/boilsAt'
import { molarMass } from '@/core/substance/molarMass'
import { azeotropes, boilsWith, wilsonOf } from '@/core/matter/azeotropes'
import { vapourConstants } from '@/core/substance/boilsAt'
import { boilsAtIn } from '@/core/matter/boilsAt'
import { boilsHere } from '@/core/operations/vessel/saysBoiling'
import { defaultLab } from '@/core/lab/lab'
import { inWater, neat, solid, vesselOf, type Poured } from './poured'
import { acidBoilsAtC } from '@/core/matter/strongAcids'

const record = (id: string) => forPlan(substanceRecords.find((each) => each.id === id)!)
const boils = (contents: readonly Poured[], mmHg = 760) => {
  const found = boilsAtIn(vesselOf(...contents).phases, mmHg)
  if ('unknown' in found) throw new Error(`What ${found.unknown.map(({ name }) => name).join()} boils at is not known.`)
  return found
}
const azeotropesOf = (...contents: readonly Poured[]) => {
  const found = boilsHere(vesselOf(...contents), defaultLab)
  return 'why' in found ? [] : found.azeotropes.map(({ words }) => words)
}
const says = (...contents: readonly Poured[]) => {
  const found = boilsHere(vesselOf(...contents), defaultLab)
  return 'why' in found ? found.why : found.says
}

test.each(underPressure)('%s at %d mmHg boils at %d °C', (id, mmHg, atC, withinK) => {
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

test.each(mixtures)('%s', (_what, contents, atC, withinK) => {
  const found = boils(contents)
  expect(Math.abs(found.atC - atC)).toBeLessThan(withinK)
  expect(Math.abs(found.atC - atC)).toBeLessThan(found.plusMinusK + 2)
})

test('a liquid that stands in two lines is one: it boils as all of it would, and makes no azeotrope with itself', () => {
  const two = boils([neat('ethanol', 4), neat('ethanol', 6), neat('water', 10)])
  expect(two).toEqual(boils([neat('ethanol', 10), neat('water', 10)]))
  expect(azeotropesOf(neat('ethanol', 4), neat('ethanol', 6), neat('water', 10))).toEqual([
    expect.stringMatching(/^(Ethanol and water|Water and ethanol) boil together at 78/),
  ])
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
  expect(boils([neat('ethanol', 10), neat('water', 10)]).plusMinusK).toBe(2)
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
    [{ ...neat('toluene', 5), of: { id: 'oil', name: 'an oil', formula: 'C9H12' } }],
    /what an oil boils at, or how much of it there is, is not known/,
  ],
] as [string, Poured[], RegExp][])('of %s it is not said', (_what, contents, why) => expect(says(...contents)).toMatch(why))

test('what a figure rests on is said', () => {
  expect(says(neat('ethanol', 10))).toBe('Antoine constants')
  expect(says(neat('water', 100), solid('sucrose', 20))).toBe('Antoine constants, raised by what is dissolved')
  expect(says(neat('ethanol', 10), neat('water', 10))).toMatch(/^bubble point of (ethanol, water|water, ethanol)$/)
  expect(says(neat('toluene', 10), neat('water', 10))).toMatch(/^vapour pressures of both layers together, /)
  expect(says(solid('naphthalene', 10))).toMatch(/^its melt, by its /)
  expect(says(neat('acetic-acid', 5), neat('aniline', 4))).toMatch(/^the lightest of .*: acid and amine hold each other back$/)
  expect(says(inWater('hydrochloric-acid', 10, 20.2))).toContain('at 20 % by mass')
})

test('acids along their table, not beyond it', () => {
  // 0.045 K for each mmHg: 7.2 K for 160.
  const acid = [inWater('hydrochloric-acid', 10, 20.2)]
  expect(boils(acid).atC - boils(acid, 600).atC).toBeCloseTo(7.2, 9)
  expect(boils(acid)).toMatchObject({ by: 'table', share: expect.closeTo(0.202, 3) as number })
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
