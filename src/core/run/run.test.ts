import fc from 'fast-check'
import { acetanilide, benzoin, fractionation } from '@/test-support/plans'
import { addStep } from '../edit/addStep'
import { TestLog } from '@/test-support/entries'
import { askAbout } from './askAbout'
import { dueIn, waysIn } from './due'
import type { Entry } from './entry'
import { entrySchema } from './entrySchema'
import { problemWith } from './fitsStep'
import { foldRun } from './foldRun'
import { lastTwoAgree } from '../measurements/agreement'

const fold = (log: TestLog, scale = 1) => foldRun(acetanilide, scale, log.entries)
const step = (log: TestLog, id: string) => fold(log).steps.find((state) => state.step.id === id)!
const due = (log: TestLog, id: string) => dueIn(step(log, id))

describe('folding a run', () => {
  test('an empty log stands at the first step, with the plan at the group’s scale', () => {
    const run = foldRun(acetanilide, 0.8, [])
    expect(run.now).toBe(0)
    expect(run.steps.map(({ status }) => status)).toEqual(['now', ...Array<string>(acetanilide.steps.length - 1).fill('later')])
    expect(run.planned.lines[0]!.volume!.value).toBeCloseTo(3.2, 12)
  })

  test('a mass by difference is full minus empty, with two readings’ uncertainty', () => {
    const log = new TestLog()
    log.difference('charge-aniline', 27.512, 23.418)
    const { charged } = fold(log)
    expect(charged.aniline!.figure.value).toBeCloseTo(4.094, 9)
    // √(2·(0.001²/12 + 0.001²)) = 0.0014720 g of 4.094 g
    expect(charged.aniline!.figure.u).toBeCloseTo(0.001472 / 4.094, 7)
  })

  test('a struck reading stays readable with its reason, and the rewritten one counts in its place', () => {
    const log = new TestLog()
    const [full] = log.difference('charge-aniline', 17.512, 23.418)
    log.rewrite(full, 27.512, 'Wrote 17 for 27')
    const state = step(log, 'charge-aniline')
    expect(state.net!.figure.value).toBeCloseTo(4.094, 9)
    expect(state.struck.map(({ entry, reason }) => [entry.id, reason])).toEqual([[full.id, 'Wrote 17 for 27']])
    expect(state.standing.map((entry) => (entry.kind === 'reading' ? entry.body.slot : ''))).toEqual(['full', 'empty'])
  })

  test('striking without a new reading opens the step again', () => {
    const log = new TestLog()
    const [full] = log.difference('charge-aniline', 27.512, 23.418)
    log.add('charge-aniline', 'strike', {}, { supersedes: full.id, reason: 'Wrong vial' })
    expect(step(log, 'charge-aniline').net).toBeNull()
    expect(step(log, 'charge-aniline').standing).toHaveLength(1)
  })

  test('two tablets strike the same reading: both rewritings stand readable, the last counts', () => {
    const log = new TestLog()
    const [full] = log.difference('charge-aniline', 17.512, 23.418)
    log.rewrite(full, 27.512, 'Misread')
    log.rewrite(full, 27.521, 'Misread')
    expect(step(log, 'charge-aniline').net!.figure.value).toBeCloseTo(4.103, 9)
  })

  test('a container weighed in two states is doubted', () => {
    const log = new TestLog()
    log.reading('charge-aniline', 'full', 27.5, 3, {
      body: {
        slot: 'full',
        value: 27.5,
        unit: 'g',
        decimals: 3,
        weighing: { method: 'difference', closure: 'with cap' },
      } as never,
    })
    log.reading('charge-aniline', 'empty', 23.4, 3, {
      body: {
        slot: 'empty',
        value: 23.4,
        unit: 'g',
        decimals: 3,
        weighing: { method: 'difference', closure: 'without cap' },
      } as never,
    })
    expect(step(log, 'charge-aniline').net!.doubt).toMatch(/with cap, then without cap/)
  })

  test('a signature holds until a reading it covers is struck, then is void, and can be given again', () => {
    const log = new TestLog()
    const [full, empty] = log.difference('charge-aniline', 27.512, 23.418)
    expect(step(log, 'charge-aniline').signature.state).toBe('due')
    log.sign('charge-aniline', [full, empty])
    expect(step(log, 'charge-aniline').signature).toMatchObject({ state: 'signed', by: 'Noor Haddad' })
    const again = log.rewrite(full, 27.408, 'Misread')
    expect(step(log, 'charge-aniline').signature).toMatchObject({ state: 'void', by: 'Noor Haddad' })
    log.sign('charge-aniline', [again, empty], 'Ilse Varga')
    expect(step(log, 'charge-aniline').signature).toMatchObject({ state: 'signed', by: 'Ilse Varga' })
  })

  test('a signature over half of the readings is none', () => {
    const log = new TestLog()
    const [full] = log.difference('charge-aniline', 27.512, 23.418)
    log.sign('charge-aniline', [full])
    expect(step(log, 'charge-aniline').signature.state).toBe('void')
  })

  test('entries may come in any order and more than once', () => {
    const log = new TestLog()
    log.done('safety')
    const [full, empty] = log.difference('charge-aniline', 17.512, 23.418)
    const rewritten = log.rewrite(full, 27.512, 'Misread')
    log.sign('charge-aniline', [rewritten, empty])
    log.press('reflux', 'heat-on')
    log.press('reflux', 'onset')
    log.reading('dry', 'empty', 31.2)
    const first = log.reading('dry', 'full', 35.9)
    log.reading('dry', 'full', 35.63)
    log.rewrite(first, 35.91, 'Misread')
    const expected = JSON.stringify(fold(log))
    fc.assert(
      fc.property(
        fc.shuffledSubarray(log.entries, { minLength: log.entries.length }),
        fc.subarray(log.entries),
        (shuffled, again) => {
          expect(JSON.stringify(foldRun(acetanilide, 1, [...shuffled, ...again]))).toBe(expected)
        },
      ),
      { numRuns: 50 },
    )
  })
})

