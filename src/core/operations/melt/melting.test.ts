import fc from 'fast-check'
import { calibrationOf, correctedC } from './calibration'
import { mixedMelting, purificationGain } from './compareRanges'
import { impurityFromDepression } from './impurity'
import { lagAt, rampFor } from './ramp'

test('acetanilide: fast to 93 °C, then slowly to 120 °C in 18 min', () =>
  expect(rampFor(113, 115)).toEqual({ fastToC: 93, slowFromC: 93, slowToC: 120, perMin: { low: 1, high: 2 }, slowMin: 18 }))
test('at ten degrees a minute the reading runs five ahead', () => expect(lagAt(10)).toBe(5))

describe('calibration', () => {
  const standards = [
    { name: 'low', trueC: 48, readC: 49 },
    { name: 'middle', trueC: 122, readC: 124 },
    { name: 'high', trueC: 236, readC: 240 },
  ]
  test('by hand: means 135.333 true, 137.667 read; Sxy 18 227.3 over Sxx 18 520.7', () => {
    const line = calibrationOf(standards)!
    expect(line.slope).toBeCloseTo(0.98416, 4)
    expect(line.offsetC).toBeCloseTo(135.3333 - 0.98416 * 137.6667, 2)
    expect(line).toMatchObject({ fromC: 49, toC: 240 })
    expect(line.residuals.reduce((sum, { residualC }) => sum + residualC, 0)).toBeCloseTo(0, 9)
    expect(line.scatterC).toBeLessThan(0.5)
  })
  test('two standards are met exactly, one shifts the scale, none is no calibration', () => {
    const two = calibrationOf(standards.slice(0, 2))!
    expect(two.scatterC).toBeNull()
    expect(correctedC(two, 49)).toEqual({ celsius: expect.closeTo(48, 9) as number, extrapolated: false })
    expect(correctedC(calibrationOf(standards.slice(0, 1))!, 60)).toEqual({ celsius: 59, extrapolated: true })
    expect(calibrationOf([])).toBeNull()
    expect(() => calibrationOf([standards[0]!, standards[0]!])).toThrow('two that differ')
  })
  test('an instrument that is off by the same everywhere is put right everywhere', () => {
    const at = fc.double({ min: 30, max: 300, noNaN: true })
    fc.assert(
      fc.property(at, fc.double({ min: -10, max: 10, noNaN: true }), (readC, off) => {
        const line = calibrationOf([50, 120, 230].map((trueC) => ({ name: '', trueC, readC: trueC + off })))!
        expect(correctedC(line, readC).celsius).toBeCloseTo(readC - off, 6)
      }),
    )
  })
})

test('impurity, by hand: naphthalene, 19.06 kJ/mol, 80.2 → 77.2 °C: 57 180/(8.3145·353.35²) = 5.5 %', () => {
  expect(impurityFromDepression(80.2, 77.2, 19.06)).toBeCloseTo(0.0551, 3)
  expect(impurityFromDepression(80.2, 81, 19.06)).toBe(0)
})

test('crude against purified, and mixed with an authentic sample', () => {
  expect(purificationGain({ onsetC: 104, clearC: 112 }, { onsetC: 113, clearC: 115 })).toEqual({ higherC: 6, sharperC: 6 })
  expect(mixedMelting({ onsetC: 113, clearC: 115 }, { onsetC: 113, clearC: 115 })).toBe('consistent with the same substance')
  expect(mixedMelting({ onsetC: 113, clearC: 115 }, { onsetC: 98, clearC: 106 })).toBe('consistent with another substance')
  expect(mixedMelting({ onsetC: 104, clearC: 112 }, { onsetC: 98, clearC: 106 })).toBe('not to be told')
})
