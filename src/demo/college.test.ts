import { runResults } from '@/core/result/runResults'
import { checkPlan } from '@/core/format/planFile'
import { queriesOf } from '@/core/query/queries'
import { entrySchema } from '@/core/run/entrySchema'
import { foldRun } from '@/core/run/foldRun'
import { college } from './college'

const at = new Date(2026, 10, 23, 15, 0)
const made = college(at, 'UTC')
const results = (session: number) =>
  made.sessions[session]!.runs.map((run) => {
    const { plan } = made.preparations.find(({ revision }) => revision === made.sessions[session]!.revision)!
    const state = foldRun(plan, run.scale, run.entries)
    return { state, results: runResults(state) }
  })

describe('the made-up college', () => {
  test('is the same each time for the same moment, and its people and figures for the same day', () => {
    expect(college(at, 'UTC')).toEqual(made)
    const later = college(new Date(2026, 10, 23, 17, 0), 'UTC')
    expect(later.people).toEqual(made.people)
    expect(later.sessions[0]).toEqual(made.sessions[0])
    expect(
      later.sessions[1]!.runs.map(({ entries }) => entries.map(({ body }) => JSON.stringify(body).replace(/"covers".*/, ''))),
    ).toEqual(
      made.sessions[1]!.runs.map(({ entries }) => entries.map(({ body }) => JSON.stringify(body).replace(/"covers".*/, ''))),
    )
  })

  test('one course, two sections, sixteen groups, three sessions: over, on now, next week', () => {
    expect(made.sections.flatMap(({ groups }) => groups)).toHaveLength(16)
    const [over, now, next] = made.sessions
    expect(over!.endsAt.getTime()).toBeLessThan(at.getTime())
    expect([now!.startsAt <= at, now!.endsAt > at]).toEqual([true, true])
    expect(next!.startsAt.getTime() - at.getTime()).toBeGreaterThan(6 * 86_400_000)
  })

  test('its plans are sound and raise no query', () => {
    for (const { plan } of made.preparations) {
      expect(() => checkPlan(plan)).not.toThrow()
      expect(queriesOf(plan).filter(({ answer }) => answer === undefined)).toEqual([])
    }
  })

  test('every entry would be accepted from a tablet, and none lies ahead of its time', () => {
    for (const { runs } of made.sessions) {
      for (const entry of runs.flatMap(({ entries }) => entries)) {
        expect(() => entrySchema(entry)).not.toThrow()
        expect(Date.parse(entry.at)).toBeLessThanOrEqual(at.getTime())
      }
    }
  })

  test('last week: a believable spread, one wet above 100 %, one with four times the water, one short of anhydride', () => {
    const runs = results(0)
    expect(runs.every(({ state }) => state.now === state.steps.length)).toBe(true)
    const percent = runs.map(({ results: { result: found } }) => Math.round(100 * found!.figure.value))
    expect(percent).toEqual([75, 79, 107, 71, 34, 71, 76, 68])
    expect(runs[2]!.results.judgement.level).toBe('danger')
    expect(runs[4]!.results.judgement.words).toMatch(/mother liquor/)
    expect(runs.map(({ results: { limitingChanged } }) => limitingChanged)).toEqual([
      false,
      false,
      false,
      false,
      false,
      false,
      true,
      false,
    ])
    expect(runs[1]!.state.steps.some(({ struck }) => struck.length > 0)).toBe(true)
  })

  test('today: benches at various steps, one waiting for a signature, one with a void one, one odd, clocks running', () => {
    const runs = results(1).map(({ state }) => state)
    expect(new Set(runs.map(({ now }) => now)).size).toBeGreaterThanOrEqual(6)
    const signatures = runs.map(({ steps }) => steps.find(({ step }) => step.id === 'charge-aniline')!.signature.state)
    expect(signatures[1]).toBe('due')
    expect(signatures[3]).toBe('void')
    expect(runs[5]!.odd).toHaveLength(1)
    expect(runs.flatMap(({ clocks }) => clocks).length).toBeGreaterThanOrEqual(3)
  })

  test('started just after midnight, today’s session is still on and nothing lies ahead', () => {
    const early = new Date(2026, 10, 23, 0, 10)
    const today = college(early, 'UTC').sessions[1]!
    expect([today.startsAt <= early, today.endsAt > early]).toEqual([true, true])
    for (const entry of today.runs.flatMap(({ entries }) => entries))
      expect(Date.parse(entry.at)).toBeLessThanOrEqual(early.getTime())
  })

  test('bench codes are unique and unmistakable', () => {
    const codes = made.sessions.flatMap(({ runs }) => runs.map(({ code }) => code))
    expect(new Set(codes).size).toBe(24)
    for (const code of codes) expect(code).toMatch(/^[2-9A-HJ-NP-Z]{6}$/)
  })
})
