import fc from 'fast-check'
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import type { Entry } from './entry'
import { foldRun } from './foldRun'
import { inOrder } from './order'

const hourMs = 3_600_000
/** Ids as devices make them: the time of the device's own clock, then a count. */
function idAt(ms: number, count: number): string {
  const digits = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'
  let [left, text] = [ms, '']
  for (let index = 0; index < 10; index++) {
    text = digits[left % 32] + text
    left = Math.floor(left / 32)
  }
  return `${text}${String(count).padStart(16, '0')}`
}
const start = Date.UTC(2026, 10, 17, 13)
const done = (id: string, more: Partial<Entry> = {}) => ({ ...new TestLog().done('safety'), ...more, id }) as Entry

test('a tablet an hour ahead does not decide: what was seen before what does, and the net mass stays 2.000 g', () => {
  const log = new TestLog()
  const weighed = log.difference('charge-aniline', 25.0, 22.0)
  // The first tablet is an hour ahead; the second sees its readings and writes the empty vial once more.
  const first = weighed.map((entry, index) => ({ ...entry, id: idAt(start + hourMs + index, index) }))
  const second = { ...log.difference('charge-aniline', 25.0, 23.0)[1]!, id: idAt(start + 60_000, 9) }
  const net = (entries: Entry[]) =>
    foldRun(acetanilide, 1, entries).steps.find(({ step }) => step.id === 'charge-aniline')!.net!.figure.value
  // By the clocks alone the reading of the second would come before, and 3 g would stand.
  expect(net([...first, second])).toBeCloseTo(3.0, 9)
  expect(net([...first, { ...second, seen: first[1]!.id }])).toBeCloseTo(2.0, 9)
  expect(net([...first.map((entry) => ({ ...entry, clockMs: hourMs })), second])).toBeCloseTo(2.0, 9)
})

test('entries of a log from before name nothing and keep the order of their ids', () => {
  const log = new TestLog()
  for (let index = 0; index < 20; index++) log.reading('dry', 'full', 30 + index)
  expect(inOrder([...log.entries].reverse())).toEqual(log.entries)
})

test('a circle of entries that name each other loses none', () => {
  const [a, b, c] = [idAt(start, 1), idAt(start + 1, 2), idAt(start + 2, 3)]
  expect(inOrder([done(a, { seen: b }), done(b, { seen: a }), done(c)]).map(({ id }) => id)).toEqual([c, a, b])
})

test('any log: each entry once, after what it had seen, whatever the order of arrival', () => {
  const logs = fc.array(
    fc.record({ at: fc.integer({ min: 0, max: 50 }), seen: fc.option(fc.nat(30)), off: fc.integer({ min: -9, max: 9 }) }),
    {
      maxLength: 30,
    },
  )
  fc.assert(
    fc.property(logs, fc.integer(), (parts, seed) => {
      const entries = parts.map(({ at, seen, off }, index) => {
        const named = seen !== null && seen < index ? seen : undefined
        const own = idAt(start + at * 1000, index)
        return done(own, {
          clockMs: off * 1000,
          ...(named === undefined ? {} : { seen: idAt(start + parts[named]!.at * 1000, named) }),
        })
      })
      const ordered = inOrder(entries)
      expect(ordered.map(({ id }) => id).sort()).toEqual(entries.map(({ id }) => id).sort())
      const place = new Map(ordered.map(({ id }, index) => [id, index]))
      for (const { id, seen } of entries) if (seen !== undefined) expect(place.get(seen)!).toBeLessThan(place.get(id)!)
      const shuffled = [...entries].sort((a, b) => ((a.id.charCodeAt(9) * seed) % 7) - ((b.id.charCodeAt(9) * seed) % 7))
      expect(inOrder(shuffled)).toEqual(ordered)
    }),
  )
})