describe('clocks', () => {
  test('the reflux clock runs from the onset, not from heat-on', () => {
    const log = new TestLog()
    const heat = log.press('reflux', 'heat-on')
    expect(fold(log).clocks).toEqual([{ step: 'reflux', label: 'heat on, no reflux yet', from: heat.at, dueAt: null }])
    const onset = log.press('reflux', 'onset')
    expect(fold(log).clocks).toEqual([
      {
        step: 'reflux',
        label: 'left under reflux',
        from: onset.at,
        dueAt: new Date(Date.parse(onset.at) + 20 * 60_000).toISOString(),
      },
    ])
    log.press('reflux', 'heat-off')
    expect(fold(log).clocks).toEqual([])
    expect(step(log, 'reflux').status).toBe('done')
  })

  test('a hold counts from its start', () => {
    const log = new TestLog()
    const start = log.press('cool', 'start')
    expect(fold(log).clocks[0]).toMatchObject({ label: 'left: cool in ice', from: start.at })
  })
})

describe('drying', () => {
  test.each([
    [[4.62, 4.43], false],
    [[4.43, 4.41], true],
    [[4.41], false],
    // 0.5 % of 10 g is 0.05 g.
    [[10.05, 10.0], true],
    [[10.06, 10.0], false],
    // For 1 g the limit is twice the readability, 0.02 g.
    [[1.02, 1.0], true],
    [[1.03, 1.0], false],
  ])('%j agrees: %s', (masses, agrees) => expect(lastTwoAgree(masses, 0.005, 0.01)).toBe(agrees))

  test('the step is over when two weighings agree', () => {
    const log = new TestLog()
    log.reading('dry', 'empty', 31.2)
    log.reading('dry', 'full', 35.82)
    expect(step(log, 'dry').status).not.toBe('done')
    expect(fold(log).samples.purified).toMatchObject({ dry: false })
    log.reading('dry', 'full', 35.63)
    log.reading('dry', 'full', 35.61)
    expect(step(log, 'dry').status).toBe('done')
    expect(fold(log).samples.purified).toMatchObject({ dry: true })
    expect(fold(log).samples.purified!.mass.value).toBeCloseTo(4.41, 9)
  })
})

