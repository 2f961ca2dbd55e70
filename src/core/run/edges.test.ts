/** What the fold of a run, its clocks and its entries do at their edges. */
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import type { Plan, Step } from '../plan/plan'
import { askAbout } from './askAbout'
import { waysIn } from './due'
import { endsEarly } from './endsEarly'
import type { Entry } from './entry'
import { entrySchema } from './entrySchema'
import { foldRun } from './foldRun'
import { measuredOf } from './measured'
import { inOrder } from './order'

const fold = (log: TestLog, plan: Plan = acetanilide) => foldRun(plan, 1, log.entries)
const state = (log: TestLog, id: string, plan: Plan = acetanilide) => fold(log, plan).steps.find(({ step }) => step.id === id)!
const changed = (id: string, part: object): Plan => ({
  ...acetanilide,
  steps: acetanilide.steps.map((step) => (step.id === id ? ({ ...step, ...part } as Step) : step)),
})

describe('an entry from outside', () => {
  const good = { ...new TestLog().done('safety') }
  const accepts = (part: object): boolean => {
    try {
      entrySchema({ ...good, ...part })
      return true
    } catch {
      return false
    }
  }
  const many = (count: number) => 'x'.repeat(count)
  test.each<[string, object, object]>([
    ['its step', { step: 'x' }, { step: '' }],
    ['its step', { step: many(80) }, { step: many(81) }],
    ['its author', { by: many(80) }, { by: many(81) }],
    ['its device', { device: 'x' }, { device: '' }],
    ['its device', { device: many(80) }, { device: many(81) }],
    ['its reason', { reason: many(500) }, { reason: many(501) }],
    ['its clock', { clockMs: 2_000_000_000 }, { clockMs: 2_000_000_001 }],
    ['its clock', { clockMs: -2_000_000_000 }, { clockMs: -2_000_000_001 }],
    ['its day', { at: '2026-02-28T10:00:00Z' }, { at: '2026-02-29T10:00:00Z' }],
    ['its year', { at: '2099-12-31T10:00:00Z' }, { at: '2100-01-01T10:00:00Z' }],
    ['its year', { at: '2000-01-01T10:00:00Z' }, { at: '1999-12-31T10:00:00Z' }],
    ['its hour', { at: '2026-02-28T23:59:59Z' }, { at: '2026-02-28T25:00:00Z' }],
    ['its fields', {}, { also: 1 }],
  ])('%s: %j is accepted, %j is not', (_what, within, beyond) => {
    expect([accepts(within), accepts(beyond)]).toEqual([true, false])
  })
  test('what it does not say is null, and a strike names what it strikes', () => {
    const { supersedes: _supersedes, reason: _reason, ...bare } = good
    expect(entrySchema(bare)).toMatchObject({ supersedes: null, reason: null })
    const strike = { ...good, kind: 'strike', reason: 'slip' }
    expect(() => entrySchema(strike)).toThrow(/names the entry/)
    expect(entrySchema({ ...strike, supersedes: good.id }).supersedes).toBe(good.id)
    expect(() => entrySchema({ ...strike, supersedes: good.id, reason: ' ' })).toThrow(/needs a reason/)
  })
})

describe('a clock', () => {
  const started = (holdMin: number) => {
    const log = new TestLog()
    log.press('reflux', 'heat-on')
    const onset = Date.parse(log.press('reflux', 'onset').at)
    return (minutes: number) => endsEarly(state(log, 'reflux', changed('reflux', { holdMin })), onset + minutes * 60_000)
  }
  test('of no length is never ended too early, and one that runs behind has run for nothing', () => {
    expect(started(0)(0)).toBeNull()
    expect(started(1)(0)).toBe('It has run 0 of 1 min. Is it over all the same?')
    expect(started(20)(-3)).toBe('It has run 0 of 20 min. Is it over all the same?')
  })
})

