/** Every blank of the planners turned through its values: what follows is what followed on the day this file was written. A difference is a mended fault, or a mistake. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { planners } from '@/core/operations/planners'
import { edgesOf, places, sweep } from './sweeps'

const file = path.join(__dirname, 'sweeps.txt')
/** What stands under each head of the file. */
const kept = new Map(
  (existsSync(file) ? readFileSync(file, 'utf8') : '')
    .split(/^# /m)
    .slice(1)
    .map((part) => part.trimEnd().split('\n'))
    .map(([head, ...lines]) => [head!, lines]),
)

// Run with MOZLE_FIGURES=write after a change that is meant, and look at what the difference says.
const writes = process.env.MOZLE_FIGURES === 'write'
const found: string[] = []
afterAll(() => {
  if (writes) writeFileSync(file, `${found.join('\n')}\n`)
})

test.each(places().map((place) => [place.name, place] as const))('%s', (name, place) => {
  // Looking for the edges takes long, so that it is only done while writing; the file says where they are.
  const known = (key: string) =>
    (kept.get(name) ?? []).flatMap((line) =>
      line.startsWith(`${key} `) ? [Number(line.slice(key.length, line.indexOf(':')))] : [],
    )
  const lines = sweep(place, (field) => (writes ? edgesOf(place, field) : known(field.key)))
  found.push(`# ${name}`, ...lines)
  if (!writes) expect(lines).toEqual(kept.get(name))
})

test('every planner is turned', () => {
  expect(new Set(places().map(({ name }) => name.split(' ')[0]))).toEqual(new Set(Object.keys(planners)))
  expect([...kept.keys()]).toEqual(places().map(({ name }) => name))
})
