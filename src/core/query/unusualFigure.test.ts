import { changeStep } from '../plan/editPlan'
import type { Plan, Step, Work } from '../plan/plan'
import { isopentylAcetate } from '@/test-support/plans'
import { queriesOf } from './queries'

const asked = (plan: Plan) => queriesOf(plan).filter(({ id, answer }) => /^(long|far)-/.test(id) && answer === undefined)
const reflux = isopentylAcetate.steps.find(({ kind }) => kind === 'reflux') as Step & { holdMin: number }
const wash = isopentylAcetate.steps.find(({ id }) => id === 'wash-water')!
const held = (holdMin: number) => changeStep(isopentylAcetate, reflux.id, { holdMin })
const washed = (work: object) => changeStep(isopentylAcetate, wash.id, { work: { ...wash.work, ...work } as Work })

test('the demo asks nothing of the kind', () => expect(asked(isopentylAcetate)).toEqual([]))

test.each([
  [299, 0],
  [300, 1],
  [3060, 1],
])('a reflux of %d min, where 30 are usual to begin with: asked %d times', (minutes, times) => {
  expect(asked(held(minutes)).filter(({ id }) => id === `long-holdMin-${reflux.id}`)).toHaveLength(times)
})

test('an answer settles it', () => {
  const plan = held(3060)
  const { id } = asked(plan)[0]!
  expect(asked({ ...plan, answers: [...plan.answers, { query: id, reason: 'over two days' }] })).toEqual([])
})

test.each([
  [20, []],
  [2250, ['2250 mL: is that meant?']],
])('a portion of %d mL', (portionML, titles) => {
  expect(asked(washed({ portionML })).map(({ title }) => title)).toEqual(titles)
})
