/** What is asked about a reading that is unlike the plan, the reading before it, or those of the other benches. */
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { changeStep } from '../plan/editPlan'
import type { Plan } from '../plan/plan'
import { askAbout } from './askAbout'
import type { Entry } from './entry'
import { foldRun } from './foldRun'
import { usualOfClass, type UsualOfClass } from './usualOfClass'

const charge = 'charge-aniline'
const asks = (log: TestLog, entry: Entry, { plan = acetanilide, scale = 1, others = {} as UsualOfClass } = {}) =>
  askAbout(
    foldRun(
      plan,
      scale,
      log.entries.filter(({ id }) => id !== entry.id),
    ),
    entry,
    others,
  )

describe('what was charged', () => {
  const taken = (grams: number, plan: Plan = acetanilide, scale = 1) => {
    const log = new TestLog()
    log.reading(charge, 'full', 23.418 + grams, 3)
    return asks(log, log.reading(charge, 'empty', 23.418, 3), { plan, scale })
  }
  const planned = 4.0942
  test('may be a quarter off for a reactant', () => {
    expect(taken(planned * 1.24)).toBeNull()
    expect(taken(planned * 0.76)).toBeNull()
    expect(taken(planned * 1.26)).toContain('26 % more than the plan’s')
    expect(taken(planned * 0.74)).toContain('26 % less than the plan’s')
  })
  test('at the scale of the group', () => {
    expect(taken(planned * 2, acetanilide, 2)).toBeNull()
    expect(taken(planned, acetanilide, 2)).toContain('50 % less')
  })
  test('or as much as the plan says', () => {
    const strict = changeStep(acetanilide, charge, { mayDiffer: 0.05 })
    expect(taken(planned * 1.04, strict)).toBeNull()
    expect(taken(planned * 1.06, strict)).toContain('6 % more')
    const free = changeStep(acetanilide, charge, { mayDiffer: 1 })
    expect(taken(planned * 1.9, free)).toBeNull()
  })
})

describe('a temperature', () => {
  const reflux = acetanilide.steps.find(({ kind }) => kind === 'reflux')!.id
  const read = (log: TestLog, value: number) => log.reading(reflux, 'temperature', value, 0, {}, '°C')
  test('is asked about above what the plan allows', () => {
    const plan = changeStep(acetanilide, reflux, { work: { of: 'reflux', highC: 125 } })
    const log = new TestLog()
    expect(asks(log, read(log, 125), { plan })).toBeNull()
    expect(asks(log, read(log, 126), { plan })).toContain('126 °C is above the 125 °C of the plan')
    // Where nobody has said it, nothing is above it.
    const bare = changeStep(acetanilide, reflux, { work: undefined })
    const free = new TestLog()
    expect(asks(free, read(free, 126), { plan: bare })).toBeNull()
  })
  test('is asked about far from the one before, and not from its own forerunner', () => {
    const bare = changeStep(acetanilide, reflux, { work: undefined })
    const log = new TestLog()
    const first = read(log, 60)
    expect(asks(log, read(log, 110), { plan: bare })).toBeNull()
    const jump = new TestLog()
    read(jump, 60)
    expect(asks(jump, read(jump, 111), { plan: bare })).toBe('The last reading was 60 °C. Is 111 °C right?')
    const again = new TestLog()
    const wrong = again.reading(reflux, 'temperature', 11, 0, {}, '°C')
    expect(asks(again, again.rewrite(wrong, 110, 'slip'), { plan: bare })).toBeNull()
    expect(first.body.value).toBe(60)
  })
})

describe('against the other benches', () => {
  const bench = (grams: number, onsetC: number, scale = 1) => {
    const log = new TestLog()
    log.reading('dry', 'empty', 31.2)
    for (let twice = 0; twice < 2; twice++) log.reading('dry', 'full', Number((31.2 + grams * scale).toFixed(2)))
    log.add('melt', 'melting', { onsetC, clearC: onsetC + 1, decimals: 1 })
    return { scale, state: foldRun(acetanilide, scale, log.entries) }
  }
  const class_ = [bench(3, 112), bench(3.2, 113), bench(3.4, 113.5, 2)]

  test('the middle stands at scale 1, and two benches are no class', () => {
    expect(usualOfClass(class_.slice(1))).toEqual({})
    const usual = usualOfClass(class_)
    expect(usual.dry).toEqual({ middle: expect.closeTo(3.2, 9), of: 3 })
    expect(usual.melt!.middle).toBeCloseTo(113.5, 9)
  })

  test('half or double is like them, beyond is asked about', () => {
    const others = usualOfClass(class_)
    const dried = (grams: number, scale = 1) => {
      const log = new TestLog()
      log.reading('dry', 'empty', 31.2)
      return asks(log, log.reading('dry', 'full', Number((31.2 + grams).toFixed(2))), { others, scale })
    }
    expect(dried(1.61)).toBeNull()
    expect(dried(1.59)).toBe('The 3 other benches have about 3.20 g at our scale. Is 1.59 g right?')
    expect(dried(2.5, 2)).toContain('about 6.40 g at our scale')
    const melted = (onsetC: number) => {
      const log = new TestLog()
      return asks(log, log.add('melt', 'melting', { onsetC, clearC: onsetC + 1, decimals: 1 }), { others })
    }
    expect(melted(103)).toBeNull()
    expect(melted(102)).toContain('melt at about 114 °C')
  })

  test('boiling and other places of a plate are no weighings', () => {
    expect(Object.keys(usualOfClass(class_)).sort()).toEqual(['dry', 'melt'])
  })

  test('steps that nobody else has reached ask nothing', () => {
    const log = new TestLog()
    log.reading('dry', 'empty', 31.2)
    expect(asks(log, log.reading('dry', 'full', 31.9), { others: { constructor: { middle: 1, of: 3 } } })).toBeNull()
  })
})
