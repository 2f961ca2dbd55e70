import { TestLog } from '@/test-support/entries'
import { acetanilide, fractionation, recrystallisation, separation, testDay } from '@/test-support/plans'
import { addStep } from '../../edit/addStep'
import { resultsOf } from '../classResults'
import { changedSince, releasedOf } from '../released'
import { figuresOfClass, liesApart, trendPerYear } from '../compareClasses'
import { foldClass } from '../foldClass'
import { classPanels, lossPanel } from './panels'
import { distillationsOf } from './curves'
import { plannedCurves } from './plannedCurve'

const run = (bench: number, log: TestLog, scale = 1) => ({ id: `run-${bench}`, bench, members: 'x', scale, entries: log.entries })
const panelsOf = (plan: typeof acetanilide, runs: ReturnType<typeof run>[]) => {
  const folded = foldClass(plan, runs)
  const results = resultsOf(plan, folded)
  return { panels: classPanels(plan, folded, results, folded.map(lossPanel)), results, folded }
}

describe('a panel of tests', () => {
  const seen = (bench: number, events: ['sign' | 'none', number][]) => {
    const log = new TestLog()
    const names = ['1 sample, A', '2 sample, B', '3 sample, C', '4 sample, D', '5 positive control, acetone', '6 blank, water']
    for (const tube of names) log.add('hydrazine', 'tube', { tube, event: 'start' }, { at: '2026-11-17T13:00:00.000Z' })
    events.forEach(([event, s], index) =>
      log.add(
        'hydrazine',
        'tube',
        { tube: names[index]!, event },
        { at: new Date(Date.UTC(2026, 10, 17, 13, 0, s)).toISOString() },
      ),
    )
    return run(bench, log)
  }
  const good: ['sign' | 'none', number][] = [
    ['none', 300],
    ['none', 300],
    ['sign', 40],
    ['sign', 75],
    ['sign', 20],
    ['none', 300],
  ]
  test('says for each tube what was seen, after how long, and whether it was expected', () => {
    const bad = good.map((each, index): ['sign' | 'none', number] => (index === 3 ? ['none', 300] : each))
    const { panels } = panelsOf(testDay, [seen(1, good), seen(2, bad), seen(3, good.slice(0, 2))])
    const panel = panels.tests[0]!
    expect(panel.benches[0]!.cells[2]).toEqual({ seen: 'sign', afterS: 40, warmed: false, expected: true })
    expect(panel.benches[1]!.cells[3]).toEqual({ seen: 'none', afterS: 300, warmed: false, expected: false })
    expect(panel.benches[2]!.cells[5]).toEqual({ seen: null, afterS: null, warmed: false, expected: null })
    expect(panel.tubes.map(({ unexpected }) => unexpected)).toEqual([0, 0, 0, 1, 0, 0])
    expect(panel.benches.map(({ judgement }) => judgement?.level ?? null)).toEqual(['good', 'open', null])
  })
})

describe('distillation', () => {
  test('all receivers of one set-up are one curve, a volume over the scale', () => {
    expect(distillationsOf(fractionation).map((steps) => steps.map(({ id }) => id))).toEqual([
      ['distil-light', 'distil-middle', 'distil-heavy'],
    ])
    const log = new TestLog()
    const head = (step: string, volumeML: number, headC: number) =>
      log.add(step, 'head', { volumeML, volumeDecimals: 1, headC, decimals: 1 })
    head('distil-light', 0, 81)
    head('distil-light', 10, 83)
    head('distil-middle', 0, 85)
    head('distil-middle', 4, 100)
    const { panels } = panelsOf(fractionation, [run(1, log, 0.5)])
    expect(panels.curves[0]!.benches[0]!.points).toEqual([
      { volumeML: 0, headC: 81 },
      { volumeML: 20, headC: 83 },
      { volumeML: 20, headC: 85 },
      { volumeML: 28, headC: 100 },
    ])
  })
  test('the planned curve begins near the light boiling point and ends near the heavy', () => {
    const curve = plannedCurves(fractionation)['distil-light']!
    expect(curve[0]!.headC).toBeGreaterThan(79)
    expect(curve[0]!.headC).toBeLessThan(86)
    expect(curve.at(-1)!.headC).toBeGreaterThan(105)
  })
})

