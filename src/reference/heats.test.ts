/** Heats of usual reactions and heat capacities, by hand or as handbooks have them. */
import { capacities, rises } from './givens'
import { content, inWater, neat, solid as grams } from './contents'
import type { Content } from '@/core/operations/vessel/content'
import { adiabaticRise } from '@/core/operations/add/adiabaticRise'
import { heatCapacityIn } from '@/core/operations/add/heatCapacity'
import { heats } from '@/core/reaction/heatTable'
import { heatOf, saysHeat } from '@/core/reaction/heats'

const solid = (id: string, mmol: number) => {
  const of = grams(id, 1)
  return grams(id, (mmol * of.massG!) / of.mmol!)
}
const dilute = (id: string, mL: number, molPerL: number) =>
  content(id, { kind: 'solution', molPerL }, { massG: null, mmol: mL * molPerL, volumeML: mL })

describe('heat capacity', () => {
  test.each(capacities)('%s: %d J/(g·K) within %d', (_what, contents, cp, within) => {
    const found = heatCapacityIn(contents)!
    expect(Math.abs(found.cp - cp)).toBeLessThan(within)
  })
  test('what has no mass is not guessed', () => {
    expect(
      heatCapacityIn([
        neat('water', 10),
        content('toluene', { kind: 'neat', purity: 1 }, { massG: null, mmol: null, volumeML: 5 }),
      ]),
    ).toBeNull()
    expect(heatCapacityIn([])).toBeNull()
  })
})

test('two bases under one acid: what the first leaves meets the second, and both heats count', () => {
  const contents = [dilute('sodium-hydroxide', 10, 1), dilute('ammonia', 10, 2), dilute('hydrochloric-acid', 15, 1)]
  const found = heatOf(contents, ['hydrochloric-acid'])!
  // 10 mmol take the hydroxide at 57, the 5 that are left the ammonia at 50 kJ/mol: 820 J, 82 for each of the first.
  expect([found.heat.what, found.mmol]).toEqual(['strong acid with strong base', 10])
  expect(found.besides.map(({ heat, mmol }) => [heat.what, mmol])).toEqual([['strong acid with ammonia or an amine', 5]])
  expect(found.kJ).toEqual([55 + 35 / 2, 57 + 50 / 2, 60 + 60 / 2])
  expect(saysHeat(found)).toContain('with it strong acid with ammonia or an amine of 5')
  // With no acid left over the second gives nothing.
  expect(heatOf([contents[0]!, contents[1]!, dilute('hydrochloric-acid', 10, 1)], ['hydrochloric-acid'])!.besides).toEqual([])
})

describe('heat of what meets', () => {
  const found = (contents: Content[], ...added: string[]) => {
    const heat = heatOf(contents, added)
    return heat ? [heat.heat.what, Number(heat.mmol.toFixed(1))] : undefined
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
  ] as [string, Content[], string[], [string, number] | undefined][])('%s', (_what, contents, added, expected) =>
    expect(found(contents, ...added)).toEqual(expected),
  )
  test('every span is one, and every row can be reached', () => {
    for (const { kJ, what } of heats) {
      expect([what, kJ[0] <= kJ[1] && kJ[1] <= kJ[2] && kJ[2] < 400]).toEqual([what, true])
    }
  })
})

test.each(rises)('rise: %s', (_what, mmol, kJ, g, cp, kelvin) =>
  expect(adiabaticRise(mmol, kJ, [{ g, cp }])).toBeCloseTo(kelvin, -0.5),
)
