/** How far a bench is behind its plan. */
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { addStep } from '../edit/addStep'
import { changeStep } from '../plan/editPlan'
import { behindMin } from './behind'
import { foldRun } from './foldRun'

const startsAt = '2026-11-17T13:00:00.000Z'
const [first, second] = acetanilide.steps as [(typeof acetanilide.steps)[0], (typeof acetanilide.steps)[0]]
const usual = [first, second].reduce((sum, { handsOnMin, waitMin }) => sum + handsOnMin + waitMin, 0)
const at = (minutes: number) => Date.parse(startsAt) + minutes * 60_000

/** The first entry of a test log is a minute after one o’clock. */
const begun = () => {
  const log = new TestLog()
  log.done(first.id)
  return foldRun(acetanilide, 1, log.entries)
}

test('counts from when it began, and says nothing below a quarter of an hour', () => {
  const run = begun()
  expect(behindMin(run, startsAt, at(1 + usual + 14.9))).toBeNull()
  expect(behindMin(run, startsAt, at(1 + usual + 15))).toBe(15)
  expect(behindMin(run, startsAt, at(1 + usual + 40.4))).toBe(40)
  // A session that began later than its first entry counts from its own hour.
  expect(behindMin(run, new Date(at(30)).toISOString(), at(1 + usual + 40))).toBeNull()
})

test('a bench that has not begun, or is done, is not behind', () => {
  expect(behindMin(foldRun(acetanilide, 1, []), startsAt, at(300))).toBeNull()
  const log = new TestLog()
  for (const { id } of acetanilide.steps) log.add(id, 'skip', {}, { reason: 'x' })
  const done = foldRun(acetanilide, 1, log.entries)
  expect(behindMin(done, startsAt, at(3000))).toBeNull()
})

test('what was left out, and what the group has put in, was not planned', () => {
  const log = new TestLog()
  log.add(first.id, 'skip', {}, { reason: 'x' })
  log.add(first.id, 'step', { title: 'More' })
  const run = foldRun(acetanilide, 1, log.entries)
  expect(behindMin(run, startsAt, at(1 + 16))).toBe(16)
})

test('a pause that ends a day begins the count anew', () => {
  const made = addStep(acetanilide, 'pause', first.id)
  const plan = changeStep(made.plan, made.id, { endsDay: true })
  const log = new TestLog()
  log.done(first.id)
  log.done(made.id)
  const next = '2026-11-18T13:00:00.000Z'
  expect(behindMin(foldRun(plan, 1, log.entries), next, Date.parse(next) + 60 * 60_000)).toBeNull()
  log.add(second.id, 'observation', { text: 'x' }, { at: next })
  const late = second.handsOnMin + second.waitMin + 20
  expect(behindMin(foldRun(plan, 1, log.entries), next, Date.parse(next) + late * 60_000)).toBe(20)
})