describe('what a run has measured', () => {
  test('is nothing where nothing is written', () => {
    expect(measuredOf(fold(new TestLog()))).toEqual({
      samples: {},
      usedML: {},
      temperatures: {},
      heads: {},
      windows: {},
      pH: {},
      titresML: {},
      weighings: {},
    })
  })
  test('hot solvent counts portion by portion before it has all dissolved', () => {
    const log = new TestLog()
    log.reading('crystallise', 'portion', 0.5, 1, {}, 'mL')
    expect(measuredOf(fold(log)).usedML).toEqual({ crystallise: 0.5 })
  })
  test('temperatures count from the first where no clock was started, weighings from the first of them', () => {
    const log = new TestLog()
    const hold = acetanilide.steps.find(({ kind }) => kind === 'hold')!.id
    log.reading(hold, 'temperature', 20, 0, {}, '°C')
    log.reading(hold, 'temperature', 8, 0, {}, '°C')
    log.reading('dry', 'empty', 31.2)
    log.reading('dry', 'full', 36)
    log.reading('dry', 'full', 35.8)
    const measured = measuredOf(fold(log))
    expect(measured.temperatures[hold]).toEqual([
      { atMin: 0, celsius: 20 },
      { atMin: 1, celsius: 8 },
    ])
    expect(measured.weighings.dry!.map(({ atMin }) => atMin)).toEqual([0, 1])
  })
})

describe('the fold', () => {
  const dried = (again: number) => {
    const plan: Plan = {
      ...acetanilide,
      steps: [
        ...acetanilide.steps,
        { ...acetanilide.steps.find(({ kind }) => kind === 'weigh')!, id: 'again', sample: 'purified', dry: false } as Step,
      ],
    }
    const log = new TestLog()
    log.reading('dry', 'empty', 31.2)
    log.reading('dry', 'full', 35.2)
    log.reading('dry', 'full', 35.2)
    log.reading('again', 'empty', 10)
    log.reading('again', 'full', 10 + again)
    return fold(log, plan).samples.purified!
  }
  test('what was dried stays dry when it is weighed again, unless it has grown heavier than weighings may differ', () => {
    expect(dried(4)).toMatchObject({ dry: true })
    expect(dried(3.5)).toMatchObject({ dry: true })
    expect(dried(4.02)).toMatchObject({ dry: true })
    expect(dried(4.03)).toMatchObject({ dry: false })
  })
  test('what was never dried is not dry for having been weighed twice', () => {
    const log = new TestLog()
    log.reading('weigh-crude', 'empty', 10)
    log.reading('weigh-crude', 'full', 14)
    expect(fold(log).samples.crude).toMatchObject({ dry: false })
    expect(dried(4)).toMatchObject({ dry: true })
  })
  test('a divided charge counts once all of it is in', () => {
    const plan: Plan = {
      ...acetanilide,
      steps: acetanilide.steps.flatMap((step) =>
        step.id === 'charge-zinc' ? [{ ...step, portion: 0.5 } as Step, { ...step, id: 'rest', portion: 0.5 } as Step] : [step],
      ),
    }
    const log = new TestLog()
    log.reading('charge-zinc', 'tared', 0)
    log.reading('charge-zinc', 'net', 0.06)
    expect(fold(log, plan).charged.zinc).toBeUndefined()
    log.reading('rest', 'tared', 0)
    log.reading('rest', 'net', 0.05)
    expect(fold(log, plan).charged.zinc!.figure.value).toBeCloseTo(0.11, 9)
  })
  test('a melting range written elsewhere is none of a sample', () => {
    const log = new TestLog()
    log.add('charge-zinc', 'melting', { onsetC: 1, clearC: 2, decimals: 0 })
    expect(fold(log).melting).toEqual({})
    log.add('melt', 'melting', { onsetC: 113, clearC: 115, decimals: 0 })
    expect(Object.keys(fold(log).melting)).toEqual(['purified'])
  })
  test('a rewritten reading keeps the place of the first, and a strike stands nowhere', () => {
    const log = new TestLog()
    log.reading('dry', 'empty', 31.2)
    const first = log.reading('dry', 'full', 36)
    log.reading('dry', 'full', 35.5)
    const again = log.rewrite(first, 35.9, 'misread')
    log.rewrite(again, 35.8, 'misread again')
    const values = () => state(log, 'dry').standing.map(({ body }) => (body as { value: number }).value)
    expect(values()).toEqual([31.2, 35.8, 35.5])
    expect(state(log, 'dry').struck.map(({ reason }) => reason)).toEqual(['misread', 'misread again'])
    const [empty] = state(log, 'dry').standing
    log.add('dry', 'strike', {}, { supersedes: empty!.id, reason: 'slip' })
    expect(values()).toEqual([35.8, 35.5])
    expect(state(log, 'dry')).toMatchObject({
      startedAt: state(log, 'dry').standing[0]!.at,
      endedAt: state(log, 'dry').standing[1]!.at,
    })
  })
  test('nothing is signed where nothing was read', () => {
    const log = new TestLog()
    const plan = changed('charge-zinc', { witness: true })
    const done = log.done('charge-zinc')
    expect(state(log, 'charge-zinc', plan).signature).toEqual({ state: 'due' })
    log.sign('charge-zinc', [done])
    expect(state(log, 'charge-zinc', plan).signature.state).toBe('void')
    expect(state(new TestLog(), 'charge-zinc', plan).signature).toEqual({ state: 'not yet' })
    expect(state(log, 'charge-zinc').signature).toEqual({ state: 'not needed' })
  })
  test('what was asked and kept is told', () => {
    const log = new TestLog()
    log.add('melt', 'melting', { onsetC: 113, clearC: 115, decimals: 0, asked: 'Is it?' })
    log.reading('dry', 'empty', 31.2)
    expect(fold(log).odd.map(({ kind }) => kind)).toEqual(['melting'])
  })
})

