import { isopentylAcetate } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { foldRun } from '../run/foldRun'
import { overdue, overdueOrder } from './overdue'

const plan = isopentylAcetate
const at = (step: string) => plan.steps.findIndex(({ id }) => id === step)
const reflux = plan.steps.find(({ kind }) => kind === 'reflux')!
/** Everything before a step is left out, so that the bench is in it. */
const upTo = (step: string) => {
  const log = new TestLog()
  for (const each of plan.steps.slice(0, at(step))) log.add(each.id, 'skip', {}, { reason: 'tried' })
  return log
}
const minutesAfter = (iso: string, minutes: number) => Date.parse(iso) + minutes * 60_000

test('the heat is on without reflux: in time at 20 min, late at 48 and at 21', () => {
  const log = upTo(reflux.id)
  const heat = log.press(reflux.id, 'heat-on')
  const late = (minutes: number) => overdue(foldRun(plan, 1, log.entries), minutesAfter(heat.at, minutes))
  expect(late(5)).toBeNull()
  expect(late(20)).toBeNull()
  expect(late(21)).toEqual({ why: 'heat without reflux', min: 21 })
  expect(late(48)).toEqual({ why: 'heat without reflux', min: 48 })
  // Once it refluxes its clock counts.
  const onset = log.press(reflux.id, 'onset')
  const hold = 'holdMin' in reflux ? reflux.holdMin : 0
  const running = (minutes: number) => overdue(foldRun(plan, 1, log.entries), minutesAfter(onset.at, minutes))
  expect(running(hold - 1)).toBeNull()
  expect(running(hold + 4)).toEqual({ why: 'clock over', min: 4 })
})

test('a step that was begun is late beyond its usual span; one that was not begun, or is done, is not', () => {
  const charge = plan.steps.find(({ kind }) => kind === 'charge')!
  const log = upTo(charge.id)
  const none = (minutes: number) => overdue(foldRun(plan, 1, log.entries), Date.parse('2026-11-17T13:00:00Z') + minutes * 60_000)
  expect(none(600)).toBeNull()
  const first = log.reading(charge.id, 'empty', 20.1)
  const most = Math.ceil(1.6 * charge.handsOnMin)
  const late = (minutes: number) => overdue(foldRun(plan, 1, log.entries), minutesAfter(first.at, minutes))
  expect(late(most)).toBeNull()
  expect(late(most + 1)).toEqual({ why: 'over its usual span', min: 1 })
})

test('the heat without reflux stands first, then clocks, then steps; the longer before the shorter', () => {
  const all = [
    null,
    { why: 'over its usual span', min: 90 },
    { why: 'clock over', min: 1 },
    { why: 'clock over', min: 9 },
    { why: 'heat without reflux', min: 21 },
  ] as const
  expect([...all].sort(overdueOrder)).toEqual([all[4], all[3], all[2], all[1], null])
})
