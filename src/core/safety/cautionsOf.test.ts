import { acetanilide, isopentylAcetate } from '@/test-support/plans'
import { reactionTable } from '../reaction/reactionTable'
import type { Plan } from '../plan/plan'
import { asWords } from '../words/words'
import { cautionsOf } from './cautionsOf'

const cautions = (plan: Plan, id: string) =>
  cautionsOf(
    plan,
    reactionTable(plan),
    plan.steps.find((step) => step.id === id)!,
  )

test('what an author writes hides nothing of what is known of the substance', () => {
  const anhydride = acetanilide.substances.find(({ id }) => id === 'acetic-anhydride')!.caution!
  const own = 'It heats itself: wait when it boils up.'
  expect(cautions(acetanilide, 'charge-anhydride')).toEqual([own, anhydride])
  const without = {
    ...acetanilide,
    steps: acetanilide.steps.map((step) => (step.id === 'charge-anhydride' ? { ...step, caution: asWords('') } : step)),
  }
  expect(cautions(without, 'charge-anhydride')).toEqual([anhydride])
})

test('fire comes first where something flammable is heated, and not in a step that heats nothing', () => {
  expect(cautions(isopentylAcetate, 'reflux')[0]).toMatch(/^Fire: .*isopentyl alcohol/)
  expect(cautions(isopentylAcetate, 'cool').join()).not.toContain('Fire')
})
