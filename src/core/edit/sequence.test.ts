import fc from 'fast-check'
import { acetanilide, benzoin } from '@/test-support/plans'
import { computedLine, reactionTable } from '../reaction/reactionTable'
import { overallYield, scaledToProduct, sequenceOf } from './sequence'
import type { Plan } from '../plan/plan'

/** Acetanilide as if its aniline came from the benzoin preparation: only the chain matters here. */
const second: Plan = {
  ...acetanilide,
  lines: acetanilide.lines.map((line) => (line.id === 'aniline' ? { ...line, madeIn: 'Benzoin' } : line)),
}

test('two links: what the first makes at its expected yield, and what the second needs', () => {
  const { links, overall: known } = sequenceOf(second, [benzoin])!
  const overall = known!
  expect(links.map(({ title }) => title)).toEqual(['Benzoin', 'Acetanilide'])
  const { low, high } = benzoin.expectedYield!
  // 10.3356 g of theory at the middle of what is expected; 4.00 mL × 1.022 g/mL
  expect(links[0]!.makesG).toBeCloseTo((10.3356 * (low + high)) / 2, 3)
  expect(links[0]!.taken).toEqual({ line: 'aniline', needsG: expect.closeTo(4.088, 6) as number })
  expect(links[1]!.taken).toBeUndefined()
  expect(overall.low).toBeCloseTo(low * acetanilide.expectedYield!.low, 12)
})

test('a plan from the bottle has no sequence, a missing preparation none; the nearest stands last but one', () => {
  expect(sequenceOf(acetanilide, [benzoin])).toBeNull()
  expect(sequenceOf(second, [])).toBeNull()
  // What it is made in may bear another title by now.
  const renamed: Plan = { ...benzoin, title: 'Benzoin with thiamine' }
  expect(sequenceOf(second, [renamed, acetanilide])!.links.map(({ title }) => title)).toEqual([
    'Acetanilide',
    'Benzoin with thiamine',
    'Acetanilide',
  ])
})

test('by hand: 80 %, 90 % and 75 % make 54 %', () => {
  const span = (value: number) => ({ low: value, high: value })
  expect(overallYield([span(0.8), span(0.9), span(0.75)]).low).toBeCloseTo(0.54, 12)
})

test('a further step never raises the overall yield', () => {
  const part = fc.double({ min: 0, max: 1, noNaN: true })
  fc.assert(
    fc.property(fc.array(part, { minLength: 1, maxLength: 6 }), part, (yields, more) => {
      const spans = yields.map((value) => ({ low: value, high: value }))
      expect(overallYield([...spans, { low: more, high: more }]).high).toBeLessThanOrEqual(overallYield(spans).high)
    }),
  )
})

test('run from the weighed product: the line weighs what was weighed', () => {
  const scaled = scaledToProduct(second, 3)!
  expect(computedLine(reactionTable(scaled), 'aniline').mass!.value).toBeCloseTo(3, 9)
  expect(scaledToProduct(acetanilide, 3)).toBeNull()
  expect(scaledToProduct(second, 0)).toBeNull()
})