describe('the order of entries', () => {
  const at = (id: string, more: Partial<Entry> = {}) => ({ ...new TestLog().done('safety'), ...more, id }) as Entry
  const ids = (entries: Entry[]) => inOrder(entries).map(({ id }) => id)
  const [a, b, c] = ['01HZZZZZZZ0000000000000001', '01HZZZZZZZ0000000000000002', '01HZZZZZZZ0000000000000003']
  test('at one time is that of the ids', () => {
    expect(ids([at(b), at(a)])).toEqual([a, b])
    expect(ids([at(c, { seen: a }), at(b, { seen: a }), at(a)])).toEqual([a, b, c])
  })
  test('does not wait for an entry that is not there, nor for itself', () => {
    expect(ids([at(b, { seen: '01HZZZZZZZ000000000000000X' }), at(a, { seen: a })])).toEqual([a, b])
  })
  test('goes by the time in the id, put right by its clock, one by one', () => {
    // The tenth sign of an id counts one ms, the ninth thirty-two.
    const [early, late] = ['01HZZZZZZY0000000000000009', '01HZZZZZZZ0000000000000001']
    expect(ids([at(late), at(early)])).toEqual([early, late])
    expect(ids([at(late, { clockMs: 2 }), at(early)])).toEqual([late, early])
    expect(ids([at(late, { clockMs: 1 }), at(early)])).toEqual([early, late])
    expect(ids([at(late, { clockMs: -2 }), at(early)])).toEqual([early, late])
  })
  test('an entry that was seen comes before those of earlier times that did not know of it', () => {
    const [first, second, third] = ['01HZZZZZZA0000000000000001', '01HZZZZZZB0000000000000002', '01HZZZZZZC0000000000000003']
    expect(ids([at(first, { seen: second }), at(second), at(third)])).toEqual([second, first, third])
  })
})

test('a step with one way of weighing offers no choice, and a step that is not there asks nothing', () => {
  const one = changed('charge-aniline', { weighing: ['tare'] })
  expect(waysIn(state(new TestLog(), 'charge-aniline', one))).toBeNull()
  expect(waysIn(state(new TestLog(), 'filter'))).toBeNull()
  const log = new TestLog()
  expect(askAbout(fold(log), { ...log.reading('charge-aniline', 'full', 1), step: 'none' })).toBeNull()
  expect(askAbout(fold(log), log.done('filter'))).toBeNull()
})
