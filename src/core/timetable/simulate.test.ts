import { repeatable } from '../quantity/repeatable'
import { simulate } from './simulate'
import { exactly, type Minutes, type Task, type Work } from './work'

const task = (hands: Minutes, station: number | null = null): Task => ({ step: 's', hands, wait: exactly(0), station })
const classOf = (groups: number, tasks: readonly Task[], count = 1): Work => ({
  stations: [{ name: 'apparatus', count }],
  groups: Array.from({ length: groups }, () => ({ tasks, startMin: 0 })),
})
const asked = { classes: 2_000, closesMin: 60, together: 0, random: repeatable(1) }
const spread: Minutes = { least: 20, usual: 30, most: 60 }

test('where nothing varies every class is the same', () => {
  // 10 min alone, then 12 each at the apparatus: they end at 22, 34, 46, 58 and 70; queues of 0, 12, 24, 36 and 48 min.
  const found = simulate(classOf(5, [task(exactly(10)), task(exactly(12), 0)]), { ...asked, steps: ['s'] })
  expect(found.last).toEqual({ low: 70, usual: 70, high: 70 })
  expect(found.allDone).toBe(0)
  expect(found.doneGroups).toBe(4)
  expect(found.groups.map(({ end, doneByClose }) => [end.usual, doneByClose])).toEqual([
    [22, 1],
    [34, 1],
    [46, 1],
    [58, 1],
    [70, 0],
  ])
  // 50 of 60 min in use; from 10 to 20 four stand in the queue, but for the two minutes after nobody left it.
  expect(found.stations[0]!.busy).toBeCloseTo(50 / 60, 9)
  expect(found.stations[0]!.queuedMin).toBeCloseTo(120, 9)
  expect(found.stations[0]!.queue.slice(0, 5)).toEqual([0, 0, 4, 4, (2 * 4 + 3 * 3) / 5])
  expect(found.steps.s).toEqual({ allPast: 1, toEndMin: 70 })
})

test('of the minutes of one task one in twenty is below the least, half below the usual, one in twenty above the most', () => {
  const part = (closesMin: number) => simulate(classOf(1, [task(spread)]), { ...asked, classes: 20_000, closesMin }).allDone
  expect(part(20)).toBeCloseTo(0.05, 2)
  expect(part(30)).toBeCloseTo(0.5, 1)
  expect(part(60)).toBeCloseTo(0.95, 2)
})

test('what comes of many classes comes of many others too, the closer the more', () => {
  const work = classOf(8, [task(spread), task({ least: 4, usual: 6, most: 10 }, 0)])
  const ends = (classes: number) =>
    [1, 2, 3, 4, 5, 6].map((seed) => simulate(work, { ...asked, classes, closesMin: 90, random: repeatable(seed) }).allDone)
  const width = (values: number[]) => Math.max(...values) - Math.min(...values)
  expect(width(ends(1_500))).toBeLessThan(width(ends(60)))
  expect(width(ends(1_500))).toBeLessThan(0.05)
})

test('where a slow group is slow in every task its end is spread wider, and its middle stays', () => {
  const work = classOf(
    1,
    Array.from({ length: 9 }, () => task({ least: 5, usual: 10, most: 20 })),
  )
  const [apart, together] = [0, 0.8].map((share) => simulate(work, { ...asked, together: share, random: repeatable(4) }).last)
  expect(together!.high - together!.low).toBeGreaterThan(1.5 * (apart!.high - apart!.low))
  expect(Math.abs(together!.usual - apart!.usual)).toBeLessThan(6)
})

test('one apparatus more, and more of the classes end in time', () => {
  const work = classOf(8, [task(spread), task({ least: 4, usual: 6, most: 10 }, 0)])
  const with1 = simulate(work, { ...asked, random: repeatable(5) })
  const with2 = simulate(work, { ...asked, random: repeatable(5), counts: Int32Array.of(2) })
  expect(with2.allDone).toBeGreaterThan(with1.allDone + 0.05)
  expect(with2.stations[0]!.queuedMin).toBeLessThan(with1.stations[0]!.queuedMin)
})

test('it says how far it is', () => {
  const told: number[] = []
  simulate(classOf(1, [task(spread)]), { ...asked, classes: 200 }, (share) => told.push(share))
  expect(told).toEqual([0.25, 0.5, 0.75, 1])
})
