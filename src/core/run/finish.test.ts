/** How near a step is to its end, said while it goes on. */
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { addStep } from '../edit/addStep'
import type { OperationKey } from '../operations/registry'
import { changeStep } from '../plan/editPlan'
import type { Plan } from '../plan/plan'
import { runResults } from '../result/runResults'
import { finishOf } from './finish'
import { foldRun } from './foldRun'

const start = Date.UTC(2026, 10, 17, 13, 0)
const minute = (n: number) => ({ at: new Date(start + n * 60_000).toISOString() })

/** The plan with one step of an operation right after its first, so that it is now once that is done. */
function withStep(key: OperationKey, part: object = {}): { plan: Plan; id: string } {
  const { plan, id } = addStep(acetanilide, key, acetanilide.steps[0]!.id)
  return { plan: changeStep(plan, id, part as never), id }
}

function finish({ plan, id }: { plan: Plan; id: string }, write: (log: TestLog, id: string) => void, atMin = 0) {
  const log = new TestLog()
  log.done(plan.steps[0]!.id)
  write(log, id)
  const run = foldRun(plan, 1, log.entries)
  return finishOf(
    run,
    run.steps.find(({ step }) => step.id === id)!,
    start + atMin * 60_000,
  ).map(({ level, words }) => `${level}: ${words}`)
}

test('two weighings: how far apart, and how far they may be', () => {
  const dry = withStep('dry', { agreement: 0.005, device: 'balance-0.01' })
  const weigh = (...full: number[]) =>
    finish(dry, (log, id) => {
      log.reading(id, 'empty', 30)
      for (const each of full) log.reading(id, 'full', each)
    })
  expect(weigh(34)).toEqual([])
  expect(weigh(34.03, 34)).toEqual(['open: Two weighings still differ by 30 mg; they agree within 20 mg.'])
  // Agreed, it is over, and nothing is wanted any more.
  expect(weigh(34.02, 34)).toEqual([])
})

describe('a hold', () => {
  const hold = withStep('heat', { holdMin: 30, work: { of: 'heat', lowC: 115, highC: 125 } })
  const held = (plan: typeof hold, temperatures: [number, number][], atMin: number) =>
    finish(
      plan,
      (log, id) => {
        log.add(id, 'press', { mark: 'start' }, minute(0))
        for (const [at, value] of temperatures) log.reading(id, 'temperature', value, 0, minute(at), '°C')
      },
      atMin,
    )
  test('counts the minutes inside its band', () => {
    const { step } = { step: hold.plan.steps.find(({ id }) => id === hold.id)! }
    expect(step.kind).toBe('hold')
    expect(
      held(
        hold,
        [
          [0, 120],
          [17, 121],
        ],
        20,
      ),
    ).toEqual(['open: About 10 min to go.', 'open: 17 of 30 min inside 115–125 °C, by the readings.'])
    expect(
      held(
        hold,
        [
          [0, 120],
          [30, 121],
        ],
        31,
      ),
    ).toEqual(['good: Its time is up.', 'good: 30 of 30 min inside 115–125 °C, by the readings.'])
    expect(
      held(
        hold,
        [
          [0, 120],
          [10, 130],
        ],
        10,
      )[1],
    ).toBe('doubt: 5 of 30 min inside 115–125 °C, by the readings. It stands above the band.')
    expect(held(hold, [[0, 110]], 1)[1]).toContain('below the band')
    // Both ends belong to the band.
    for (const edge of [115, 125]) expect(held(hold, [[0, edge]], 1)[1]).toMatch(/^open: 0 of 30 min/)
  })
  test('without a band or a reading says its clock alone', () => {
    expect(held(hold, [], 20)).toEqual(['open: About 10 min to go.'])
    expect(held(withStep('heat', { holdMin: 30 }), [[1, 120]], 20)).toEqual(['open: About 10 min to go.'])
  })
})

test('gas that still comes is said where acid and base meet, and where the plan says so', () => {
  const saw = (gas: 'none' | 'some' | 'much') => (log: TestLog, id: string) => log.add(id, 'observation', { text: '', gas })
  expect(finish(withStep('wash'), saw('much'))).toEqual(['open: Gas still comes: vent, and do it once more.'])
  expect(finish(withStep('wash'), saw('none'))).toEqual(['good: No more gas comes.'])
  expect(finish(withStep('quench'), saw('some'))).toEqual(['open: Gas still comes: wait, and go on slowly.'])
  expect(finish(withStep('stir'), saw('some'))).toEqual([])
  expect(finish(withStep('stir', { says: ['gas-comes'] }), saw('some'))).toHaveLength(1)
  expect(finish(withStep('wash'), (log, id) => log.add(id, 'observation', { text: 'clear' }))).toEqual([])
})

