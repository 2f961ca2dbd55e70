import fc from 'fast-check'
import { TestLog } from '@/test-support/entries'
import { acetanilide, isopentylAcetate, recrystallisation, separation } from '@/test-support/plans'
import { changeStep } from '../../plan/editPlan'
import type { Plan } from '../../plan/plan'
import { foldRun } from '../../run/foldRun'
import { baseResults } from '../baseResults'
import { lossAccounts } from './lossAccount'

const accounts = (plan: Plan, log: TestLog) => {
  const run = foldRun(plan, 1, log.entries)
  return lossAccounts(run, baseResults(run))
}

/** Acetanilide from 4.094 g of aniline (theory 5.8826 g): crude, mL of water, product. */
const made = (crudeG: number | null, waterML: number | null, productG: number) => {
  const log = new TestLog()
  log.difference('charge-aniline', 27.512, 23.418)
  if (crudeG !== null) {
    log.reading('weigh-crude', 'tared', 0)
    log.reading('weigh-crude', 'net', crudeG)
  }
  if (waterML !== null) {
    log.reading('crystallise', 'volume', waterML, 0, {}, 'mL')
    log.done('crystallise')
  }
  log.reading('dry', 'empty', 31.2)
  for (const mass of [productG, productG]) log.reading('dry', 'full', Number((31.2 + mass).toFixed(2)))
  return log
}
const loss = ([account]: ReturnType<typeof accounts>, words: string) =>
  account!.losses.find((each) => each.words.startsWith(words))

describe('a loss account', () => {
  test('adds up: product, what is named, and what is not are the whole', () => {
    const [account] = accounts(acetanilide, made(4.98, 98, 4.41))
    expect(account!.wholeG).toBeCloseTo(5.8826, 3)
    const named = account!.losses.reduce((sum, { g }) => sum + g, 0)
    expect(account!.productG + named + account!.unexplained.g).toBeCloseTo(account!.wholeG, 9)
  })
  test('the liquor: 98 mL at 5 °C; from 0.46 g at 20 °C and 5.5 g at 100 °C it holds 98 × 0.247/100', () => {
    // ln s against 1/T through the record's points: ln(5.5/0.46) = 2.481 over 7.313e-4 K⁻¹, so 0.46·e^(−3393 × 1.840e-4) = 0.247 at 5 °C.
    const found = loss(accounts(acetanilide, made(4.98, 98, 4.41)), 'mother liquor')!
    const [, s] = /× ([\d.]+) g\/100 mL/.exec(found.how)!
    expect(Number(s)).toBeCloseTo(0.247, 2)
    expect(found.g).toBeCloseTo((98 * Number(s)) / 100, 1)
    expect(found.lowG).toBeLessThan(found.g)
    expect(found.highG).toBeGreaterThan(found.g)
  })
  test('four times the water: the liquor is the largest, and a second crop is offered', () => {
    const [account] = accounts(acetanilide, made(4.71, 420, 2.9))
    expect(account!.largest!.words).toBe('mother liquor')
    expect(account!.again).toContain('boiled down to 106 mL')
    const little = accounts(acetanilide, made(4.98, 98, 4.41))[0]!
    expect(little.largest!.g).toBeLessThan(account!.largest!.g)
  })
  test('crude to pure: 4.98 − 4.41 less the liquor, all of which may be water of a damp crude', () => {
    const all = accounts(acetanilide, made(4.98, 98, 4.41))
    const found = loss(all, 'crude to pure')!
    expect(found.g).toBeCloseTo(4.98 - 4.41 - loss(all, 'mother liquor')!.g, 9)
    expect([found.lowG, found.by]).toEqual([0, 'balance'])
  })
  test('nothing is said of a liquor that nobody measured, nor of a crude that was not weighed', () => {
    const [account] = accounts(acetanilide, made(null, null, 4.41))
    // What the filtrate of the crude holds follows from the water of the plan.
    expect(account!.losses.map(({ words }) => words)).toEqual(['filtrate'])
    expect(account!.unknown).toEqual([expect.stringMatching(/nobody wrote how much solvent was used/)])
    expect(account!.unexplained.g).toBeCloseTo(5.8826 - 4.41 - account!.losses[0]!.g, 3)
  })
  test('more than the whole is more than accounted for', () => {
    const [account] = accounts(acetanilide, made(7.12, 100, 6.31))
    expect(account!.unexplained.g).toBeLessThan(0)
    expect(account!.unexplained.words).toBe('more than accounted for')
  })
  test('without a product there is none', () => expect(accounts(acetanilide, new TestLog())).toEqual([]))
  test('what was given away of the crude is no loss of the product: its own share counts', () => {
    const log = made(4.98, 98, 4.41)
    log.add('weigh-crude', 'pooled', { sample: 'crude', way: 'in', massG: 4.98, decimals: 2, bench: 2 })
    const [account] = accounts(acetanilide, log)
    expect(account!.productG).toBeCloseTo(4.41 / 2, 9)
  })
})

