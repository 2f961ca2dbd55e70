/** The amounts of a step from what this bench has really charged and weighed: one figure for one thing. */
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import type { Line } from '../plan/plan'
import { computedLine } from '../reaction/reactionTable'
import { foldRun } from './foldRun'
import { oursIn } from './ours'

const ours = (log: TestLog, id: string, scale = 1) => {
  const run = foldRun(acetanilide, scale, log.entries)
  return oursIn(
    run,
    run.plan.steps.find((step) => step.id === id)!,
  )
}
const volume = (log: TestLog, scale = 1) => {
  const run = foldRun(acetanilide, scale, log.entries)
  const step = run.plan.steps.find(({ kind }) => kind === 'crystallise')!
  return computedLine(oursIn(run, step).table, 'hot-water').volume!.value
}
const crude = (grams: number) => {
  const log = new TestLog()
  log.reading('weigh-crude', 'empty', 30)
  log.reading('weigh-crude', 'full', 30 + grams)
  return log
}

test('are those of the plan while nothing was weighed', () => {
  expect(ours(new TestLog(), 'crystallise').changed).toEqual([])
  const planned = computedLine(foldRun(acetanilide, 1, []).planned, 'hot-water').volume!.value
  expect(volume(new TestLog())).toBe(planned)
})

test('hot solvent goes with the crude that was weighed, by the factor of the plan, at any scale', () => {
  const [two, four] = [volume(crude(2)), volume(crude(4))]
  expect(four / two).toBeCloseTo(2, 9)
  // The plan’s 118 mL at scale 1.2 are for what a careful group gets; the factor is that of the scale.
  expect(volume(crude(4), 1.2)).toBeCloseTo(four, 6)
  const [change] = ours(crude(4), 'crystallise').changed
  expect(change!.why).toBe('for our 4.00 g crude')
  expect(change!.ours).not.toBe(change!.planned)
})

test('material put to the crude counts', () => {
  const log = crude(2)
  log.add('weigh-crude', 'pooled', { sample: 'crude', way: 'in', massG: 2, decimals: 2, bench: 3 })
  expect(volume(log)).toBeCloseTo(volume(crude(4)), 9)
})

test('what follows the reference follows what was charged of it, and never what the step itself charges', () => {
  const log = new TestLog()
  log.difference('charge-aniline', Number((23.418 + 8.188).toFixed(3)), 23.418)
  const step = acetanilide.steps.find((each) => each.kind === 'charge' && each.line !== acetanilide.reference)
  const line = step?.kind === 'charge' ? step.line : ''
  const follows = (each: Line): Line => (each.id === line ? { ...each, anchor: { of: 'ratio', ratio: 2, decimals: 1 } } : each)
  const run = foldRun({ ...acetanilide, lines: acetanilide.lines.map(follows) }, 1, log.entries)
  const [change] = oursIn(run, step!).changed
  expect(change!.why).toMatch(/^from our 8\.188 g of aniline$/)
  expect(ours(log, 'charge-aniline').changed).toEqual([])
  expect(computedLine(ours(log, 'charge-aniline').table, 'aniline').mass!.value).toBeCloseTo(
    computedLine(run.planned, 'aniline').mass!.value,
    9,
  )
})
