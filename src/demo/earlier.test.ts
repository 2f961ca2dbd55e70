import { traceKinds } from '@/core/traces/trace'
import { classResults } from '@/core/classroom/classResults'
import { entrySchema } from '@/core/run/entrySchema'
import { problemInRun } from '@/core/run/fitsStep'
import { foldRun } from '@/core/run/foldRun'
import { readTrace } from '@/core/traces/readTrace'
import { college } from './college'
import { heldBefore } from './earlier'

const at = new Date(2026, 10, 23, 15, 0)
const made = college(at, 'UTC')
const held = heldBefore(made, at)
const planOf = (revision: string) => made.preparations.find((each) => each.revision === revision)!.plan
const resultsOf = (title: string, nth = 0) => {
  const session = held.sessions.filter(({ revision }) => planOf(revision).title === title)[nth]!
  return classResults(planOf(session.revision), session.runs)
}

describe('what the college has held before', () => {
  test('is the same each time for the same day', () => expect(heldBefore(made, at)).toEqual(held))

  test('every entry would have been taken, from a bench or from staff, and every run came to its end', () => {
    for (const { runs, revision, startsAt } of held.sessions)
      for (const { entries, scale } of runs) {
        const plan = planOf(revision)
        entries.forEach((entry, index) => {
          expect(() => entrySchema(entry)).not.toThrow()
          expect(problemInRun(entry, plan, entries.slice(0, index), entry.kind === 'signature' ? 'staff' : 'bench')).toBeNull()
          expect(Date.parse(entry.at)).toBeGreaterThanOrEqual(startsAt.getTime())
        })
        const run = foldRun(plan, scale, entries)
        expect(run.now).toBe(run.steps.length)
      }
  })

  test('every kind of result has a class, with a failure to learn from', () => {
    const kinds = new Set(
      held.sessions.flatMap(({ revision, runs }) =>
        classResults(planOf(revision), runs).rows.flatMap(({ outcomes }) => outcomes.map(({ quantity }) => quantity)),
      ),
    )
    for (const kind of ['yield', 'recovery', 'melting range', 'boiling range', 'refractive index', 'test', 'mass balance'])
      expect(kinds).toContain(kind)
    for (const { revision, runs } of held.sessions) {
      const { rows } = classResults(planOf(revision), runs)
      const good = rows.filter(({ judgement }) => judgement.level === 'good').length
      expect([planOf(revision).title, good >= 3]).toEqual([planOf(revision).title, true])
    }
    expect(
      resultsOf('Isopentyl acetate').rows[4]!.outcomes.find(({ quantity }) => quantity === 'refractive index')!.judgement!.level,
    ).toBe('doubt')
    expect(resultsOf('Acetanilide', 1).rows[5]!.judgement.words).toMatch(/mother liquor/)
  })

  test('every file says that it was simulated and can be read', () => {
    expect(held.files).toHaveLength(12)
    expect(
      new Set(held.files.map(({ content, name }) => (readTrace(content, name) as { value: { kind: string } }).value.kind)),
    ).toEqual(new Set(traceKinds))
    for (const { content, name } of held.files)
      expect(readTrace(content, name)).toMatchObject({ ok: true, value: { simulated: true } })
  })
})
