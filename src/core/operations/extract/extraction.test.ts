import fc from 'fast-check'
import { saltingFactor } from '../../matter/saltingOut'
import { whichOnTop } from './layers'
import { fractionLeft, fractionLimit, portionFor, portionsFor } from '../../matter/partition'

const positive = (max: number) => fc.double({ min: 0.01, max, noNaN: true })

describe('one solute', () => {
  test('K = 4, 50 mL of water: 60 mL at once take 82.8 %, three of 20 mL 94.3 %, the limit is 99.2 %', () => {
    expect(1 - fractionLeft({ D: 4, waterML: 50, portionML: 60, portions: 1 })).toBeCloseTo(0.828, 3)
    expect(1 - fractionLeft({ D: 4, waterML: 50, portionML: 20, portions: 3 })).toBeCloseTo(0.943, 3)
    expect(1 - fractionLimit(4, 50, 60)).toBeCloseTo(0.992, 3)
  })
  test('99 % with 20 mL portions: 2.6^−n ≤ 0.01, so five', () =>
    expect(portionsFor(0.99, { D: 4, waterML: 50, portionML: 20 })).toBe(5))
  test('what no number of portions reaches is said', () =>
    expect(portionsFor(0.99, { D: 0.001, waterML: 50, portionML: 20 })).toBeNull())
  test('the portion that n of them need, back again', () => {
    fc.assert(
      fc.property(positive(50), fc.integer({ min: 1, max: 6 }), (D, n) => {
        const volume = portionFor(0.95, { D, waterML: 50, portions: n })
        expect(1 - fractionLeft({ D, waterML: 50, portionML: volume, portions: n })).toBeCloseTo(0.95, 9)
        expect(portionsFor(0.95, { D, waterML: 50, portionML: volume })).toBe(n)
      }),
    )
  })
  test('more portions of the same total never take less, and none passes the limit', () => {
    fc.assert(
      fc.property(positive(50), positive(200), positive(200), fc.integer({ min: 1, max: 9 }), (D, water, total, n) => {
        const left = fractionLeft({ D, waterML: water, portionML: total / n, portions: n })
        expect(fractionLeft({ D, waterML: water, portionML: total / (n + 1), portions: n + 1 })).toBeLessThanOrEqual(left + 1e-12)
        expect(left).toBeGreaterThanOrEqual(fractionLimit(D, water, total) - 1e-12)
      }),
    )
  })
})

describe('which layer is on top', () => {
  test('ether over water, dichloromethane under it', () => {
    expect(whichOnTop(0.713, 0.998)).toMatchObject({ top: 'organic', certain: true })
    expect(whichOnTop(1.33, 0.998)).toMatchObject({ top: 'watery', certain: true })
  })
  test('closer than 0.05 g/mL either may lie on top', () => expect(whichOnTop(0.985, 0.998)).toMatchObject({ certain: false }))
})

describe('salting out', () => {
  test('by hand: 0.2 L/mol at 5 mol/L raises K tenfold; none at no salt', () => {
    expect(saltingFactor(0.2, 5)).toBeCloseTo(10, 9)
    expect(saltingFactor(0.2, 0)).toBe(1)
  })
  test('more salt never leaves more in the water', () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.5, noNaN: true }), fc.double({ min: 0, max: 6, noNaN: true }), (kS, c) => {
        expect(saltingFactor(kS, c + 0.1)).toBeGreaterThanOrEqual(saltingFactor(kS, c))
      }),
    ))
})
