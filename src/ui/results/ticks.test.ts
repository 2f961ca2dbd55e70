import fc from 'fast-check'
import { ticksOf } from './ticks'

describe('a round scale', () => {
  test.each([
    [113.0, 114.9, [112.5, 113, 113.5, 114, 114.5, 115, 115.5], 1],
    [1.3999, 1.4031, [1.399, 1.4, 1.401, 1.402, 1.403, 1.404], 3],
    [34, 107, [20, 40, 60, 80, 100, 120], 0],
  ])('%d to %d', (least, most, ticks, decimals) => {
    expect(ticksOf(least, most)).toMatchObject({ ticks, decimals })
  })
  test('holds all values, with few ticks, even where all are one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        fc.double({ min: 0, max: 1e4, noNaN: true }),
        (least, more) => {
          const { low, high, ticks } = ticksOf(least, least + more)
          expect(low).toBeLessThanOrEqual(least + 1e-6)
          expect(high).toBeGreaterThanOrEqual(least + more - 1e-6)
          expect(ticks.length).toBeLessThanOrEqual(12)
        },
      ),
    )
  })
})