test('a pH against its window', () => {
  const set = withStep('set-ph', { work: { of: 'set-ph', lowPH: 1, highPH: 2 } })
  const read = (value: number) => finish(set, (log, id) => log.reading(id, 'pH', value, 1, {}, ''))
  expect(read(2)).toEqual(['good: pH 2.0: within 1.0 to 2.0.'])
  expect(read(2.1)).toEqual(['open: pH 2.1: still above 1.0 to 2.0.'])
  expect(read(1)).toEqual(['good: pH 1.0: within 1.0 to 2.0.'])
  expect(read(0.9)[0]).toContain('still below')
  expect(finish(withStep('set-ph'), (log, id) => log.reading(id, 'pH', 2, 1, {}, ''))).toEqual([])
})

test('hot solvent so far, against what it should take', () => {
  const plan = { plan: acetanilide, id: 'crystallise' }
  const portions = (...each: number[]) =>
    finish(plan, (log, id) => {
      log.add(id, 'ahead', {}, { reason: 'x' })
      for (const portion of each) log.reading(id, 'portion', portion, 0, {}, 'mL')
    })
  expect(portions()).toEqual([])
  expect(portions(20, 28)[0]).toMatch(/^open: 48 mL so far, of about \d+ mL\.$/)
  expect(portions(200)[0]).toMatch(/^doubt: 200 mL so far.*filtered off hot/)
})

test('the head against the window of its fraction, also a widened one', () => {
  const distil = withStep('distil', { work: { of: 'distil', lowC: 135, highC: 143 } })
  const head = (headC: number, widen = false) =>
    finish(distil, (log, id) => {
      if (widen) log.add(id, 'window', { lowC: 130, highC: 150 }, { reason: 'reads low' })
      log.add(id, 'head', { volumeML: 3, volumeDecimals: 1, headC, decimals: 0 })
    })
  expect(head(134)).toEqual(['open: 134 °C at the head: below 135–143 °C, this is forerun.'])
  expect(head(135)).toEqual(['good: 135 °C at the head: inside 135–143 °C, collect.'])
  expect(head(144)[0]).toContain('doubt: 144 °C at the head: above 135–143 °C')
  expect(head(144, true)[0]).toContain('inside 130–150 °C')
})

test('titrations until two in a row agree', () => {
  const titrate = (...ml: number[]) =>
    finish(withStep('titrate'), (log, id) => {
      for (const each of ml) {
        log.reading(id, 'burette before', 0, 2, {}, 'mL')
        log.reading(id, 'burette after', each, 2, {}, 'mL')
      }
    })
  expect(titrate(10)).toEqual([])
  expect(titrate(10, 10.15)).toEqual(['open: No two agree yet: the nearest differ by 0.15 mL.'])
  // As the result takes them: not only two in a row.
  expect(titrate(10, 10.3, 10.05)).toEqual(['good: 2 titrations agree: they differ by 0.05 mL.'])
  expect(titrate(10, 10.1)).toEqual(['good: 2 titrations agree: they differ by 0.10 mL.'])
})

test('a step that is over, or not yet due, says nothing', () => {
  expect(
    finish(withStep('wash'), (log, id) => {
      log.add(id, 'observation', { text: '', gas: 'some' })
      log.done(id)
    }),
  ).toEqual([])
  expect(finish({ plan: acetanilide, id: 'crystallise' }, (log, id) => log.reading(id, 'portion', 20, 0, {}, 'mL'))).toEqual([])
})

test('how a sample looks is asked for where the plan wants it told, until it is', () => {
  const plan = { ...acetanilide, wants: [{ quantity: 'appearance', sample: 'crude' }] }
  const weigh = plan.steps.find((step) => step.kind === 'weigh')!.id
  const asks = (seen: boolean, of: Plan = plan) =>
    finish({ plan: of, id: weigh }, (log, id) => {
      log.add(id, 'ahead', {}, { reason: 'x' })
      if (seen) log.add(id, 'observation', { text: 'grey powder' })
    })
  expect(asks(false)).toEqual([expect.stringContaining('open: Write what we see, too')])
  expect(asks(true)).toEqual([])
  expect(asks(false, acetanilide)).toEqual([])
  expect(asks(false, { ...plan, wants: [{ quantity: 'appearance', sample: 'purified' }] })).toEqual([])
  // It stands among the results, in the words of the group.
  const log = new TestLog()
  expect(runResults(foldRun(plan, 1, log.entries)).outcomes).toEqual([])
  const entry = log.add(weigh, 'observation', { text: 'a little tar', colour: 'grey' })
  expect(runResults(foldRun(plan, 1, log.entries)).outcomes).toMatchObject([
    { quantity: 'appearance', sample: 'crude', text: 'grey: a little tar', evidence: [entry.id] },
  ])
  expect(runResults(foldRun(acetanilide, 1, log.entries)).outcomes).toEqual([])
})
