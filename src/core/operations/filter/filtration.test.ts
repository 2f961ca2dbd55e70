import fc from 'fast-check'
import { evaporating } from '../evaporate/pressureFor'
import { filteringFor, flutedPaper, rinseLoss, rinseML, suctionPaper, suctionPapersMM } from './papers'

test('suction for a solid that is kept, hot through fluted paper, cotton for little', () => {
  expect(filteringFor('solid', false, 100).way).toBe('suction')
  expect(filteringFor('solution', true, 100).way).toBe('fluted paper, hot')
  expect(filteringFor('solution', false, 100).way).toBe('fluted paper')
  expect(filteringFor('solution', false, 5).way).toBe('cotton plug')
})

test('5 g lie 10 mL high on 35.7 mm of paper: 42 mm', () => expect(suctionPaper(5)).toBe(42))
test('100 mL in thirds: a paper that holds 33 mL', () => expect(flutedPaper(100)).toBe(110))
test('more solid never asks for a smaller paper', () => {
  const grams = fc.double({ min: 0.1, max: 100, noNaN: true })
  fc.assert(fc.property(grams, grams, (a, b) => expect(suctionPaper(a + b)).toBeGreaterThanOrEqual(suctionPaper(a))))
  expect(suctionPaper(1000)).toBe(suctionPapersMM.at(-1))
})

test('two rinses of 5 mL ice water cost 0.046 g of acetanilide, and never more than there is', () => {
  expect(rinseLoss(10, 0.46, 4)).toBeCloseTo(0.046, 9)
  expect(rinseLoss(1000, 5, 4)).toBe(4)
  expect(rinseML(4.2)).toBe(4)
})

test('ethyl acetate over a bath of 40 °C boils at 20 °C at 10^(7.10179 − 1244.95/237.881) = 73.8 mmHg', () => {
  const ester = { antoine: { a: 7.10179, b: 1244.95, c: 217.881, fromC: 15, toC: 76, source: '' } }
  expect(evaporating(ester, 40, 760)!.mmHg).toBeCloseTo(73.84, 2)
  expect(evaporating(ester, 110, 760)).toMatchObject({ mmHg: null, boilsAtC: 90, coolantC: 70 })
  expect(evaporating({}, 40, 760)).toBeNull()
})
