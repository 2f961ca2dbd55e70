import fc from 'fast-check'
import { additionRate, pauseRule } from './additionRate'
import { adiabaticRise } from './adiabaticRise'
import { initiationLadder, initiationMin } from './initiation'
import { deprotonated, neutralisation, neutraliserOf, neutralisers, targetPH } from '../quench/neutralise'

test('15 mL in 20 min: 0.75 mL/min, a drop every four seconds', () => {
  expect(additionRate(15, 20)).toEqual({ mLPerMin: 0.75, dropsPerS: 0.25 })
  expect(() => additionRate(15, 0)).toThrow(RangeError)
})

test('a ceiling of 10 °C: stop at 8, go on below 4', () => expect(pauseRule(10)).toEqual({ stopAtC: 8, goOnBelowC: 4 }))

describe('adiabatic rise', () => {
  test('by hand: 50 mmol · 57 kJ/mol over 50 g of water, 2850/209 = 13.6 K', () =>
    expect(adiabaticRise(50, 57, [{ g: 50, cp: 4.18 }])).toBeCloseTo(13.636, 3))
  test('more in the flask never makes it hotter', () => {
    const grams = fc.double({ min: 0.1, max: 500, noNaN: true })
    fc.assert(
      fc.property(grams, grams, (a, b) => {
        const water = { g: a, cp: 4.18 }
        expect(adiabaticRise(10, 50, [water, { g: b, cp: 1.46 }])).toBeLessThan(adiabaticRise(10, 50, [water]))
      }),
    )
    expect(() => adiabaticRise(1, 1, [])).toThrow('nothing in the flask')
  })
})

test('the ladder fits into the time that a plan allows', () => {
  const minutes = initiationLadder.reduce((sum, { waitMin }) => sum + waitMin, 0)
  expect(minutes).toBeLessThanOrEqual(initiationMin.most)
  expect(minutes).toBeGreaterThan(initiationMin.least)
})

describe('acid against base', () => {
  test('by hand: 22 mmol against saturated bicarbonate, 20 mL and 0.529 L of gas', () => {
    const found = neutralisation(22, neutraliserOf('saturated sodium bicarbonate'), 25)
    expect(found.neededML).toBeCloseTo(20, 9)
    expect(found.gasL).toBeCloseTo(0.5292, 3)
    expect(found.leftMmol).toBe(0)
  })
  test('too little leaves the rest, and makes only as much gas as reacts', () =>
    expect(neutralisation(50, neutraliserOf('5 % sodium bicarbonate'), 10)).toMatchObject({ leftMmol: 44 }))
  test('strengths follow from their mass fractions: 10 % NaOH, 1.11 g/mL, 39.997 g/mol', () => {
    expect(neutraliserOf('10 % sodium hydroxide').mmolPerML).toBeCloseTo((0.1 * 1110) / 39.997, 1)
    expect(neutraliserOf('10 % sodium carbonate').mmolPerML).toBeCloseTo((2 * 0.1 * 1100) / 105.988, 1)
    expect(neutraliserOf('10 % hydrochloric acid').mmolPerML).toBeCloseTo((0.1 * 1048) / 36.458, 1)
    expect(neutraliserOf('5 % sodium hydroxide').mmolPerML).toBeCloseTo((0.05 * 1054) / 39.997, 1)
    expect(neutraliserOf('5 % hydrochloric acid').mmolPerML).toBeCloseTo((0.05 * 1023) / 36.458, 1)
    expect(() => neutraliserOf('vinegar')).toThrow('vinegar')
  })
  test('what reacts and what is left make up what there was', () => {
    const mmol = fc.double({ min: 0.1, max: 500, noNaN: true })
    fc.assert(
      fc.property(mmol, fc.double({ min: 0, max: 500, noNaN: true }), fc.constantFrom(...neutralisers), (acid, mL, by) => {
        const { leftMmol } = neutralisation(acid, by, mL)
        expect(leftMmol + Math.min(acid, mL * by.mmolPerML)).toBeCloseTo(acid, 9)
      }),
    )
  })
})

test('two units past the pKa leave one in 101', () => {
  expect(targetPH(4.37, 'protonate')).toBeCloseTo(2.37, 9)
  expect(1 - deprotonated(4.2, targetPH(4.2, 'deprotonate'))).toBeCloseTo(1 / 101, 6)
})
