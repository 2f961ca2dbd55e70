/** What a group does beside the plan: steps of its own, clocks, calls, two tablets at once, material put together. */
import fc from 'fast-check'
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { linesIn } from '@/test-support/inVessel'
import { reactionTable } from '../reaction/reactionTable'
import { runResults } from '../result/runResults'
import { askAbout } from './askAbout'
import { openCalls } from './calls'
import { ringsAtMs } from './clocks'
import type { Entry } from './entry'
import { entrySchema } from './entrySchema'
import { problemInRun } from './fitsStep'
import { foldRun } from './foldRun'
import { leavesUnknown, ownStepId, puttable, putWants } from './ownSteps'
import { goesOnWithG, ownShare } from './pools'

const fold = (log: TestLog) => foldRun(acetanilide, 1, log.entries)
const named = (log: TestLog, id: string) => fold(log).steps.find(({ step }) => step.id === id)!
const first = acetanilide.steps[0]!.id
const chargeAniline = 'charge-aniline'

describe('a step of one’s own', () => {
  test('stands after the one that it was put in after, and is now where the work had gone past it', () => {
    const log = new TestLog()
    log.done(first)
    const put = log.add(first, 'step', { title: 'Dry the flask hot', operation: 'heat' })
    const run = fold(log)
    expect(run.steps[1]!.step.id).toBe(ownStepId(put))
    expect(run.now).toBe(1)
    expect(run.steps[1]!.putIn?.id).toBe(put.id)
    log.done(ownStepId(put))
    expect(fold(log).now).toBe(2)
    expect(fold(log).steps).toHaveLength(acetanilide.steps.length + 1)
  })

  test('several after one step keep the order in which they were written, and one may follow another', () => {
    const log = new TestLog()
    const a = log.add(first, 'step', { title: 'A' })
    log.add(first, 'step', { title: 'B' })
    log.add(ownStepId(a), 'step', { title: 'A, then' })
    expect(
      fold(log)
        .steps.slice(1, 4)
        .map(({ step }) => step.title),
    ).toEqual(['A', 'A, then', 'B'])
  })

  test('struck, it is gone unless something stands in it', () => {
    const log = new TestLog()
    const put = log.add(first, 'step', { title: 'A' })
    log.add(first, 'strike', {}, { supersedes: put.id, reason: 'wrong place' })
    expect(fold(log).steps).toHaveLength(acetanilide.steps.length)
    log.done(ownStepId(put))
    expect(fold(log).steps).toHaveLength(acetanilide.steps.length + 1)
  })

  test('what it charges is added to its line, and what the plan says of it is not asked for', () => {
    const log = new TestLog()
    log.difference(chargeAniline, 27.5, 23.5)
    const put = log.add(chargeAniline, 'step', { title: 'A little more', operation: 'charge', line: 'aniline' })
    expect(fold(log).charged.aniline!.figure.value).toBeCloseTo(4.0, 9)
    log.difference(ownStepId(put), 24.25, 23.5)
    expect(fold(log).charged.aniline!.figure.value).toBeCloseTo(4.75, 9)
    const last = log.entries.at(-1)!
    expect(askAbout(fold(log), last)).toBeNull()
  })

  /** The lines that stand in the vessel two steps after the aniline was weighed. */
  const inside = (log: TestLog, certain = true) => {
    const { plan, planned, steps } = fold(log)
    return linesIn(plan, steps[steps.findIndex(({ step }) => step.id === chargeAniline) + 2]!.step.id, certain, planned)
  }

  test('work that is not known leaves the contents unknown, known work does what it does', () => {
    const unknown = new TestLog()
    unknown.add(chargeAniline, 'step', { title: 'Something else' })
    expect(inside(unknown, false)).toContain('aniline')
    expect(inside(unknown)).not.toContain('aniline')
    const known = new TestLog()
    known.add(chargeAniline, 'step', { title: 'Swirl', effect: 'stays' })
    expect(inside(known)).toContain('aniline')
  })

  test('what is in the vessel is unknown until somebody says it, and again when that is struck', () => {
    const log = new TestLog()
    const put = log.add(chargeAniline, 'step', { title: 'Something else' })
    expect(inside(log)).not.toContain('aniline')
    expect(leavesUnknown(named(log, ownStepId(put)).step)).toBe(true)
    const said = log.add(ownStepId(put), 'contents', { effect: 'stays' })
    expect(inside(log)).toContain('aniline')
    expect(leavesUnknown(named(log, ownStepId(put)).step)).toBe(false)
    log.add(ownStepId(put), 'strike', {}, { supersedes: said.id, reason: 'it was poured off' })
    expect(inside(log)).not.toContain('aniline')
    // Of work that is known nothing is said over.
    log.add(chargeAniline, 'contents', { effect: 'the vessel was empty' })
    expect(named(log, chargeAniline).step).toEqual(acetanilide.steps.find(({ id }) => id === chargeAniline))
  })

  test('asks for what it needs, and charges as the plan measures that line', () => {
    expect(['charge', 'weigh', 'dry', 'melt', 'wash'].map(putWants)).toEqual(['line', 'sample', 'sample', 'sample', null])
    const log = new TestLog()
    for (const planned of acetanilide.steps)
      if (planned.kind === 'charge') {
        const put = log.add(first, 'step', { title: 'More', operation: 'charge', line: planned.line })
        expect(named(log, ownStepId(put)).step).toMatchObject({
          ...{ line: planned.line, measure: planned.measure, container: planned.container, device: planned.device, portion: 0 },
        })
      }
    // What no step charges is measured as it is dispensed.
    const water = log.add(first, 'step', { title: 'Water', operation: 'charge', line: 'hot-water' })
    expect(named(log, ownStepId(water)).step).toMatchObject({ line: 'hot-water', measure: 'volume' })
  })

  test.each(puttable)('%s can be put in with what it wants', (operation) => {
    const body = { title: 'It', operation, line: 'aniline', sample: 'crude' }
    const log = new TestLog()
    const entry = log.add(first, 'step', body)
    expect(problemInRun(entrySchema(entry), acetanilide, [], 'bench')).toBeNull()
    const own = named(log, ownStepId(entry))
    expect(own.step.kind === 'act' || own.step.kind === 'hold' ? own.step.operation : own.step.kind).toBe(operation)
  })

  test('what cannot be put in is refused in words', () => {
    const log = new TestLog()
    const problem = (body: Entry<'step'>['body'], step = first) =>
      problemInRun(log.add(step, 'step', body), acetanilide, [], 'bench')
    expect(problem({ title: 'x', operation: 'safety' })).toBe('A bench cannot put in “safety”.')
    expect(problem({ title: 'x', operation: 'charge', line: 'gold' })).toBe('Say which line of the plan is charged.')
    expect(problem({ title: 'x', operation: 'weigh' })).toBe('Say which sample it is of.')
    expect(problem({ title: 'x' }, 'nowhere')).toMatch(/no step “nowhere”/)
    // Its readings belong to it, once it is known.
    const put = log.add(first, 'step', { title: 'More', operation: 'charge', line: 'aniline' })
    const reading = log.reading(ownStepId(put), 'tared', 0)
    expect(problemInRun(reading, acetanilide, [], 'bench')).toMatch(/no step/)
    expect(problemInRun(reading, acetanilide, [put], 'bench')).toBeNull()
  })
})

