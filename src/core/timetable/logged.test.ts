import { acetanilide } from '@/test-support/plans'
import { repeatable } from '../quantity/repeatable'
import { asWritten, otherOrders } from './orders'
import { censoredFit, loggedTimes, usualTogether, type GroupTimes } from './logged'
import { stepMinutes } from './stepMinutes'
import { signingMinutes, stationsOf, tasksOf } from './tasksOf'

/** A step without the spans that its author has said. */
const step = (id: string) => {
  const found = acetanilide.steps.find((each) => each.id === id)!
  const { minutes: _minutes, ...plain } = found
  return plain as typeof found
}
const minute = 60_000
/** A group that ended these steps so many minutes after it began, and was last seen then. */
const group = (ended: Record<string, number>, lastAt = Math.max(...Object.values(ended))): GroupTimes => ({
  beganAt: 0,
  ended: Object.fromEntries(Object.entries(ended).map(([id, at]) => [id, at * minute])),
  lastAt: lastAt * minute,
})

describe('what earlier classes took', () => {
  const steps = [step('dispose'), step('melt')]

  test('who stood in the queue is not slow', () => {
    // All ready at 10; one apparatus; each takes 12 min and they leave it at 22, 34 and 46.
    const groups = [22, 34, 46].map((melt) => group({ dispose: 10, melt }))
    const found = loggedTimes(steps, [{ groups, counts: { 'melting-point apparatus': 1 } }])
    expect(found.steps.melt).toMatchObject({ ended: 3, stopped: 0 })
    expect(found.steps.melt!.median).toBeCloseTo(12, 6)
    // Where nobody has said how many there are, the queue cannot be told from the work.
    expect(loggedTimes(steps, [{ groups, counts: {} }]).steps.melt!.median).toBeCloseTo(Math.cbrt(12 * 24 * 36), 6)
  })

  test('two apparatus: the third begins when the first has gone', () => {
    const groups = [20, 21, 32].map((melt) => group({ dispose: 10, melt }))
    const found = loggedTimes(steps, [{ groups, counts: { 'melting-point apparatus': 2 } }])
    // 10, 11, and 32 − 20 = 12.
    expect(found.steps.melt!.median).toBeCloseTo(Math.cbrt(10 * 11 * 12), 6)
  })

  test('a group that stopped counts as at least', () => {
    const ended = [10, 12, 14, 11].map((dispose) => group({ dispose }))
    const stopped = group({}, 30)
    const without = loggedTimes([steps[0]!], [{ groups: ended, counts: {} }]).steps.dispose!
    const withIt = loggedTimes([steps[0]!], [{ groups: [...ended, stopped], counts: {} }]).steps.dispose!
    expect(without).toMatchObject({ ended: 4, stopped: 0 })
    expect(withIt).toMatchObject({ ended: 4, stopped: 1 })
    expect(withIt.median).toBeGreaterThan(without.median)
    expect(withIt.most).toBeGreaterThan(30)
  })

  test('what went over a night is left out, and one group says nothing', () => {
    expect(loggedTimes([steps[0]!], [{ groups: [group({ dispose: 10 }), group({ dispose: 900 })], counts: {} }]).steps).toEqual(
      {},
    )
  })

  test('how far a slow group is slow in all, from made-up groups', () => {
    const random = repeatable(3)
    const normal = () => Array.from({ length: 12 }, random).reduce((sum, each) => sum + each, -6)
    const many = acetanilide.steps.slice(0, 12)
    const groupsWith = (share: number) =>
      Array.from({ length: 60 }, () => {
        const slow = normal()
        let at = 0
        return group(
          Object.fromEntries(
            many.map(({ id }) => {
              at += 10 * Math.exp(0.3 * (Math.sqrt(share) * slow + Math.sqrt(1 - share) * normal()))
              return [id, at]
            }),
          ),
        )
      })
    for (const share of [0, 0.5]) {
      const { together } = loggedTimes(many, [{ groups: groupsWith(share), counts: {} }])
      expect(Math.abs(together - share)).toBeLessThan(0.15)
    }
    expect(loggedTimes(many, []).together).toBe(usualTogether)
  })
})

describe('a mean of values of which some are only exceeded', () => {
  test('without such values it is their mean and their spread', () => {
    const fit = censoredFit([1, 2, 3, 6].map((log) => ({ log, more: false })))
    expect(fit.mean).toBeCloseTo(3, 6)
    expect(fit.deviation).toBeCloseTo(Math.sqrt(3.5), 6)
  })

  test('of a normal distribution cut at its mean, mean and deviation are found again', () => {
    const random = repeatable(8)
    const values = Array.from({ length: 4_000 }, () => {
      const log = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
      return { log: Math.min(0, log), more: log > 0 }
    })
    const { mean, deviation } = censoredFit(values)
    expect(mean).toBeCloseTo(0, 1)
    expect(deviation).toBeCloseTo(1, 1)
  })

  test('far out in the tail it stays finite', () => {
    const fit = censoredFit([...[1, 1, 1].map((log) => ({ log, more: false })), { log: 3, more: true }])
    expect(fit.mean).toBeGreaterThan(1)
    expect(Number.isFinite(fit.deviation)).toBe(true)
  })
})

