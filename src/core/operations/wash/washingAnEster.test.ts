/** Washing an ester, with figures worked by hand. */
import { washesOf } from './planner'
import { at } from '@/test-support/planned'
import { isopentylAcetate } from '@/test-support/plans'

describe('washing isopentyl acetate', () => {
  test('water first, then bicarbonate for what it leaves; the water takes the acid as its K says', () => {
    const { context, filled, fact, advice } = at(isopentylAcetate, 'wash-bicarbonate')
    expect(washesOf(context, filled).map(({ solution }) => solution)).toEqual(['water', 'saturated sodium bicarbonate', 'brine'])
    // 40 mL × 0.60 mol/L; after the water 2.8 mmol of acetic acid are there (washed twice, half at a time)
    expect(fact('own')).toBeCloseTo(24, 6)
    expect(advice('own-short')).toBeUndefined()
    expect(advice('all')).toBeDefined()
    expect(advice('vent')!.level).toBe('danger')
    // The ester is the layer: what the water dissolves of it nobody has on record, and none is not said.
    expect(fact('lost')).toBeUndefined()
    expect(filled.solutes.map(({ name }) => name)).not.toContain('isopentyl-acetate')
  })
  test('three of 4 mL of water on the 6.55 mL that are left: (6.55/(6.55 + 4/0.676))³ of the acetic acid stay, so 85 % go; of the alcohol 12 %', () => {
    const { context, filled } = at(isopentylAcetate, 'wash-bicarbonate')
    const { dissolves } = washesOf(context, filled)[0]!
    expect(dissolves!.map(({ name, fraction }) => [name, Math.round(100 * fraction)])).toEqual([
      ['isopentyl alcohol', 12],
      ['acetic acid', 85],
    ])
  })
  test('one wash of 5 mL of water leaves too much acid for it', () =>
    expect(
      at(
        {
          ...isopentylAcetate,
          lines: isopentylAcetate.lines.map((line) =>
            line.id === 'wash-water'
              ? { ...line, anchor: { of: 'volume', quantity: { value: 5, unit: 'mL', decimals: 0 } } }
              : line,
          ),
        },
        'wash-bicarbonate',
      ).advice('own-short'),
    ).toBeDefined())
  test('washes of one’s own: order matters, harm is said, what nothing takes is said', () => {
    const own = at(isopentylAcetate, 'wash-water', { washes: [{ solution: '5 % sodium hydroxide', portionML: 60, times: 1 }] })
    expect(own.advice('harm-0')!.words).toContain('splits the ester')
    expect(own.advice('large-0')).toBeDefined()
    expect(own.advice('left')!.words).toContain('acetic acid')
    const after = at(isopentylAcetate, 'wash-water', {
      washes: [
        { solution: 'water', portionML: 9, times: 3 },
        { solution: 'saturated sodium bicarbonate', portionML: 20, times: 1 },
      ],
    })
    const direct = at(isopentylAcetate, 'wash-water', {
      washes: [{ solution: 'saturated sodium bicarbonate', portionML: 20, times: 1 }],
    })
    expect(washesOf(after.context, after.filled)[1]!.needMmol).toBeLessThan(
      washesOf(direct.context, direct.filled)[0]!.needMmol! / 2,
    )
    expect(direct.advice('short-0')).toBeDefined()
  })
})