describe('clocks of one’s own', () => {
  test('count down, up, or ring again, until they are stopped', () => {
    const log = new TestLog()
    const ice = log.add(first, 'timer', { label: 'in ice', minutes: 10 })
    const vent = log.add(first, 'timer', { label: 'vent', minutes: 1, repeats: true })
    log.add(first, 'timer', { label: 'since the heat' })
    const clocks = fold(log).clocks
    expect(clocks.map(({ label, dueAt }) => [label, dueAt])).toEqual([
      ['in ice', new Date(Date.parse(ice.at) + 600_000).toISOString()],
      ['vent', null],
      ['since the heat', null],
    ])
    const from = Date.parse(vent.at)
    expect(ringsAtMs(clocks[1]!, from)).toBe(from + 60_000)
    expect(ringsAtMs(clocks[1]!, from + 60_000)).toBe(from + 120_000)
    expect(ringsAtMs(clocks[1]!, from + 119_999)).toBe(from + 120_000)
    expect(ringsAtMs(clocks[0]!, Date.parse(ice.at))).toBe(Date.parse(ice.at) + 600_000)
    expect(ringsAtMs(clocks[0]!, Date.parse(ice.at) + 600_000)).toBeNull()
    expect(ringsAtMs(clocks[2]!, 0)).toBeNull()
    log.add(first, 'stopped', { of: vent.id })
    expect(fold(log).clocks.map(({ label }) => label)).toEqual(['in ice', 'since the heat'])
  })

  test('a clock that rings again needs its minutes, and only a clock is stopped', () => {
    const log = new TestLog()
    expect(() => entrySchema(log.add(first, 'timer', { label: 'vent', repeats: true }))).toThrow(/needs its minutes/)
    const vent = log.add(first, 'timer', { label: 'vent', minutes: 1 })
    const stop = log.add(first, 'stopped', { of: vent.id })
    expect(problemInRun(stop, acetanilide, [vent], 'bench')).toBeNull()
    const seen = log.add(first, 'observation', { text: 'clear' })
    expect(problemInRun(log.add(first, 'stopped', { of: seen.id }), acetanilide, [seen], 'bench')).toMatch(/no clock/)
  })

  test('neither begins its step', () => {
    const log = new TestLog()
    log.add(chargeAniline, 'timer', { label: 'in ice', minutes: 10 })
    expect(named(log, chargeAniline).startedAt).toBeNull()
    const seen = log.add(chargeAniline, 'observation', { text: 'brown' })
    log.add(chargeAniline, 'hand', { text: '' })
    expect(named(log, chargeAniline)).toMatchObject({ startedAt: seen.at, endedAt: seen.at })
  })
})

