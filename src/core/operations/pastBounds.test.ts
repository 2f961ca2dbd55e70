import { acetanilide } from '@/test-support/plans'
import { scalePlan } from '../edit/scalePlan'
import { checkPlan } from '../format/planFile'
import { changeStep } from '../plan/editPlan'
import type { Plan } from '../plan/plan'
import { reactionTable } from '../reaction/reactionTable'
import { contextOf, filledFor } from './planners'

const typed = (work: Record<string, unknown>): Plan =>
  changeStep(acetanilide, 'crystallise', { work: { of: 'crystallise', ...work } })
const filled = (plan: Plan) => {
  const step = plan.steps.find(({ id }) => id === 'crystallise')!
  return filledFor(contextOf(plan, reactionTable(plan), step))
}

test('a figure that its scale takes past its bound still stands, though it could not be typed', () => {
  const plan = typed({ volumeML: 15_000 })
  expect(filled(scalePlan(plan, 2)).volumeML).toBe(30_000)
  expect(() => checkPlan(typed({ volumeML: 30_000 }))).toThrow(/hot solvent lies between/)
  const tried = [{ solvent: 'water', cold: 1, hot: 5e6 }]
  expect(filled(typed({ tried })).tried).toEqual(tried)
})

test('what is no figure counts as not typed', () => {
  const usual = filled(acetanilide).volumeML
  for (const volumeML of ['much', null, Number.NaN]) expect(filled(typed({ volumeML })).volumeML).toBe(usual)
})