test('plates stand side by side, each spot by its Rf: 21 of 60 mm is 0.35, and the last plate counts', () => {
  const { plan, id } = addStep(acetanilide, 'thin-layer')
  const log = new TestLog()
  log.add(id, 'spots', { frontMM: 50, spots: [{ of: 'crude', mm: 10 }] })
  log.add(id, 'spots', {
    frontMM: 60,
    spots: [
      { of: 'crude', mm: 21 },
      { of: 'pure', mm: 30 },
    ],
  })
  const { panels } = panelsOf(plan, [run(1, log), run(2, new TestLog())])
  expect(panels.spots[0]!.benches).toHaveLength(1)
  expect(panels.spots[0]!.benches[0]!.spots.map(({ of, rf }) => [of, rf])).toEqual([
    ['crude', 0.35],
    ['pure', 0.5],
  ])
  // 0.5/√3 mm on each distance: 0.2887/60 × √(1 + 0.35²) = 0.0051.
  expect(panels.spots[0]!.benches[0]!.spots[0]!.u).toBeCloseTo(0.0051, 4)
  expect(panelsOf(acetanilide, [run(1, log)]).panels.spots).toEqual([])
})

test('the mass balance of a separation: parts in per cent, and what is missing', () => {
  const log = new TestLog()
  log.reading('charge-mixture', 'tared', 0, 3)
  log.reading('charge-mixture', 'net', 3, 3)
  for (const [part, g] of [
    ['acid', 0.9],
    ['amine', 0.6],
    ['neutral', 0.8],
  ] as const) {
    log.reading(`dry-${part}`, 'empty', 20)
    for (let twice = 0; twice < 2; twice++) log.reading(`dry-${part}`, 'full', 20 + g)
  }
  const half = new TestLog()
  half.reading('charge-mixture', 'tared', 0, 3)
  half.reading('charge-mixture', 'net', 3, 3)
  const { panels } = panelsOf(separation, [run(1, log), run(2, half)])
  const [balance] = panels.balances
  expect(balance!.benches[0]!.missingG).toBeCloseTo(0.7, 9)
  expect(balance!.benches[1]!.missingG).toBeNull()
  // What the columns do not show stands as strips: the other two recoveries, and the balance.
  expect(panels.strips.map(({ title }) => title)).toHaveLength(3)
})

describe('time per step', () => {
  test('is from the end of the step before, its median, and none for a step that nobody ended', () => {
    const log = (minutes: number) => {
      const own = new TestLog()
      own.add('safety', 'done', {}, { at: '2026-11-17T13:00:00.000Z' })
      own.add('set-up', 'done', {}, { at: new Date(Date.UTC(2026, 10, 17, 13, minutes)).toISOString() })
      return own
    }
    const { panels } = panelsOf(acetanilide, [run(1, log(10)), run(2, log(16)), run(3, log(40))])
    const step = panels.times.steps.find(({ id }) => id === 'set-up')!
    expect(step).toMatchObject({ minutes: [10, 16, 40], medianMin: 16 })
    expect(panels.times.steps.at(-1)!.medianMin).toBeNull()
  })
})

test('melting ranges of crude, pure and mixed stand in one picture, each with the median of its own sample', () => {
  const melted = (bench: number, crude: number, pure: number, mixed: number) => {
    const log = new TestLog()
    for (const [step, clearC] of Object.entries({ 'melt-crude': crude, melt: pure, 'melt-mixed': mixed }))
      log.add(step, 'melting', { onsetC: clearC - 2, clearC, decimals: 1 })
    return run(bench, log)
  }
  const { panels } = panelsOf(recrystallisation, [melted(1, 175, 180, 180), melted(2, 171, 179, 178), melted(3, 173, 180.5, 180)])
  const strip = panels.strips.find(({ title }) => title === 'Melting range of 4-methylbenzoic acid')!
  expect(strip.points.map(({ bench, sample }) => `${bench} ${sample}`).slice(0, 4)).toEqual([
    '1 crude',
    '1 pure',
    '1 mixed',
    '2 crude',
  ])
  // the middle of a range is a degree below its end: of 174, 170, 172 the median is 172; of 179, 178, 179.5 it is 179
  expect(strip.medians).toEqual([
    { sample: 'crude', value: 172 },
    { sample: 'pure', value: 179 },
    { sample: 'mixed', value: 179 },
  ])
})

