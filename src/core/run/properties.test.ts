/** What must hold for any run, whatever is written in it. */
import fc from 'fast-check'
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { runResults } from '../result/runResults'
import type { Entry } from './entry'
import { foldRun } from './foldRun'
import { readingIn } from '../measurements/numbers'

const grams = fc.integer({ min: 1, max: 9_000 }).map((value) => value / 1000)
const state = (entries: readonly Entry[], id: string, scale = 1) =>
  foldRun(acetanilide, scale, entries).steps.find(({ step }) => step.id === id)!

describe('masses', () => {
  test('taring and difference give the same net mass', () => {
    fc.assert(
      fc.property(grams, grams, (container, contents) => {
        const [tared, difference] = [new TestLog(), new TestLog()]
        tared.reading('charge-aniline', 'tared', 0, 3)
        tared.reading('charge-aniline', 'net', contents, 3)
        difference.difference('charge-aniline', Number((container + contents).toFixed(3)), container)
        const [a, b] = [tared, difference].map((log) => state(log.entries, 'charge-aniline').net!.figure)
        expect(a!.value).toBeCloseTo(b!.value, 9)
        expect(a!.u).toBeCloseTo(b!.u, 9)
      }),
    )
  })

  test('the net mass does not depend on the container', () => {
    fc.assert(
      fc.property(grams, grams, grams, (one, other, contents) => {
        const net = (container: number) => {
          const log = new TestLog()
          log.difference('charge-aniline', Number((container + contents).toFixed(3)), container)
          return state(log.entries, 'charge-aniline').net!.figure.value
        }
        expect(net(one)).toBeCloseTo(net(other), 9)
      }),
    )
  })

  test('a result never shows more decimals than its coarser reading', () => {
    const log = new TestLog()
    log.reading('charge-aniline', 'full', 27.51, 2)
    log.reading('charge-aniline', 'empty', 23.418, 3)
    // Half of 0.01 g on 4.092 g.
    const { figure } = state(log.entries, 'charge-aniline').net!
    expect(figure.rounding * figure.value).toBeCloseTo(0.005, 9)
  })
})

describe('striking', () => {
  test('after any chain of corrections the last value counts and every earlier one stays readable', () => {
    fc.assert(
      fc.property(fc.array(grams, { minLength: 1, maxLength: 6 }), (values) => {
        const log = new TestLog()
        const [first] = log.difference('charge-aniline', 30, 23.418)
        let last: Entry<'reading'> = first
        for (const value of values) last = log.rewrite(last, 24 + value, 'Misread')
        const found = state(log.entries, 'charge-aniline')
        expect(readingIn(found.standing, 'full')!.body.value).toBe(24 + values.at(-1)!)
        expect(found.struck).toHaveLength(values.length)
        expect(found.struck[0]!.entry.id).toBe(first.id)
        expect(found.standing).toHaveLength(2)
      }),
    )
  })

  test('nothing that was written ever leaves the state: it stands, is struck, or signs', () => {
    const log = new TestLog()
    log.done('safety')
    const [full, empty] = log.difference('charge-aniline', 17.5, 23.4)
    const again = log.rewrite(full, 27.5, 'Misread')
    log.sign('charge-aniline', [again, empty])
    const zinc = log.reading('charge-zinc', 'net', 0.1)
    log.add('charge-zinc', 'strike', {}, { supersedes: zinc.id, reason: 'Wrong bench' })
    const run = foldRun(acetanilide, 1, log.entries)
    const kept = run.steps.flatMap(({ standing, struck }) => [
      ...standing.map(({ id }) => id),
      ...struck.map(({ entry }) => entry.id),
    ])
    for (const entry of log.entries) {
      if (entry.kind === 'signature' || entry.kind === 'strike') continue
      expect(kept).toContain(entry.id)
    }
  })

  test('an entry that supersedes one that has not arrived yet is taken as it is', () => {
    const log = new TestLog()
    const [full, empty] = log.difference('charge-aniline', 17.5, 23.4)
    const again = log.rewrite(full, 27.5, 'Misread')
    expect(state([again, empty], 'charge-aniline').net!.figure.value).toBeCloseTo(4.1, 9)
    expect(state([again, empty, full], 'charge-aniline').net!.figure.value).toBeCloseTo(4.1, 9)
  })
})

describe('yields', () => {
  const product = (anilineG: number, productG: number, scale = 1) => {
    const log = new TestLog()
    log.difference('charge-aniline', Number((23.418 + anilineG).toFixed(3)), 23.418)
    log.reading('dry', 'empty', 31.2)
    for (let twice = 0; twice < 2; twice++) log.reading('dry', 'full', Number((31.2 + productG).toFixed(2)))
    return runResults(foldRun(acetanilide, scale, log.entries))
  }

  test('more product is never less yield', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 1, max: 100 }), (cg, more) => {
        const [one, other] = [product(4.09, cg / 100), product(4.09, (cg + more) / 100)]
        expect(other.result!.figure.value).toBeGreaterThan(one.result!.figure.value)
      }),
    )
  })

  test('the scale of the plan does not touch a yield from what was charged, while aniline sets the limit', () => {
    const [whole, double] = [product(3.2, 2.5, 1), product(3.2, 2.5, 2)]
    expect(double.result!.figure.value).toBeCloseTo(whole.result!.figure.value, 12)
    expect([whole.limiting, double.limiting]).toEqual([['aniline'], ['aniline']])
  })

  test('charging more of the limiting reagent lowers the yield of the same product', () => {
    expect(product(4.2, 4).result!.figure.value).toBeLessThan(product(4.0, 4).result!.figure.value)
  })
})
