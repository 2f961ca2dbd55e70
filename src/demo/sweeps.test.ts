/** Every blank of the planners turned through its values: what follows is what followed on the day this file was written. A difference is a mended fault, or a mistake. */
import path from 'node:path'
import { planners } from '@/core/operations/planners'
import { Kept, writesFigures } from '@/test-support/kept'
import { places } from './places'
import { edgesOf, sweep } from './sweeps'

const kept = new Kept(path.join(__dirname, 'sweeps.txt'))
afterAll(() => kept.write())

test.each(places().map((place) => [place.name, place] as const))('%s', (name, place) => {
  // Looking for the edges takes long, so that it is only done while writing; the file says where they are.
  const known = (key: string) =>
    kept.under(name).flatMap((line) => (line.startsWith(`${key} `) ? [Number(line.slice(key.length, line.indexOf(':')))] : []))
  const lines = sweep(place, (field) => (writesFigures ? edgesOf(place, field) : known(field.key)))
  kept.holds(name, lines)
})

test('every planner is turned', () => {
  expect(new Set(places().map(({ name }) => name.split(' ')[0]))).toEqual(new Set(Object.keys(planners)))
  expect(kept.heads).toEqual(places().map(({ name }) => name))
})
