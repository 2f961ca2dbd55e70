import { cases, deviation } from './cases'

test('at least eighty hand-worked or published cases, each told apart', () => {
  expect(cases.length).toBeGreaterThanOrEqual(80)
  expect(new Set(cases.map(({ area, what }) => `${area} ${what}`)).size).toBe(cases.length)
})

test.each(cases.map((each) => [`${each.area}: ${each.what}`, each] as const))('%s', (_name, each) => {
  const { value, holds } = deviation(each)
  expect([each.expected, value, holds]).toEqual([each.expected, value, true])
  // What is expected is expected, not what was found.
  if (typeof each.expected === 'string') expect(each.expected).not.toBe('')
})

test('a case that is off is said to be, from both sides of what it may be', () => {
  const one = { area: 'x', what: 'y', unit: 'K', expected: 10, within: 0.5 }
  expect(deviation({ ...one, found: () => 10.5 })).toEqual({ value: 10.5, off: 0.5, holds: true })
  expect(deviation({ ...one, found: () => 9.49 }).holds).toBe(false)
  expect(deviation({ ...one, found: () => NaN }).holds).toBe(false)
  expect(deviation({ ...one, expected: 'Pure', found: () => 'Pure but little' })).toEqual({
    value: 'Pure but little',
    off: null,
    holds: true,
  })
  expect(deviation({ ...one, expected: 'Pure', found: () => 'Little' }).holds).toBe(false)
})
