import fc from 'fast-check'
import { limitOfTwo } from './limitOfTwo'

test('two equal amounts of 10.0 ± 0.1: 10 − 0.1414/√(2π) = 9.9436, ± 0.0826', () => {
  const found = limitOfTwo({ value: 10, u: 0.1 }, { value: 10, u: 0.1 })
  expect(found.value).toBeCloseTo(9.9436, 4)
  // Var = u² − θ²/(2π) = 0.01 − 0.02/6.283.
  expect(found.u).toBeCloseTo(Math.sqrt(0.01 - 0.02 / (2 * Math.PI)), 4)
})
test('far apart the smaller one stands as it is', () => {
  expect(limitOfTwo({ value: 10, u: 0.1 }, { value: 12, u: 0.1 })).toEqual({
    value: expect.closeTo(10, 6) as number,
    u: expect.closeTo(0.1, 6) as number,
  })
  expect(limitOfTwo({ value: 3, u: 0 }, { value: 2, u: 0 })).toEqual({ value: 2, u: 0 })
})
test('never above the smaller, and the order does not matter', () => {
  const amount = fc.record({
    value: fc.double({ min: 1, max: 20, noNaN: true }),
    u: fc.double({ min: 0.001, max: 1, noNaN: true }),
  })
  fc.assert(
    fc.property(amount, amount, (a, b) => {
      expect(limitOfTwo(a, b).value).toBeLessThanOrEqual(Math.min(a.value, b.value) + 1e-5)
      expect(limitOfTwo(b, a).value).toBeCloseTo(limitOfTwo(a, b).value, 5)
    }),
  )
})
