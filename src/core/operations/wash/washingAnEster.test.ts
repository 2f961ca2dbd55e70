/** Washing an ester, with figures worked by hand. */
import { washesOf } from './planner'
import { at } from '@/test-support/planned'
import { isopentylAcetate } from '@/test-support/plans'

describe('washing isopentyl acetate', () => {
  test('water first, then bicarbonate for what it leaves; the water takes the acid as its K says', () => {
    const { context, filled, fact, advice } = at(isopentylAcetate, 'wash-bicarbonate')
    expect(washesOf(context, filled).map(({ solution }) => solution)).toEqual(['water', 'saturated sodium bicarbonate', 'brine'])
    // 40 mL × 0.60 mol/L; by hand, 18.6 mL with two of 20 mL of water keep (12.6/32.6)² = 15 % of 112 mmol
    expect(fact('own')).toBeCloseTo(24, 6)
    expect(advice('own-short')).toBeUndefined()
    expect(advice('all')).toBeDefined()
    expect(advice('vent')!.level).toBe('danger')
  })
  test('three of 10 mL of water on 18.6 mL: (18.6/(18.6 + 10/0.676))³ of the acetic acid stay, so 83 % go; of the alcohol 10 %', () => {
    const { context, filled } = at(isopentylAcetate, 'wash-bicarbonate')
    const { dissolves } = washesOf(context, filled)[0]!
    expect(dissolves!.map(({ name, fraction }) => [name, Math.round(100 * fraction)])).toEqual([
      ['isopentyl alcohol', 10],
      ['acetic acid', 83],
      ['sulfuric acid', 98],
    ])
  })
  test('one wash of 10 mL of water leaves too much acid for it', () =>
    expect(
      at(
        {
          ...isopentylAcetate,
          lines: isopentylAcetate.lines.map((line) =>
            line.id === 'wash-water'
              ? { ...line, anchor: { of: 'volume', quantity: { value: 10, unit: 'mL', decimals: 0 } } }
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