describe('what counts, what was released, and what other classes made', () => {
  const product = (bench: number, g: number, excluded = false) => {
    const log = new TestLog()
    log.difference('charge-aniline', 27.512, 23.418)
    log.reading('dry', 'empty', 31.2)
    for (let twice = 0; twice < 2; twice++) log.reading('dry', 'full', Number((31.2 + g).toFixed(2)))
    if (excluded) log.add('dispose', 'excluded', {}, { reason: 'spilt' })
    return run(bench, log)
  }
  const classOf = (...grams: number[]) =>
    panelsOf(
      acetanilide,
      grams.map((g, index) => product(index + 1, g)),
    ).results
  test('an excluded bench keeps its figure and leaves the median', () => {
    const { results } = panelsOf(acetanilide, [product(1, 4), product(2, 4.2), product(3, 1, true)])
    expect(results.rows[2]!.excluded!.reason).toBe('spilt')
    expect(results.rows[2]!.result!.fraction.value).toBeCloseTo(1 / 5.8826, 3)
    expect(results.medianResult).toBeCloseTo(4.1 / 5.8826, 3)
  })
  test('a release compared with itself has changed in nothing, with a correction in what it touched', () => {
    const before = releasedOf(classOf(4, 4.2))
    expect(changedSince(before, releasedOf(classOf(4, 4.2)))).toEqual([])
    const changed = changedSince(before, releasedOf(classOf(4, 4.4)))
    expect(changed.every(({ bench }) => bench === 2)).toBe(true)
    const what = 'Yield of acetanilide, purified'
    expect(changed.find((each) => each.what === what)).toEqual({ bench: 2, what, before: '71 %', now: '75 %' })
    // 4.20 and 4.19 g of 5.88255 g: both are read as 71 %, and what the rounding hides is shown
    expect(changedSince(before, releasedOf(classOf(4, 4.19))).find((each) => each.what === what)).toMatchObject({
      before: '71 % (71.3976)',
      now: '71 % (71.2276)',
    })
    expect(changedSince(before, releasedOf(classOf(4, 4.2, 4.3))).at(-1)).toMatchObject({ bench: 3, now: 'has come since' })
  })
  test('a result of another sample than the product counts as changed too, and a release that has no names is still compared', () => {
    const melted = (clearC: number) => {
      const log = new TestLog()
      log.add('melt-crude', 'melting', { onsetC: 171, clearC, decimals: 1 })
      return releasedOf(panelsOf(recrystallisation, [run(1, log)]).results)
    }
    const changed = [
      { bench: 1, what: 'Melting range of 4-methylbenzoic acid, crude', before: '171.0–175.0 °C', now: '171.0–176.0 °C' },
    ]
    expect(changedSince(melted(175), melted(176)).filter(({ what }) => what !== 'reading')).toEqual(changed)
    const nameless = melted(175)
    for (const { outcomes } of nameless.rows) for (const outcome of outcomes) delete outcome.name
    expect(changedSince(nameless, melted(176)).filter(({ what }) => what !== 'reading')).toEqual(changed)
  })
  test('a trend is the middle slope: 60, 65, 70 % over two years are 5 % a year, and one odd class turns nothing', () => {
    const at = (year: number, median: number) => ({ at: `${year}-01-01T00:00:00Z`, median })
    expect(trendPerYear([at(2024, 0.6), at(2025, 0.65)])).toBeNull()
    expect(trendPerYear([at(2024, 0.6), at(2025, 0.65), at(2026, 0.7)])).toBeCloseTo(0.05, 3)
    expect(trendPerYear([at(2021, 0.6), at(2022, 0.6), at(2023, 0.1), at(2024, 0.6), at(2025, 0.6)])).toBeCloseTo(0, 3)
  })
  test('a class lies apart when its median is more than three spreads off, and not before there are three others', () => {
    const figures = (session: string, g: number) =>
      figuresOfClass({ session, section: 'A', at: '2026-01-01', revision: 1 }, classOf(g, g + 0.1, g + 0.2))
    const usual = ['a', 'b', 'c', 'd'].map((id, index) => figures(id, 4 + 0.05 * index))
    expect(liesApart(figures('x', 2), usual)).toBe(true)
    expect(liesApart(figures('x', 4.1), usual)).toBe(false)
    expect(liesApart(figures('x', 2), usual.slice(0, 2))).toBe(false)
  })
})
