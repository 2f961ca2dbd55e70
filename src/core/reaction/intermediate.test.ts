import { recrystallisation, tartaricAcid, testDay } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { lineOfSample, productSample } from '../plan/plan'
import { queriesOf } from '../query/queries'
import { runResults, wantedResults } from '../result/runResults'
import { foldRun } from '../run/foldRun'
import { balance } from './balance'
import { computedLine, reactionTable, theoreticalYield } from './reactionTable'

describe('tartaric acid by way of its calcium salt, worked by hand', () => {
  const table = reactionTable(tartaricAcid)

  test('5.00 g × 0.99 ÷ 188.177 = 26.305 mmol: the salt in theory 26.305 × 260.21 = 6.845 g, four waters in it', () => {
    expect(computedLine(table, 'salt').mass!.value).toBeCloseTo(6.845, 2)
  })
  test('the acid is limited by 25.6 mmol of sulfuric acid, a little short on purpose: 25.6 × 150.09 = 3.842 g', () => {
    expect(table.limiting).toEqual(['acid'])
    expect(theoreticalYield(tartaricAcid, table)!.value).toBeCloseTo(3.842, 2)
  })
  test('what forms on the way stands in no equation', () => expect(balance(tartaricAcid).imbalances).toEqual([]))
  test('both have a yield of their own: 6.10 g of salt are 89 %, 2.50 g of acid 65 %', () => {
    const log = new TestLog()
    for (const [step, mass] of [
      ['dry-salt', 6.1],
      ['dry-acid', 2.5],
    ] as const) {
      log.reading(step, 'empty', 30)
      for (let twice = 0; twice < 2; twice++) log.reading(step, 'full', 30 + mass)
    }
    const { outcomes, result } = runResults(foldRun(tartaricAcid, 1, log.entries))
    const found = Object.fromEntries(outcomes.map(({ sample, text }) => [sample, text]))
    expect(found).toEqual({ salt: '89 %', acid: '65 %' })
    expect(result).toMatchObject({ sample: 'acid', kind: 'yield' })
  })
})

test('a test day makes nothing: three tests are wanted, no reagent is an impurity, and nothing is asked', () => {
  expect(wantedResults(testDay).map(({ quantity }) => quantity.id)).toEqual(['test', 'test', 'test'])
  expect(queriesOf(testDay)).toEqual([])
})

test('a purification counts what comes back of what was put in', () => {
  expect(productSample(recrystallisation)).toBe('pure')
  expect(lineOfSample(recrystallisation, 'pure')).toBe('pure')
  const log = new TestLog()
  log.reading('weigh-crude', 'tared', 0)
  log.reading('weigh-crude', 'net', 2)
  log.reading('dry', 'empty', 30)
  for (let twice = 0; twice < 2; twice++) log.reading('dry', 'full', 31.5)
  const { outcomes } = runResults(foldRun(recrystallisation, 1, log.entries))
  expect(outcomes.map(({ quantity, text }) => [quantity, text])).toEqual([['recovery', '75 %']])
})