describe('what the equilibrium leaves, what flask and layers keep', () => {
  const ester = (plan: Plan = isopentylAcetate) => {
    const log = new TestLog()
    log.reading('charge-alcohol', 'tared', 0, 3)
    log.reading('charge-alcohol', 'net', 4.4, 3)
    log.reading('charge-acid', 'volume', 11.5, 1, {}, 'mL')
    log.reading('weigh', 'tared', 0)
    log.reading('weigh', 'net', 4.6)
    return accounts(plan, log)
  }
  test('a ceiling of a plan with K 4 is unreacted before anything is lost', () => {
    const [account] = ester({ ...isopentylAcetate, equilibrium: { constant: 4 } } as Plan)
    const first = account!.losses[0]!
    expect(first.words).toBe('unreacted at equilibrium')
    // 0.0499 mol of alcohol against 0.201 mol of acid: x² = 4(1 − x)(4.03 − x), 3x² − 20.12x + 16.12 = 0, x = (20.12 − 14.54)/6 = 0.930.
    expect(first.g / account!.wholeG).toBeCloseTo(1 - 0.93, 2)
    expect(first.lowG).toBeLessThan(first.g)
    expect(first.highG).toBeGreaterThan(first.g)
  })
  test('the flask keeps what is left in it, 1 mL of it', () => {
    const plan = changeStep(isopentylAcetate, 'distil', { work: { of: 'distil', lowC: 135, highC: 143, potML: 10, stopML: 1 } })
    const found = loss(ester(plan), 'hold-up')!
    // Nearly all of it is the ester, of 0.876 g/mL.
    expect(found.g).toBeGreaterThan(0.7)
    expect(found.g).toBeLessThan(0.9)
    expect(found.lowG).toBeLessThan(found.g)
  })
  test('layers are said once, with the last shaking, and hardly any ester is in them', () => {
    const [account] = ester()
    const layers = account!.losses.filter(({ words }) => words === 'other layers')
    expect(layers.length).toBeLessThanOrEqual(1)
    for (const { g } of layers) expect(g).toBeLessThan(0.1 * account!.wholeG)
  })
  test('of a separation each part has its own', () => {
    const log = new TestLog()
    log.reading('charge-mixture', 'tared', 0, 3)
    log.reading('charge-mixture', 'net', 3, 3)
    for (const part of ['acid', 'amine', 'neutral']) {
      log.reading(`dry-${part}`, 'empty', 20)
      for (let twice = 0; twice < 2; twice++) log.reading(`dry-${part}`, 'full', 20.8)
    }
    const all = accounts(separation, log)
    expect(all.map(({ sample }) => sample)).toEqual(['acid', 'amine', 'neutral'])
    for (const account of all) expect(account.whole).toBe('what was put in')
  })
})

describe('losses that were put in are found again within their spans', () => {
  test('a liquor that holds as much as its solubility may be off, and so much left on papers', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 90, max: 400 }),
        fc.double({ min: 0.92, max: 1.08, noNaN: true }),
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        (waterML, solubility, papersG) => {
          const liquor = loss(accounts(acetanilide, made(5, waterML, 1)), 'mother liquor')!.g * solubility
          const all = accounts(acetanilide, made(5, waterML, Number((5 - liquor - papersG).toFixed(2))))
          const found = loss(all, 'mother liquor')!
          expect(liquor).toBeGreaterThanOrEqual(found.lowG - 1e-9)
          expect(liquor).toBeLessThanOrEqual(found.highG + 1e-9)
          const papers = loss(all, 'crude to pure')?.g ?? 0
          expect(Math.abs(papers - papersG)).toBeLessThanOrEqual(found.highG - found.lowG + 0.01)
          // What was lost before the crude was weighed, less what its filtrate holds, is what is not explained.
          const filtrate = loss(all, 'filtrate')!.g
          expect(Math.abs(all[0]!.unexplained.g - (5.8826 - 5 - filtrate))).toBeLessThanOrEqual(found.highG - found.lowG + 0.01)
        },
      ),
      { numRuns: 40 },
    )
  })
})

test('a liquor of unknown solubility is said to be unknown, and no figure is invented', () => {
  const log = new TestLog()
  log.reading('weigh-crude', 'tared', 0, 3)
  log.reading('weigh-crude', 'net', 2, 3)
  log.reading('crystallise', 'volume', 14, 0, {}, 'mL')
  log.done('crystallise')
  log.reading('dry', 'empty', 20)
  for (let twice = 0; twice < 2; twice++) log.reading('dry', 'full', 21.5)
  const [account] = accounts(recrystallisation, log)
  expect(account!.losses.filter(({ words }) => words === 'mother liquor')).toEqual([])
  expect(account!.unknown).toEqual(['Crystallise: how much of 4-methylbenzoic acid comes out; its solubility, cold would tell'])
})
