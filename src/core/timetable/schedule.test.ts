import { often } from '@/test-support/often'
import { instanceOf, instanceSeeds } from '@/test-support/timetableInstances'
import fc from 'fast-check'
import { median } from '../quantity/median'
import { repeatable } from '../quantity/repeatable'
import { lowerBound } from './bound'
import { compiled, usualMinutes } from './compiled'
import { Player, slotsOf } from './play'
import { bestTimetable } from './search'
import { comesTo, settle } from './settle'
import { exactly, type Slot, type Station, type Task, type Work } from './work'

const task = (hands: number, station: number | null = null, more: { wait?: number; beside?: true } = {}): Task => ({
  step: 's',
  hands: exactly(hands),
  wait: exactly(more.wait ?? 0),
  station,
  ...(more.beside ? { beside: true } : {}),
})
const classOf = (groups: number, tasks: readonly Task[], ...counts: number[]): Work => ({
  stations: counts.map((count, index) => ({ name: `station ${index}`, count })),
  groups: Array.from({ length: groups }, () => ({ tasks, startMin: 0 })),
})
const played = (work: Work, rank?: number[]): Slot[] => {
  const flat = compiled(work)
  const player = new Player(flat)
  return slotsOf(flat, player.play(usualMinutes(flat.hands), usualMinutes(flat.wait), rank && Float64Array.from(rank)))
}
const last = (work: Work) => Math.max(...played(work).map(({ end }) => end))

describe('a class that is played', () => {
  test('three groups at one balance stand in a queue, the lower bench first', () => {
    // 5 min alone, 4 at the balance, 3 alone: at the balance from 5, 9 and 13; ended 12, 16 and 20.
    const slots = played(classOf(3, [task(5), task(4, 0), task(3)], 1))
    expect(slots.filter((slot) => slot.task === 1).map(({ ready, begin }) => [ready, begin])).toEqual([
      [5, 5],
      [5, 9],
      [5, 13],
    ])
    expect(slots.filter((slot) => slot.task === 2).map(({ end }) => end)).toEqual([12, 16, 20])
  })

  test('two balances: the third waits for the first that is free', () => {
    expect(last(classOf(3, [task(5), task(4, 0), task(3)], 2))).toBe(16)
  })

  test('a rank goes before who came first', () => {
    const slots = played(classOf(2, [task(4, 0)], 1), [0, 1])
    expect(slots.map(({ begin }) => begin)).toEqual([4, 0])
  })

  test('what stands beside a waiting is done meanwhile, and what follows waits for both', () => {
    // 2 min, then 10 by itself; beside it 4: free at 6, the next from 12.
    const meanwhile = played(classOf(1, [task(2, null, { wait: 10 }), task(4, null, { beside: true }), task(1)]))
    expect(meanwhile.map(({ begin, end }) => [begin, end])).toEqual([
      [0, 12],
      [2, 6],
      [12, 13],
    ])
    // Beside it 15: the next from 17.
    const longer = played(classOf(1, [task(2, null, { wait: 10 }), task(15, null, { beside: true }), task(1)]))
    expect(longer[2]!.begin).toBe(17)
  })

  test('a station is held while its task waits', () => {
    expect(last(classOf(2, [task(2, 0, { wait: 10 })], 1))).toBe(24)
  })

  test('a later start is kept', () => {
    const work = classOf(2, [task(5, 0)], 1)
    const later = { ...work, groups: work.groups.map((group, index) => ({ ...group, startMin: index * 20 })) }
    expect(played(later).map(({ begin }) => begin)).toEqual([0, 20])
  })
})

const anyWork = fc
  .record({
    groups: fc.integer({ min: 1, max: 9 }),
    counts: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 1, maxLength: 3 }),
    tasks: fc.array(
      fc.record({
        hands: fc.integer({ min: 0, max: 20 }),
        wait: fc.integer({ min: 0, max: 20 }),
        at: fc.integer({ min: -2, max: 2 }),
        beside: fc.boolean(),
      }),
      { minLength: 1, maxLength: 9 },
    ),
  })
  .map(({ groups, counts, tasks }) =>
    classOf(
      groups,
      tasks.map(({ hands, wait, at, beside }, index) =>
        task(hands, at < 0 || at >= counts.length ? null : at, { wait, ...(beside && index > 0 ? { beside: true } : {}) }),
      ),
      ...counts,
    ),
  )

