/** The figures in the words of a step, from what a bench has measured. */
import { acetanilide } from '@/test-support/plans'
import { changeStep } from '../plan/editPlan'
import { reactionTable } from '../reaction/reactionTable'
import { defaultLab } from '../lab/lab'
import { asWords } from '../words/words'
import type { Measured } from './planner'
import { wordFigures } from './wordFigures'

test('a blank that follows the crude says the crude that was weighed, once it was', () => {
  const plan = changeStep(acetanilide, 'crystallise', { text: asWords('Dissolve {@soluteG} in {@volumeML}.') })
  const step = plan.steps.find(({ id }) => id === 'crystallise')!
  const figures = (measured?: Measured) => wordFigures(plan, reactionTable(plan), step, defaultLab, measured)
  const nothing: Measured = { samples: {}, usedML: {}, temperatures: {}, weighings: {}, heads: {}, windows: {} }
  expect(figures(nothing)).toEqual(figures())
  const weighed = figures({ ...nothing, samples: { crude: 2.5 } })
  expect(weighed.soluteG).toBe('2.5 g')
  expect(weighed.soluteG).not.toBe(figures().soluteG)
  expect(figures({ ...nothing, usedML: { crystallise: 90 } }).volumeML).toBe('90 mL')
})
