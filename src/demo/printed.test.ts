/** What people read of every demo plan, at several scales: no name of a field stands in it. */
import { changeStep } from '@/core/plan/editPlan'
import { defaultLab } from '@/core/lab/lab'
import { experimental } from '@/core/format/experimental'
import { wordFigures } from '@/core/operations/wordFigures'
import { printedPlan, withPrinted } from '@/core/operations/printedPlan'
import { reactionTable } from '@/core/reaction/reactionTable'
import { stepTextPlain } from '@/core/reaction/stepText'
import { scalePlan } from '@/core/edit/scalePlan'
import { cautionsOf } from '@/core/safety/cautionsOf'
import { safetySheet } from '@/core/safety/safetySheet'
import { asWords, printed } from '@/core/words/words'
import type { Plan } from '@/core/plan/plan'
import { plans } from './plans'

/** Everything of a plan that is printed for somebody, as one list of texts. */
function readBy(plan: Plan): string[] {
  const table = reactionTable(plan)
  const steps = printedPlan(plan, table, defaultLab).steps.flatMap((step) => [
    printed(step.title),
    stepTextPlain(step.text, table, wordFigures(plan, table, step, defaultLab)),
    ...[step.until, 'caution' in step ? step.caution : undefined, 'meanwhile' in step ? step.meanwhile : undefined].flatMap(
      (words) => (words ? [printed(words)] : []),
    ),
    ...cautionsOf(plan, table, step),
  ])
  return [...steps, ...experimental(plan), JSON.stringify(safetySheet(plan).dangers)]
}

const field = /\{@?[\w-]+(?: [\d.]+ %)?\}|NaN|Infinity|undefined|[-−]0(?![.\d])/

test.each(plans.map((plan) => [plan.title, plan as unknown as Plan] as const))('%s', (_title, plan) => {
  for (const scale of [1, 0.735, 3]) for (const text of readBy(scalePlan(plan, scale))) expect(text).not.toMatch(field)
})

test('how a step ends says the figure of its blank, at the bench too, and what no step has is said to be not known', () => {
  const plan = plans.find(({ title }) => title === '2-Methylhexan-2-ol') as unknown as Plan
  const at = plan.steps.find((step) => step.until && printed(step.until).includes('{@lowC}'))!
  const table = reactionTable(plan)
  const until = (of: Plan) => printed(of.steps.find(({ id }) => id === at.id)!.until!)
  const { lowC, highC } = wordFigures(plan, table, at, defaultLab) as { lowC: string; highC: string }
  expect(until(printedPlan(plan, table, defaultLab))).toBe(
    `when the temperature leaves ${lowC} to ${highC}, and before the flask is dry`,
  )
  expect(until(withPrinted(plan, plan, table, defaultLab))).toBe(until(printedPlan(plan, table, defaultLab)))
  const strange = changeStep(plan, at.id, {
    until: asWords('until {@nothing} and {nobody} are there'),
    caution: asWords('Below {@lowC}.'),
  })
  const read = printedPlan(strange, reactionTable(strange), defaultLab).steps.find(({ id }) => id === at.id)!
  expect([printed(read.until!), 'caution' in read && read.caution]).toEqual([
    'until not known and not known are there',
    `Below ${lowC}.`,
  ])
})
