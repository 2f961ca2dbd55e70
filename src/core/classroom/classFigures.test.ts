import fc from 'fast-check'
import { median } from '../quantity/median'
import { classShiftC, medianAbsoluteDeviation, robustOutliers } from './classFigures'

const yields = fc.array(fc.double({ min: 0, max: 1.5, noNaN: true }), { minLength: 1, maxLength: 60 })

describe('figures of a class of up to sixty benches', () => {
  test('the median has as many benches above as below, and does not ask for their order', () => {
    fc.assert(
      fc.property(yields, (values) => {
        const middle = median(values)
        expect(values.filter((value) => value < middle).length).toBeLessThanOrEqual(values.length / 2)
        expect(values.filter((value) => value > middle).length).toBeLessThanOrEqual(values.length / 2)
        expect(median([...values].reverse())).toBe(middle)
      }),
    )
  })

  test('one wild bench among ordinary ones is far out, and moves neither middle nor spread by much', () => {
    // 70, 72, 74, 76, 78 %: median 74, MAD 2; 34 % has 0.6745 × 40 ÷ 2 = 13.5 > 3.5
    expect(robustOutliers([0.7, 0.72, 0.74, 0.76, 0.78, 0.34])).toEqual([false, false, false, false, false, true])
    expect(medianAbsoluteDeviation([0.7, 0.72, 0.74, 0.76, 0.78])).toBeCloseTo(0.02, 9)
  })

  test.each([
    [[3], 3],
    [[1, 2], 1.5],
    [[5, 1, 3], 3],
    [[4, 1, 3, 2], 2.5],
  ])('the median of %j is %d', (values, middle) => expect(median(values)).toBe(middle))

  test('the spread does not change when every bench gets the same more', () => {
    fc.assert(
      fc.property(yields, fc.double({ min: -1, max: 1, noNaN: true }), (values, more) => {
        expect(medianAbsoluteDeviation(values.map((value) => value + more))).toBeCloseTo(medianAbsoluteDeviation(values), 9)
      }),
    )
  })

  test('never more than half of a class is far out', () => {
    fc.assert(
      fc.property(yields, (values) => {
        expect(robustOutliers(values).filter(Boolean).length).toBeLessThanOrEqual(values.length / 2)
      }),
    )
  })

  test('a class that is all alike has no outlier; an empty one no figures', () => {
    expect(robustOutliers([0.7, 0.7, 0.7])).toEqual([false, false, false])
    expect(robustOutliers([])).toEqual([])
    expect(() => median([])).toThrow(RangeError)
    expect(classShiftC([], 115)).toBeNull()
    // A single bench says nothing of the instrument; two do.
    expect(classShiftC([120], 115)).toBeNull()
    expect(classShiftC([120, 122], 115)).toBe(6)
  })

  test('an instrument that reads 8 °C high shifts the class by 8 °C, whatever the chemistry did', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 100, max: 120, noNaN: true }), { minLength: 2, maxLength: 20 }), (clear) => {
        const shift = classShiftC(clear, 115)!
        expect(
          classShiftC(
            clear.map((value) => value + 8),
            115,
          ),
        ).toBeCloseTo(shift + 8, 9)
      }),
    )
  })
})