describe('what is due', () => {
  test('weighing by difference asks for the full vial, then the empty one in the same state', () => {
    const log = new TestLog()
    expect(waysIn(step(log, 'charge-aniline'))).toEqual({
      words: 'Way of weighing',
      ways: [
        { key: 'difference', words: 'By difference' },
        { key: 'tare', words: 'Tare and add' },
      ],
    })
    expect(due(log, 'charge-aniline')).toMatchObject({ slot: 'full', unit: 'g', decimals: 3, asksClosure: true })
    log.add('charge-aniline', 'reading', {
      slot: 'full',
      value: 27.5,
      unit: 'g',
      decimals: 3,
      weighing: { method: 'difference', closure: 'with cap' },
    })
    expect(due(log, 'charge-aniline')).toMatchObject({ slot: 'empty', hint: 'With cap, as before.' })
  })

  test('taring asks for zero, then for what is shown', () => {
    const log = new TestLog()
    expect(due(log, 'charge-zinc')).toMatchObject({ kind: 'tare' })
    log.add('charge-zinc', 'reading', { slot: 'tared', value: 0, unit: 'g', decimals: 2, weighing: { method: 'tare' } })
    expect(due(log, 'charge-zinc')).toMatchObject({ kind: 'reading', slot: 'net' })
  })

  test('the product’s container is weighed empty first', () => {
    expect(dueIn(step(new TestLog(), 'weigh-crude'), 'difference')).toMatchObject({ slot: 'empty' })
  })

  test('reflux asks for heat on, the onset, heat off', () => {
    const log = new TestLog()
    const marks = ['heat-on', 'onset', 'heat-off'] as const
    for (const mark of marks) {
      expect(due(log, 'reflux')).toMatchObject({ kind: 'press', mark })
      log.press('reflux', mark)
    }
    expect(due(log, 'reflux')).toBeNull()
  })

  test('every step of these preparations asks for something at first and can be brought to its end', () => {
    for (const plan of [acetanilide, benzoin, addStep(fractionation, 'test', 'send').plan]) {
      const log = new TestLog()
      for (let guard = 0; guard < 200; guard++) {
        const run = foldRun(plan, 1, log.entries)
        const state = run.steps[run.now]
        if (!state) break
        const next = dueIn(state)!
        expect(next).not.toBeNull()
        if (next.kind === 'press') log.press(state.step.id, next.mark)
        else if (next.kind === 'done') log.done(state.step.id)
        else if (next.kind === 'pair') log.add(state.step.id, 'melting', { onsetC: 113, clearC: 115, decimals: 1 })
        else if (next.kind === 'tare')
          log.add(state.step.id, 'reading', { slot: 'tared', value: 0, unit: 'g', decimals: 2, weighing: { method: 'tare' } })
        else if (next.kind === 'words') log.add(state.step.id, 'note', { slot: next.slot, text: 'A3' })
        else if (next.kind === 'head' && next.first)
          log.add(state.step.id, 'head', { volumeML: 0, volumeDecimals: 1, headC: 80, decimals: 1 })
        else if (next.kind === 'tubes' || next.kind === 'head') log.done(state.step.id)
        else if (next.kind === 'reading')
          log.reading(
            state.step.id,
            next.slot,
            next.slot === 'full' ? 35 : next.slot === 'empty' ? 31 : 4,
            next.decimals,
            {},
            next.unit,
          )
      }
      expect(foldRun(plan, 1, log.entries).now).toBe(plan.steps.length)
    }
  })
})