describe('calls', () => {
  test('stay until somebody has seen to them', () => {
    const log = new TestLog()
    const hand = log.add(first, 'hand', { text: '' })
    const cut = log.add(first, 'incident', { what: 'cut', who: '', text: '' })
    expect(openCalls(fold(log).calls).map(({ entry }) => entry.id)).toEqual([hand.id, cut.id])
    // In the order in which they happened, not in that of the steps.
    const before = log.add(chargeAniline, 'hand', { text: '' }, { at: '2026-11-17T12:00:00.000Z' })
    expect(fold(log).calls.map(({ entry }) => entry.id)).toEqual([before.id, hand.id, cut.id])
    log.add(chargeAniline, 'answer', { of: before.id, text: '' })
    log.add(first, 'answer', { of: hand.id, text: '' })
    expect(openCalls(fold(log).calls).map(({ entry }) => entry.id)).toEqual([cut.id])
    expect(fold(log).calls).toHaveLength(3)
    // More was said of it after somebody had been there.
    log.add(first, 'answer', { of: cut.id, text: '' })
    log.add(first, 'incident', { what: 'cut', who: 'one of us', text: '' }, { supersedes: cut.id, reason: 'more was said' })
    expect(openCalls(fold(log).calls)).toEqual([])
    expect(fold(log).calls.map(({ entry }) => entry.body)).toContainEqual({ what: 'cut', who: 'one of us', text: '' })
  })

  test('what happened is seen to by staff, a note by its bench, a hand by both', () => {
    const log = new TestLog()
    const about = {
      hand: log.add(first, 'hand', { text: '' }),
      incident: log.add(first, 'incident', { what: 'fire', who: '', text: '' }),
      message: log.add(first, 'message', { text: 'Come here' }),
      observation: log.add(first, 'observation', { text: 'clear' }),
    }
    const allowed = (kind: keyof typeof about, by: 'bench' | 'staff') =>
      problemInRun(log.add(first, 'answer', { of: about[kind].id, text: '' }), acetanilide, Object.values(about), by) === null
    const all = Object.keys(about) as (keyof typeof about)[]
    expect(all.filter((kind) => allowed(kind, 'bench'))).toEqual(['hand', 'message'])
    expect(all.filter((kind) => allowed(kind, 'staff'))).toEqual(['hand', 'incident'])
  })
})

