import { acetanilide } from '@/test-support/plans'
import { scalePlan } from '../edit/scalePlan'
import { defaultLab } from '../lab/lab'
import { changeStep } from '../plan/editPlan'
import type { Plan } from '../plan/plan'
import { reactionTable } from '../reaction/reactionTable'
import { stepTextPlain } from '../reaction/stepText'
import { figuresInWords, namable } from './wordFigures'

const said = (plan: Plan, id: string): string => {
  const table = reactionTable(plan)
  return stepTextPlain(plan.steps.find((step) => step.id === id)!.text, table, figuresInWords(plan, table, defaultLab)[id])
}
const words = (id: string, text: string, part: object = {}) => changeStep(acetanilide, id, { text, ...part } as never)

test('a sentence follows the fields of its step', () => {
  expect(said(words('reflux', 'Hold for {@holdMin} from the onset.'), 'reflux')).toBe('Hold for 20 min from the onset.')
  expect(said(words('reflux', 'Hold for {@holdMin}.', { holdMin: 35 }), 'reflux')).toBe('Hold for 35 min.')
})

test('and the blanks of its operation, typed or not, at the scale of its group', () => {
  const typed = words('crystallise', 'Dissolve in {@volumeML} of hot water.', { work: { of: 'crystallise', volumeML: 90 } })
  expect(said(typed, 'crystallise')).toBe('Dissolve in 90 mL of hot water.')
  expect(said(scalePlan(typed, 0.5), 'crystallise')).toBe('Dissolve in 45 mL of hot water.')
  expect(said(words('crystallise', 'Cool to {@coldC}.'), 'crystallise')).toMatch(/^Cool to \d+ °C\.$/)
  expect(said(words('crystallise', 'Take it {@way}.'), 'crystallise')).toBe('Take it as the table has it.')
})

test('what a step has no blank for is said to be not known', () => {
  expect(said(words('reflux', 'Hold {@portion}, {@none}, {@tried}.'), 'reflux')).toBe('Hold not known, not known, not known.')
  expect(figuresInWords(acetanilide, reactionTable(acetanilide), defaultLab)).toEqual({})
})

test('every blank that can be named can be printed', () => {
  for (const step of acetanilide.steps)
    for (const { key } of namable(acetanilide, step))
      expect([step.id, key, said(words(step.id, `{@${key}}`), step.id)]).not.toContain(`{@${key}}`)
  expect(
    namable(
      acetanilide,
      acetanilide.steps.find(({ id }) => id === 'reflux')!,
    ).map(({ label }) => label),
  ).toContain('clock')
})