describe('questions before writing', () => {
  const ask = (log: TestLog, entry: Entry) => askAbout(fold(log), entry)
  const empty = (value: number, closure: 'with cap' | 'without cap' = 'with cap') =>
    new TestLog().add(
      'charge-aniline',
      'reading',
      { slot: 'empty', value, unit: 'g', decimals: 3, weighing: { method: 'difference', closure } },
      { id: '01J00000000000000000000000' },
    )
  const begun = () => {
    const log = new TestLog()
    log.add('charge-aniline', 'reading', {
      slot: 'full',
      value: 64.298,
      unit: 'g',
      decimals: 3,
      weighing: { method: 'difference', closure: 'with cap' },
    })
    return log
  }

  test('ten times the plan', () => expect(ask(begun(), empty(23.418))).toMatch(/40.880 g is 10 times the plan’s 4.09 g/))
  test('a tenth of the plan', () => expect(ask(begun(), empty(63.889))).toMatch(/is a tenth of the plan’s 4.09 g/))
  test('as planned', () => expect(ask(begun(), empty(60.2))).toBeNull())
  test('swapped', () => expect(ask(begun(), empty(70))).toMatch(/swapped/))
  test('another state of the container', () => expect(ask(begun(), empty(60.2, 'without cap'))).toMatch(/same state/))

  test('a volume ten times the plan', () => {
    const log = new TestLog()
    const entry = new TestLog().reading('charge-anhydride', 'volume', 50, 1, {}, 'mL')
    expect(ask(log, entry)).toMatch(/50.0 mL is 10 times the plan’s 5.00 mL/)
  })

  test('a dry product above theory', () => {
    const log = new TestLog()
    log.reading('dry', 'empty', 31.2)
    const entry = new TestLog().reading('dry', 'full', 37.51, 2, { id: '01J00000000000000000000000' })
    expect(ask(log, entry)).toMatch(/6.31 g is 107 % of the theoretical 5.87 g/)
  })

  test('weighed dry it may not pass theory, weighed wet it may, up to a slip of the point', () => {
    const weighed = (grams: number, dry: boolean) => {
      const plan = structuredClone(acetanilide)
      const weigh = plan.steps.find((each) => each.kind === 'weigh')!
      if (weigh.kind === 'weigh') weigh.dry = dry
      const log = new TestLog()
      log.reading(weigh.id, 'empty', 20)
      const full = new TestLog().reading(weigh.id, 'full', 20 + grams, 2, { id: '01J00000000000000000000000' })
      return askAbout(foldRun(plan, 1, log.entries), full)
    }
    // Theory is 5.87 g.
    expect(weighed(5.86, true)).toBeNull()
    expect(weighed(5.9, true)).toMatch(/Is it dry/)
    expect(weighed(5.9, false)).toBeNull()
    expect(weighed(17.5, false)).toBeNull()
    expect(weighed(17.7, false)).toMatch(/Is the point in the right place/)
  })

  test('a melting range of something else', () => {
    const entry = new TestLog().add('melt', 'melting', { onsetC: 68, clearC: 70, decimals: 1 })
    expect(ask(new TestLog(), entry)).toMatch(/literature says 113–115/)
    expect(ask(new TestLog(), new TestLog().add('melt', 'melting', { onsetC: 109, clearC: 112, decimals: 1 }))).toBeNull()
  })

  test('a correction is asked about as it would stand after the strike', () => {
    const log = new TestLog()
    const [full] = log.difference('charge-aniline', 17.512, 23.418)
    const good = {
      ...full,
      id: '01J00000000000000000000000',
      supersedes: full.id,
      body: { ...full.body, value: 27.512 },
    } as Entry
    expect(ask(log, good)).toBeNull()
  })
})

describe('entries from outside', () => {
  const good = () => ({ ...new TestLog().reading('dry', 'empty', 31.2) })
  test('a good one passes unchanged', () => expect(entrySchema(good())).toEqual(good()))
  test.each([
    ['id', 'x', /ULID/],
    ['kind', 'edit', /kind/],
    ['at', 'yesterday', /UTC time/],
    ['body', { slot: 'full', value: -1, unit: 'g', decimals: 2 }, /negative/],
    ['body', { slot: 'full', value: '4', unit: 'g', decimals: 2 }, /value/],
    ['body', { slot: 'full', value: 4, unit: 'lb', decimals: 2 }, /unit/],
    ['body', { slot: 'full', value: 4, unit: 'g', decimals: 2, more: 1 }, /more/],
    ['supersedes', '01HZZZZZZZZZZZZZZZZZZZ0001', /needs a reason/],
  ])('%s = %j is refused', (field, value, message) => expect(() => entrySchema({ ...good(), [field]: value })).toThrow(message))

  test('a clear point below the onset is refused', () => {
    const entry = new TestLog().add('melt', 'melting', { onsetC: 115, clearC: 113, decimals: 1 })
    expect(() => entrySchema(entry)).toThrow(/below the onset/)
  })

  test('a strike names what it strikes', () =>
    expect(() => entrySchema(new TestLog().add('dry', 'strike', {}))).toThrow(/names the entry/))
})

