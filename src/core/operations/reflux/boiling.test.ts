import fc from 'fast-check'
import { defaultLab, pressureMmHg } from '../../lab/lab'
import { schools } from '../../lab/schools'
import { boilsAt, vapourPressureAt } from '../../substance/boilsAt'
import { heatingFor } from './heating'
import { timeInBand } from '../vessel/timeInBand'

const water = { antoine: { a: 8.07131, b: 1730.63, c: 233.426, fromC: 1, toC: 100, source: '' } }
const unknown = { boiling: { lowC: 100, highC: 100, source: '' } }

describe('pressure of the laboratory', () => {
  test('standard atmosphere: 84.56 kPa at 1500 m (ICAO table)', () =>
    expect(pressureMmHg({ pressure: { by: 'altitude', value: 1500 } })).toBeCloseTo(84.56 * 7.50062, 0))
  test('sea level is 760 mmHg by all three', () => {
    for (const pressure of [
      { by: 'kPa', value: 101.325 },
      { by: 'mmHg', value: 760 },
      { by: 'altitude', value: 0 },
    ] as const)
      expect(pressureMmHg({ pressure })).toBeCloseTo(760, 9)
  })
  test('the default laboratory follows the first way of every school', () => {
    for (const { setting, ways } of schools) expect(defaultLab[setting]).toBe(ways[0]!.value)
  })
})

describe('boiling at a pressure', () => {
  test('water at 634 mmHg, by hand: 1730.63/(8.07131 − 2.80209) − 233.426 = 95.0 °C', () =>
    expect(boilsAt(water, 634)!.atC).toBeCloseTo(95.02, 1))
  test('Hass and Newton near 760 mmHg: 373.15·log(760/750)/5.4 = 0.397 K for 10 mmHg', () =>
    expect(100 - boilsAt(unknown, 750)!.atC).toBeCloseTo(0.397, 2))
  test('unknown stays unknown', () => {
    expect(boilsAt({}, 700)).toBeNull()
    expect(vapourPressureAt({}, 20)).toBeNull()
  })
  test('vapour pressure and boiling point undo each other; less pressure never boils hotter', () => {
    fc.assert(
      fc.property(fc.constantFrom(water, unknown), fc.double({ min: 20, max: 800, noNaN: true }), (liquid, mmHg) => {
        const { atC } = boilsAt(liquid, mmHg)!
        expect(vapourPressureAt(liquid, atC)! / mmHg).toBeCloseTo(1, 9)
        expect(boilsAt(liquid, mmHg * 0.9)!.atC).toBeLessThan(atC)
      }),
    )
  })
})

test('ether in warm water away from flames, isopentyl acetate in a mantle under an air condenser', () => {
  expect(heatingFor(34.6, true).bath).toBe('warm water of 50 to 60 °C, heated elsewhere: no flame and no hot plate near it')
  expect(heatingFor(118, true)).toMatchObject({ condenser: 'water condenser, in at the bottom', bathC: { low: 133, high: 143 } })
  expect(heatingFor(142, false).condenser).toBe('air condenser')
})

describe('time inside a band', () => {
  const band = { lowC: 60, highC: 65 }
  test('by hand: 50 → 70 in 10 min passes the band in 2.5 min, then 4 min at 62, then out at 65 half way', () =>
    expect(
      timeInBand(
        [
          { atMin: 0, celsius: 50 },
          { atMin: 10, celsius: 70 },
          { atMin: 10, celsius: 62 },
          { atMin: 14, celsius: 62 },
          { atMin: 16, celsius: 68 },
        ],
        band,
      ),
    ).toEqual({ insideMin: 2.5 + 4 + 1, allMin: 16 }))
  test('never more than all of the time', () => {
    const reading = fc.record({ atMin: fc.integer({ min: 0, max: 90 }), celsius: fc.integer({ min: 20, max: 110 }) })
    fc.assert(
      fc.property(fc.array(reading), (readings) => {
        const { insideMin, allMin } = timeInBand(readings, band)
        expect(insideMin).toBeGreaterThanOrEqual(0)
        expect(insideMin).toBeLessThanOrEqual(allMin + 1e-9)
      }),
    )
  })
})
