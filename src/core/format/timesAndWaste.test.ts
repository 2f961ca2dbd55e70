import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { acetanilide as said } from '@/test-support/plans'
import { comparePlans } from '../edit/comparePlans'
import { scalePlan } from '../edit/scalePlan'
import { lengthOf } from '../plan/duration'
import { changeStep } from '../plan/editPlan'
import type { Plan, Step } from '../plan/plan'
import { planSchema } from '../plan/planSchema'
import { checkPlan, readPlanFile, writePlanFile } from './planFile'

/** Without the spans and safe stops that its author has said. */
const acetanilide: Plan = {
  ...said,
  steps: said.steps.map((step) => {
    const { minutes: _minutes, safeStop: _stop, ...plain } = step
    return plain as Step
  }),
}
const stepIn = (plan: Plan, id: string): Step => plan.steps.find((step) => step.id === id)!
const withStep = (id: string, part: Record<string, unknown>) => changeStep(acetanilide, id, part)

test('the schema that users read is the one that the program checks with', () => {
  const file = path.join(__dirname, '../../../docs/formats/plan.schema.json')
  const text = `${JSON.stringify(planSchema, null, 2)}\n`
  // Written anew where a field was changed: MOZLE_SCHEMA=write.
  if (process.env.MOZLE_SCHEMA === 'write') writeFileSync(file, text)
  expect(readFileSync(file, 'utf8')).toBe(text)
})

describe('minutes as spans', () => {
  // Acetanilide's safety reading takes 5 min of hands and its reflux 8 and 22.
  const spread = changeStep(withStep('safety', { minutes: { handsOn: { least: 3, most: 10 } } }), 'reflux', {
    minutes: { handsOn: { least: 8, most: 9 }, wait: { least: 20, most: 40 } },
  })

  test('are read back, and the day is as long as its steps at the least and at the most', () => {
    expect(readPlanFile(writePlanFile(spread))).toEqual(spread)
    const { usual } = lengthOf(acetanilide.steps)
    expect(lengthOf(acetanilide.steps)).toEqual({ least: usual, usual, most: usual })
    expect(lengthOf(spread.steps)).toEqual({ least: usual - 2 - 2, usual, most: usual + 5 + 1 + 18 })
  })

  test.each([
    [5, 5, true],
    [0, 5, true],
    [5.1, 9, false],
    [1, 4.9, false],
  ])('the usual 5 min between %d and %d: %s', (least, most, fits) => {
    const steps = acetanilide.steps.map((step) =>
      step.id === 'safety' ? { ...step, minutes: { handsOn: { least, most } } } : step,
    )
    const read = () => checkPlan({ ...acetanilide, steps })
    if (fits) expect(read).not.toThrow()
    else expect(read).toThrow(/steps\/0\/minutes\/handsOn.*usual 5 min/)
  })

  test('a usual figure that leaves its span widens it; they slow down with the scale as the usual ones do', () => {
    expect(stepIn(changeStep(spread, 'safety', { handsOnMin: 12 }), 'safety').minutes).toEqual({
      handsOn: { least: 3, most: 12 },
    })
    expect(stepIn(changeStep(spread, 'safety', { handsOnMin: 2 }), 'safety').minutes).toEqual({ handsOn: { least: 2, most: 10 } })
    const cooled = changeStep(spread, 'cool', { minutes: { wait: { least: 10, most: 15 } } })
    const eight = stepIn(scalePlan(cooled, 8), 'cool')
    expect(eight.waitMin).toBeCloseTo(20, 9)
    expect(eight.minutes!.wait!.least).toBeCloseTo(20, 9)
    expect(eight.minutes!.wait!.most).toBeCloseTo(30, 9)
    expect(stepIn(scalePlan(spread, 8), 'safety').minutes).toEqual({ handsOn: { least: 3, most: 10 } })
  })
})

test('what the groups share and where one can stop are kept, and go when nothing is said', () => {
  const kept = withStep('dry', { station: 'oven', safeStop: { meanwhile: 'Leave it in the desiccator.', hours: 72 } })
  expect(readPlanFile(writePlanFile(kept))).toEqual(kept)
  expect(changeStep(kept, 'dry', { station: undefined, safeStop: undefined })).toEqual(acetanilide)
  expect(comparePlans(acetanilide, kept).map(({ what, after }) => [what, after])).toEqual([
    ['what the groups share of “Dry, weigh twice”', 'oven'],
    ['safe stop of “Dry, weigh twice”', 'Leave it in the desiccator. 72'],
  ])
})

test('a waste container says what goes into it', () => {
  const { waste } = stepIn(acetanilide, 'dispose')
  expect(waste).toEqual([{ into: 'aqueous acid or base' }, { into: 'solid' }])
  const said = withStep('dispose', { waste: [{ into: 'aqueous acid or base', what: 'mother liquor' }, { into: 'solid' }] })
  expect(readPlanFile(writePlanFile(said))).toEqual(said)
  expect(comparePlans(acetanilide, said).map(({ after }) => after)).toEqual(['mother liquor into aqueous acid or base; solid'])
  const odd = withStep('dispose', { waste: [{ into: 'solid', what: 'the cat' }] })
  expect(() => checkPlan(odd)).toThrow(/waste\/0\/what/)
})
