import { often } from '@/test-support/often'
import { acetanilide } from '@/test-support/plans'
import { asWritten, otherOrders } from './orders'
import { outlook } from './outlook'
import { tasksOf } from './tasksOf'
import { willNotFinish } from './willFinish'

/** Without what its author has said about spans and safe stops. */
const steps = acetanilide.steps.map((step) => {
  const { safeStop: _stop, minutes: _minutes, ...plain } = step
  return plain as typeof step
})
const stations = [
  { name: 'balance', count: 2 },
  { name: 'melting-point apparatus', count: 1 },
  { name: 'signature', count: 1 },
]
const orders = [asWritten(steps), ...otherOrders(steps)].map((order) => tasksOf(steps, order, { stations }))
const told = Array.from({ length: 12 }, () => ({ startMin: 0, order: 0 }))
const asked = { stations, orders, told, closesMin: 240, together: 0.4, steps: ['reflux'], classes: often(20, 150) }

test('twelve groups at one apparatus: it holds the class up, and a second one helps most', () => {
  const found = outlook(asked)
  expect(found.bestMin).toBeGreaterThanOrEqual(found.bound.minutes)
  expect(stations[found.more[0]!.station]!.name).toBe('melting-point apparatus')
  expect(found.more[0]!.lastMin).toBeLessThan(found.simulated.last.usual)
  expect(found.simulated.steps.reflux!.toEndMin).toBeGreaterThan(100)
})

test('the same question has the same answer, and a broken apparatus a worse one', () => {
  const once = outlook(asked)
  expect(outlook(asked)).toEqual(once)
  const two = outlook({ ...asked, stations: stations.map((each) => ({ ...each, count: 2 })) })
  expect(two.simulated.last.usual).toBeLessThan(once.simulated.last.usual)
})

test('what is offered is better than what is written, in its end or in its queues', () => {
  const { offers, now } = outlook(asked)
  expect(offers.length).toBeGreaterThan(0)
  for (const offer of offers)
    expect(offer.lastMin < now.lastMin || offer.queuedMin < now.queuedMin || offer.allDone > now.allDone).toBe(true)
  expect(offers.find(({ free }) => free === 'orders')?.told.some(({ order }) => order > 0)).not.toBe(false)
})

test('what is offered is what stands there once it is taken: the same classes are played before and after', () => {
  const few = { ...asked, told: told.slice(0, 8), classes: 30 }
  const before = outlook(few)
  for (const { told, free: _free, ...promised } of before.offers.slice(0, 1))
    expect(outlook({ ...few, told }).now).toEqual(promised)
  expect(before.more.length).toBeGreaterThan(0)
  for (const { station, ...promised } of before.more.slice(0, 1)) {
    const with1 = stations.map((each, at) => (at === station ? { ...each, count: each.count + 1 } : each))
    expect(outlook({ ...few, stations: with1 }).now).toEqual(promised)
    expect(promised.lastMin <= before.now.lastMin || promised.allDone > before.now.allDone).toBe(true)
  }
})

test('in nine classes of ten every group that begins by the last moment is done: beside it no class in ten may fail', () => {
  const { simulated } = outlook({ ...asked, closesMin: 10_000 })
  // All begin the heat long before the last moment of so long a session, and all end.
  expect(10_000 - simulated.steps.reflux!.toEndMin).toBeGreaterThan(simulated.last.high)
  expect(simulated.allDone).toBe(1)
  // No group needs longer from the heat to its end than the class that ends last takes from its beginning.
  expect(simulated.steps.reflux!.toEndMin).toBeLessThanOrEqual(simulated.last.high)
})

test('progress runs to its end', () => {
  const told: number[] = []
  outlook(asked, (share) => told.push(share))
  expect(told.at(-1)).toBe(1)
  expect(told).toEqual(told.toSorted((a, b) => a - b))
})

describe('a group on the day', () => {
  const from = (id: string) => steps.slice(steps.findIndex((step) => step.id === id))
  const stop = (id: string) =>
    from('filter').map((step) => (step.id === id ? { ...step, safeStop: { meanwhile: 'damp in a labelled dish' } } : step))
  // Filter 10, weigh 5, crystallise 30, cool 11, filter 10, dry 33, melt 15, dispose 8: 122 min.
  const now = { nowMin: 100, into: 0 }

  test('it fits to the minute, and not a minute later', () => {
    expect(willNotFinish(from('filter'), { ...now, closesMin: 252 })).toBeNull()
    expect(willNotFinish(from('filter'), { ...now, closesMin: 221 })).toMatchObject({ level: 'late', doneMin: 222, lateMin: 1 })
  })

  test('what it has spent in a step is taken off, never below a minute', () => {
    expect(willNotFinish(from('filter'), { nowMin: 100, into: 6, closesMin: 200 })!.doneMin).toBe(216)
    expect(willNotFinish(from('filter'), { nowMin: 100, into: 60, closesMin: 200 })!.doneMin).toBe(213)
  })

  test('where it can stop in time, and what can be left for another day', () => {
    const found = willNotFinish(stop('weigh-crude'), { ...now, closesMin: 150 })!
    expect(found.stops).toEqual([{ step: 'weigh-crude', atMin: 115, meanwhile: 'damp in a labelled dish' }])
    expect(found.leaveOut).toEqual([{ step: 'melt', minutes: 15 }])
    expect(willNotFinish(stop('weigh-crude'), { ...now, closesMin: 114 })!.stops).toEqual([])
  })

  test('where it hardly fits it is said half an hour before nothing can be changed any more', () => {
    // Done at 222: less than ten minutes to spare at 231, and without the melting it is done at 207, half an hour before 237.
    expect(willNotFinish(from('filter'), { ...now, closesMin: 231 })).toMatchObject({ level: 'tight', lateMin: 0 })
    expect(willNotFinish(from('filter'), { ...now, closesMin: 232 })).toBeNull()
    // With a stop at 115 there is time enough to change something: nothing is said yet.
    expect(willNotFinish(stop('weigh-crude'), { ...now, closesMin: 231 })).toBeNull()
  })

  test('who is done is done', () => expect(willNotFinish([], { ...now, closesMin: 90 })).toBeNull())
})