describe('two tablets at once', () => {
  const two = () => {
    const log = new TestLog()
    const before = log.done(first)
    const full = log.reading(chargeAniline, 'full', 27.5, 3, { seen: before.id })
    const one = log.reading(chargeAniline, 'empty', 23.5, 3, { seen: full.id })
    return { log, full, one }
  }

  test('both figures are seen, none counts, and the step stays open until one is struck', () => {
    const { log, full, one } = two()
    expect(named(log, chargeAniline).status).toBe('done')
    const other = log.reading(chargeAniline, 'empty', 23.4, 3, { seen: full.id })
    const state = named(log, chargeAniline)
    expect([state.status === 'done', state.net, state.twice]).toEqual([false, null, [[one, other]]])
    expect(fold(log).charged.aniline).toBeUndefined()
    log.add(chargeAniline, 'strike', {}, { supersedes: other.id, reason: 'read at the wrong balance', seen: other.id })
    expect(named(log, chargeAniline).net!.figure.value).toBeCloseTo(4.0, 9)
    expect(named(log, chargeAniline).status).toBe('done')
  })

  test('the same figure from both is one figure, and one that knew of the other is no doubt', () => {
    const same = two()
    same.log.reading(chargeAniline, 'empty', 23.5, 3, { seen: same.full.id })
    expect(named(same.log, chargeAniline)).toMatchObject({ status: 'done', twice: [] })
    const later = two()
    later.log.reading(chargeAniline, 'empty', 23.4, 3, { seen: later.one.id })
    expect(named(later.log, chargeAniline)).toMatchObject({ status: 'done', twice: [] })
  })

  test('weighings of a drying solid are many, unless two were meant for one', () => {
    const log = new TestLog()
    const empty = log.reading('dry', 'empty', 31.2, 2, { seen: '01HZZZZZZZZZZZZZZZZZZZ9999' })
    const one = log.reading('dry', 'full', 34.0, 2, { seen: empty.id })
    const next = log.reading('dry', 'full', 33.5, 2, { seen: one.id })
    expect(named(log, 'dry').twice).toEqual([])
    // The same figure from both would else pass for two weighings that agree.
    log.reading('dry', 'full', 33.4, 2, { seen: next.id })
    log.reading('dry', 'full', 33.4, 2, { seen: next.id })
    expect(named(log, 'dry').twice).toHaveLength(1)
    expect(fold(log).samples).toEqual({})
  })
})

describe('material put together', () => {
  test('what is gone on with, and the own part of it', () => {
    expect(goesOnWithG(2, undefined)).toBe(2)
    expect(ownShare(2, undefined)).toBe(1)
    expect(goesOnWithG(2, { inG: 1.5, outG: 0.5 })).toBeCloseTo(3, 12)
    expect(ownShare(2, { inG: 1.5, outG: 0.5 })).toBeCloseTo(0.5, 12)
    expect(ownShare(2, { inG: 1, outG: 2 })).toBe(0)
    expect(ownShare(0, { inG: 0, outG: 0 })).toBe(1)
  })

  test('the yield counts the own part, the recovery all that was gone on with', () => {
    const made = (pool: boolean) => {
      const log = new TestLog()
      const weighings = (step: string, empty: number, ...full: number[]) => {
        log.reading(step, 'empty', empty)
        for (const each of full) log.reading(step, 'full', each)
      }
      log.difference(chargeAniline, 27.5, 23.5)
      weighings('weigh-crude', 30, 34)
      // 1 g of the 4 g is given away, 3 g of another bench put to it: 6 g, half of them ours.
      if (pool) {
        log.add('weigh-crude', 'pooled', { sample: 'crude', way: 'out', massG: 1, decimals: 2 })
        log.add('weigh-crude', 'pooled', { sample: 'crude', way: 'in', massG: 3, decimals: 2, bench: 2 })
      }
      weighings('dry', 31.2, 34.2, 34.2)
      return runResults(fold(log))
    }
    const [alone, together] = [made(false), made(true)]
    expect(alone.recovery!.figure.value).toBeCloseTo(3 / 4, 9)
    expect(together.recovery!.figure.value).toBeCloseTo(3 / 6, 9)
    expect(together.result!.figure.value).toBeCloseTo(alone.result!.figure.value / 2, 9)
    expect(together.judgement.evidence).toContain('50 % of what was gone on with was the group’s own')
    expect(alone.judgement.evidence).not.toContain('put together')
    expect(together.crude!.figure.value).toBeCloseTo(alone.crude!.figure.value, 9)
  })
})