describe('a guide, not a gate', () => {
  const turn = (log: TestLog, kind: 'skip' | 'ahead' | 'again', id: string, reason = 'because') =>
    log.add(id, kind, {}, { supersedes: null, reason })

  test('a step is left out with its reason, needs no signature then, and a strike brings it back', () => {
    const log = new TestLog()
    log.add('safety', 'done', {})
    const index = fold(log).now
    const id = fold(log).steps[index]!.step.id
    const left = turn(log, 'skip', id, 'No time')
    expect(fold(log).steps[index]).toMatchObject({ status: 'done', skipped: 'No time', signature: { state: 'not needed' } })
    expect(fold(log).now).toBe(index + 1)
    log.add(id, 'strike', {}, { supersedes: left.id, reason: 'after all' })
    expect(fold(log).steps[index]).toMatchObject({ status: 'now', skipped: null })
    const charge = new TestLog()
    turn(charge, 'skip', 'charge-aniline')
    expect(step(charge, 'charge-aniline').signature.state).toBe('not needed')
    expect(fold(charge).charged.aniline).toBeUndefined()
  })

  test('a step ahead is open before its turn, and what is now stays where it is', () => {
    const log = new TestLog()
    turn(log, 'ahead', 'charge-aniline', 'The balance is free')
    expect(step(log, 'charge-aniline')).toMatchObject({ status: 'later', open: true, ahead: 'The balance is free' })
    expect(step(new TestLog(), 'charge-aniline').open).toBe(false)
    expect(fold(log).now).toBe(0)
    log.difference('charge-aniline', 27.512, 23.418)
    expect(step(log, 'charge-aniline')).toMatchObject({ status: 'done', round: 1 })
    expect(fold(log).now).toBe(0)
  })

  test('a charge that is repeated adds up; a weighing that is repeated counts as the last was taken', () => {
    const log = new TestLog()
    log.difference('charge-aniline', 27.512, 23.418)
    turn(log, 'again', 'charge-aniline', 'A further portion')
    expect(step(log, 'charge-aniline')).toMatchObject({ open: true, round: 2 })
    // Of a further portion the plan says nothing, and of the first it does.
    const small = (weighed: TestLog) => {
      const [, empty] = new TestLog().difference('charge-aniline', 25, 24.5)
      weighed.reading('charge-aniline', 'full', 25, 3, {})
      const asked = askAbout(fold(weighed), { ...empty, id: '7ZZZZZZZZZZZZZZZZZZZZZZZZZ' })
      weighed.entries.pop()
      return asked
    }
    expect(small(log)).toBeNull()
    expect(small(new TestLog())).not.toBeNull()
    // Until the second portion is weighed the first stands.
    expect(fold(log).charged.aniline!.figure.value).toBeCloseTo(4.094, 9)
    log.difference('charge-aniline', 25, 24.5)
    const state = step(log, 'charge-aniline')
    expect([state.status, state.open]).toEqual(['done', false])
    expect(state.net!.figure.value).toBeCloseTo(4.594, 9)
    expect(state.earlier).toHaveLength(2)
    expect(state.standing.map(({ kind }) => kind)).toEqual(['again', 'reading', 'reading'])
    // Struck, the repeat has not been.
    const repeat = state.standing[0]!
    log.add('charge-aniline', 'strike', {}, { supersedes: repeat.id, reason: 'wrong press' })
    expect(step(log, 'charge-aniline').round).toBe(1)

    const weighed = new TestLog()
    weighed.difference('weigh-crude', 54.9, 50)
    const crude = () => fold(weighed).samples.crude!.mass.value
    expect(crude()).toBeCloseTo(4.9, 9)
    turn(weighed, 'again', 'weigh-crude', 'It was wet')
    expect(crude()).toBeCloseTo(4.9, 9)
    weighed.difference('weigh-crude', 54.5, 50)
    expect(crude()).toBeCloseTo(4.5, 9)
  })

  test('a reason is needed, and the safety page is neither left out nor hurried past', () => {
    const log = new TestLog()
    expect(() => entrySchema({ ...turn(log, 'skip', 'set-up'), reason: null })).toThrow(/why the step is left out/)
    expect(() => entrySchema({ ...turn(log, 'ahead', 'set-up'), reason: ' ' })).toThrow(/out of turn/)
    expect(() => entrySchema({ ...turn(log, 'again', 'set-up'), reason: null })).toThrow(/once more/)
    const safety = acetanilide.steps.find(({ kind }) => kind === 'safety')!
    for (const kind of ['skip', 'ahead', 'again'] as const)
      expect(problemWith(turn(log, kind, safety.id), safety)).toMatch(/read once, first/)
  })
})