describe('whatever the class', () => {
  test('no station serves more than there are of it, no order is broken, and nobody is served before being there', () => {
    fc.assert(
      fc.property(anyWork, (work) => {
        for (const { slots } of [{ slots: played(work) }, bestTimetable(work, repeatable(1))]) {
          const at = ({ group, task: index }: Slot) => work.groups[group]!.tasks[index]!
          work.stations.forEach(({ count }, station) => {
            const here = slots.filter((slot) => at(slot).station === station && slot.end > slot.begin)
            for (const one of here)
              expect(here.filter(({ begin, end }) => begin <= one.begin && one.begin < end).length).toBeLessThanOrEqual(count)
          })
          for (const slot of slots) {
            expect(slot.begin).toBeGreaterThanOrEqual(slot.ready)
            const before = slots.filter((other) => other.group === slot.group && other.task < slot.task)
            if (at(slot).beside) expect(slot.begin).toBeGreaterThanOrEqual(before.at(-1)!.free)
            else for (const other of before) expect(slot.begin).toBeGreaterThanOrEqual(other.end)
          }
        }
      }),
      { numRuns: 25 },
    )
  })

  test('nothing that is found ends before the bound, and it is never later than who comes first goes first', () => {
    fc.assert(
      fc.property(anyWork, (work) => {
        const { minutes, bound } = bestTimetable(work, repeatable(1))
        expect(minutes).toBeGreaterThanOrEqual(bound.minutes - 1e-6)
        expect(minutes).toBeLessThanOrEqual(last(work))
      }),
      { numRuns: 25 },
    )
  })
})

describe('the bound by hand', () => {
  test('one group alone: 2 + 10 + 1, what stands beside takes no more', () => {
    const work = classOf(1, [task(2, null, { wait: 10 }), task(4, null, { beside: true }), task(1)])
    expect(lowerBound(work)).toEqual({ minutes: 13, by: { group: 0 } })
  })

  test('a long task beside a waiting counts: 2 + 15 + 1', () => {
    expect(lowerBound(classOf(1, [task(2, null, { wait: 10 }), task(15, null, { beside: true }), task(1)])).minutes).toBe(18)
  })

  test('five groups at two balances: one serves three of them, 5 + 3 × 4 + 3', () => {
    expect(lowerBound(classOf(5, [task(5), task(4, 0), task(3)], 2))).toEqual({ minutes: 20, by: { station: 0 } })
  })

  test('two visits each: (2 × 0 + 4 × (6 + 2) + 2 × 0)/2 where nothing is before or after them', () => {
    expect(lowerBound(classOf(4, [task(6, 0), task(2, 0)], 2)).minutes).toBe(16)
  })

  test('what comes after a visit counts along its longest way, through what stands beside a waiting: 2 × 4 + 2 + 15 + 1', () => {
    const tasks = [task(4, 0), task(2, null, { wait: 10 }), task(15, null, { beside: true }), task(1)]
    expect(lowerBound(classOf(2, tasks, 1))).toEqual({ minutes: 26, by: { station: 0 } })
  })

  test('more of a station than visits to it: the longest way through', () => {
    expect(lowerBound(classOf(2, [task(5), task(4, 0), task(3)], 3)).minutes).toBe(12)
  })
})

/** Classes whose best is known: the bound is met, and by the proof of the bound nothing ends before it; the last by Johnson's rule for two machines. */
const known: [string, Work, number][] = [
  ['one apparatus for eight', classOf(8, [task(30), task(10, 0), task(5)], 1), 30 + 80 + 5],
  ['three apparatus for eight', classOf(8, [task(30), task(10, 0), task(5)], 3), 30 + 30 + 5],
  ['two stations in a row, the second slower', classOf(6, [task(4, 0), task(7, 1)], 1, 1), 4 + 6 * 7],
  ['a balance that is needed twice: the fourth begins at 15', classOf(4, [task(5, 0), task(40), task(5, 0)], 1), 65],
  [
    'five different groups at two machines (S. M. Johnson, Naval Res. Logist. Q. 1 (1954) 61): 3-6, 5-2, 1-2, 6-6, 7-5 end at 24',
    {
      stations: [
        { name: 'first', count: 1 },
        { name: 'second', count: 1 },
      ],
      groups: [
        [3, 6],
        [5, 2],
        [1, 2],
        [6, 6],
        [7, 5],
      ].map(([first, second]) => ({ startMin: 0, tasks: [task(first!, 0), task(second!, 1)] })),
    },
    24,
  ],
]