test('a reactant that was left out is said wherever the result is judged', () => {
  const evidence = (step: string) => {
    const log = new TestLog()
    log.add(step, 'skip', {}, { reason: 'done before' })
    return runResults(fold(log)).judgement.evidence
  }
  expect(evidence(chargeAniline)).toContain('The charge of aniline was left out: the theory counts what the plan says')
  // A reagent bears no yield.
  expect(evidence('charge-zinc')).not.toContain('left out')
  const log = new TestLog()
  log.add(chargeAniline, 'skip', {}, { reason: 'done before' })
  log.add(chargeAniline, 'again', {}, { reason: 'done after all' })
  log.difference(chargeAniline, 27.5, 23.5)
  expect(runResults(fold(log)).judgement.evidence).not.toContain('left out')
})

test('groups that go on as one', () => {
  const log = new TestLog()
  expect(fold(log).joined).toBeNull()
  log.add(first, 'joined', { bench: 5, here: false })
  expect(fold(log).joined).toEqual({ bench: 5, here: false })
  expect(runResults(fold(log)).outcomes).toEqual(runResults(foldRun(acetanilide, 1, [])).outcomes)
})

test('an own step’s table is the plan’s', () => {
  const log = new TestLog()
  log.add(first, 'step', { title: 'More', operation: 'charge', line: 'aniline' })
  expect(fold(log).planned).toEqual(reactionTable(acetanilide))
})

test('two tablets in any order and with repeated deliveries come to one state', () => {
  const log = new TestLog()
  const start = log.done(first)
  const put = log.add(first, 'step', { title: 'More', operation: 'charge', line: 'aniline' }, { seen: start.id })
  log.difference(chargeAniline, 27.5, 23.5)
  const vessel = log.add(first, 'vessel', { label: 'A', what: 'x', why: 'colour' }, { seen: put.id })
  log.reading(ownStepId(put), 'full', 24.5, 2, { seen: put.id })
  log.reading(ownStepId(put), 'empty', 23.5, 2, { seen: vessel.id })
  log.reading(ownStepId(put), 'empty', 23.4, 2, { seen: vessel.id })
  log.add(first, 'timer', { label: 'x', minutes: 1, repeats: true }, { seen: start.id })
  const hand = log.add(chargeAniline, 'hand', { text: '' }, { seen: start.id })
  log.add(chargeAniline, 'answer', { of: hand.id, text: '' }, { seen: hand.id })
  log.add(first, 'emptied', { of: vessel.id, how: 'combined', into: 'B' }, { seen: vessel.id })
  log.add(chargeAniline, 'skip', {}, { reason: 'x', seen: hand.id })
  log.add(chargeAniline, 'again', {}, { reason: 'more', seen: hand.id })
  const said = JSON.stringify(fold(log))
  fc.assert(
    fc.property(
      fc.shuffledSubarray(log.entries, { minLength: log.entries.length }),
      fc.array(fc.nat(log.entries.length - 1)),
      (order, twice) => {
        const delivered = [...order, ...twice.map((at) => order[at]!)]
        expect(JSON.stringify(foldRun(acetanilide, 1, delivered))).toBe(said)
      },
    ),
  )
})