describe('the minutes of a step', () => {
  test('from earlier classes where enough groups ended it, parted as the plan parts them', () => {
    const logged = { least: 20, median: 40, most: 80, ended: 4, stopped: 0 }
    // 8 min with the hands and 25 of waiting were planned.
    const minutes = stepMinutes(step('dry'), logged)
    expect(minutes.from).toBe('log')
    expect(minutes.hands.usual).toBeCloseTo((40 * 8) / 33, 9)
    expect(minutes.wait.most).toBeCloseTo((80 * 25) / 33, 9)
    expect(stepMinutes(step('dry'), { ...logged, ended: 3 }).from).toBe('assumed')
  })

  test('from the span of the plan, and from what is assumed where there is none', () => {
    const said = { ...step('melt'), minutes: { handsOn: { least: 9, most: 30 } } }
    expect(stepMinutes(said)).toMatchObject({ from: 'plan', hands: { least: 9, usual: 15, most: 30 } })
    expect(stepMinutes(step('melt'))).toMatchObject({ from: 'assumed', hands: { least: 10.5, usual: 15, most: 24 } })
  })

  test('waiting that somebody must watch is work', () => {
    const distil = { ...step('pour'), kind: 'act', operation: 'distil', verb: 'x', handsOnMin: 25, waitMin: 5 } as const
    expect(stepMinutes(distil)).toMatchObject({ hands: { usual: 30 }, wait: { usual: 0 } })
  })
})

describe('tasks and orders of a plan', () => {
  const stations = stationsOf(acetanilide.steps).map((name) => ({ name, count: 2 }))

  test('what is weighed, dried and melted stands at its station, and a signature follows what is signed', () => {
    expect(stations.map(({ name }) => name)).toEqual(['balance', 'signature', 'oven place', 'melting-point apparatus'])
    const tasks = tasksOf(acetanilide.steps, asWritten(acetanilide.steps), { stations })
    const at = (id: string) => tasks.filter((each) => each.step === id).map((each) => stations[each.station ?? -1]?.name)
    expect(at('charge-zinc')).toEqual(['balance'])
    expect(at('charge-acid')).toEqual([undefined])
    expect(at('dry')).toEqual(['oven place', 'signature'])
    expect(tasks.filter(({ hands }) => hands === signingMinutes)).toHaveLength(
      acetanilide.steps.filter(({ witness }) => witness).length,
    )
  })

  test('an author’s own station goes before that of the operation; one that nobody counted holds nobody up', () => {
    const own = acetanilide.steps.map((each) => (each.id === 'melt' ? { ...each, station: 'the old block' } : each))
    expect(stationsOf(own)).toContain('the old block')
    expect(tasksOf(own, asWritten(own), { stations: [] }).every(({ station }) => station === null)).toBe(true)
  })

  test('it is put away while the product dries; the melting waits for the drying', () => {
    const orders = otherOrders(acetanilide.steps)
    expect(orders.map(({ moved }) => moved)).toEqual([[{ step: 'dispose', during: 'dry' }]])
    const { steps, beside } = orders[0]!
    expect(steps.slice(-3)).toEqual(['dry', 'dispose', 'melt'])
    expect(beside).toEqual(['dispose'])
    // By hand: 8 + 25 of drying with 8 beside it, then 15: eight less than one after the other.
    const length = (order: Parameters<typeof tasksOf>[1]) => tasksOf(acetanilide.steps, order, { stations: [] }).length
    expect(length(orders[0]!)).toBe(length(asWritten(acetanilide.steps)))
  })

  test('a crude sample may be melted later, while its crystals cool', () => {
    const crude = { ...step('melt'), id: 'melt-crude', sample: 'crude' } as const
    const at = acetanilide.steps.findIndex(({ id }) => id === 'weigh-crude')
    const steps = acetanilide.steps.toSpliced(at + 1, 0, crude)
    const moved = otherOrders(steps).flatMap((order) => order.moved)
    expect(moved).toContainEqual({ step: 'melt-crude', during: 'crystallise' })
    expect(moved.some(({ step: id, during }) => id === 'melt-crude' && ['reflux', 'cool'].includes(during))).toBe(false)
  })
})
