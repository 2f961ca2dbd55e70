/** What a step of weighing takes by default: what the step before gives. */
import { addStep } from '@/core/edit/addStep'
import { plans } from '@/demo/plans'
import { shortPlan } from '@/test-support/matter'

const weighedAfter = (plan: Parameters<typeof addStep>[0], after: string) => {
  const added = addStep(plan, 'weigh', after)
  const step = added.plan.steps.find(({ id }) => id === added.id)!
  return step.kind === 'weigh' ? [step.sample, step.container, step.dry] : []
}
const demo = (title: string) => plans.find((plan) => plan.title === title)!

test('after a distillation the distillate, dry, in its receiver', () => {
  const plan = demo('Isopentyl acetate')
  expect(weighedAfter({ ...plan, steps: plan.steps.filter(({ kind }) => kind !== 'weigh') }, 'distil')).toEqual([
    'distillate',
    'receiver',
    true,
  ])
})

test('after a filtration the crude, damp, on a watch glass', () =>
  expect(weighedAfter(demo('Acetanilide'), 'filter')).toEqual(['crude', 'watch glass', false]))

// A hundredth of the ether stays: 70 mg to 0.83 g.
test('after its solvent was taken off what is left, in its flask, with a trace of the ether', () =>
  expect(
    weighedAfter(
      shortPlan({ solid: { of: 'fluorene', mmol: 5 }, ether: { of: 'diethyl ether', mL: 10 } }, [
        { op: 'charge', in: '{solid}{ether}', vessel: { kind: 'round-bottom', sizeML: 50 } },
        { op: 'evaporate' },
      ]),
      's1',
    ),
  ).toEqual(['crude', 'flask', false]))

test('where nothing stands, as it is usual', () =>
  expect(weighedAfter(shortPlan({ solid: { of: 'fluorene', mmol: 5 } }, [{ op: 'safety' }]), 's0')).toEqual([
    'crude',
    'watch glass',
    false,
  ]))