test.each(known)('the best is found: %s', (_words, work, minutes) => {
  expect(bestTimetable(work, repeatable(1)).minutes).toBe(minutes)
})

test.each(known)('with one station more it is never later: %s', (_words, work, minutes) => {
  work.stations.forEach((_station, index) => {
    const stations: Station[] = work.stations.map((each, at) => ({ ...each, count: each.count + (at === index ? 1 : 0) }))
    expect(bestTimetable({ ...work, stations }, repeatable(1)).minutes).toBeLessThanOrEqual(minutes)
  })
})

test('the classes of the measure: half of them within 3 % of the bound, none that ends before it', () => {
  const gaps = instanceSeeds.slice(0, often(5, 30)).map((seed) => {
    const { minutes, bound } = bestTimetable(instanceOf(seed), repeatable(seed))
    return minutes / bound.minutes - 1
  })
  expect(Math.min(...gaps)).toBeGreaterThanOrEqual(-1e-9)
  expect(median(gaps)).toBeLessThan(0.005)
  expect(Math.max(...gaps)).toBeLessThan(0.03)
})

describe('what the groups are told', () => {
  const stations: Station[] = [{ name: 'apparatus', count: 1 }]
  // 10 min, 20 by itself, 10 at the apparatus; or at the apparatus before, while it waits.
  const written = [task(10, null, { wait: 20 }), task(10, 0)]
  const other = [task(10, null, { wait: 20 }), task(10, 0, { beside: true })]

  test('all alike: the last of four at 30 + 40', () => {
    expect(comesTo({ stations, orders: [written] }, Array(4).fill({ startMin: 0, order: 0 }))).toMatchObject({
      lastMin: 70,
      queuedMin: 10 + 20 + 30,
    })
  })

  test('another order for some of them ends earlier: two while they wait, two after it', () => {
    const found = settle({ stations, orders: [written, other], groups: 4 }, 'orders', repeatable(1))
    expect(found.lastMin).toBe(50)
    expect(found.told.every(({ startMin }) => startMin === 0)).toBe(true)
  })

  test('staggered starts take the queue away without a later end', () => {
    const found = settle({ stations, orders: [written], groups: 4 }, 'starts', repeatable(1))
    expect(found.lastMin).toBeLessThanOrEqual(70)
    expect(found.queuedMin).toBe(0)
    expect(found.told.map(({ startMin }) => startMin).toSorted((a, b) => a - b)).toEqual([0, 10, 20, 30])
  })

  test('groups at another scale have minutes of their own', () => {
    const slower = [task(10, null, { wait: 60 }), task(10, 0)]
    const open = { stations, orders: [written], others: [[slower]], kinds: [0, 1] }
    const all = Array.from({ length: 2 }, () => ({ startMin: 0, order: 0 }))
    // 10 + 20 + 10, and 10 + 60 + 10: nobody waits for the other.
    expect(comesTo(open, all)).toMatchObject({ lastMin: 80, queuedMin: 0 })
    expect(comesTo({ ...open, kinds: [0, 0] }, all)).toMatchObject({ lastMin: 50, queuedMin: 10 })
  })

  test('it is never worse than what is written', () => {
    fc.assert(
      fc.property(anyWork, (work) => {
        const asked = { stations: work.stations, orders: [work.groups[0]!.tasks], groups: work.groups.length }
        const plain = comesTo(asked, Array(asked.groups).fill({ startMin: 0, order: 0 }))
        const found = settle(asked, 'both', repeatable(2))
        expect(found.lastMin + 0.02 * found.queuedMin).toBeLessThanOrEqual(plain.lastMin + 0.02 * plain.queuedMin)
      }),
      { numRuns: 8 },
    )
  })
})
