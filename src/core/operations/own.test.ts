import { acetanilide, methylhexanol } from '@/test-support/plans'
import { checkPlan } from '../format/planFile'
import { addStep } from '../edit/addStep'
import { changeStep } from '../plan/editPlan'
import type { Plan, Step } from '../plan/plan'
import { common, ownBlank } from './own'
import type { Operation } from './operation'
import { contextOf, filledFor, plannerFor, planners, problemIn } from './planners'
import { operationIn, operationKeys, operations, type OperationKey } from './registry'
import { reactionTable } from '../reaction/reactionTable'

const keysIn = (sentences: readonly string[]) =>
  sentences.flatMap((text) => [...text.matchAll(/\{(@\w+)\}/g)].map(([, key]) => key!))

/** The fields of a step that stand in its sentences. */
function keysOf(plan: Plan, step: Step): string[] {
  const filled = filledFor(contextOf(plan, reactionTable(plan), step))
  return keysIn([...(operationIn(step)?.says ?? []), ...(plannerFor(step)?.sentences(filled) ?? []), ...common(step)])
}

test.each(operationKeys)(
  '%s: a fresh step has every field that its sentences name, each with a value that may stand there',
  (key) => {
    const { plan, id } = addStep(acetanilide, key, 'reflux')
    const step = plan.steps.find((each) => each.id === id)!
    for (const name of keysOf(plan, step)) {
      const blank = ownBlank(name, step, plan)
      expect([name, blank?.field.label]).toEqual([name, expect.any(String)])
      expect(problemIn(blank!.field, blank!.value)).toBeUndefined()
      // What it is now can be written once more, and the plan is still one.
      expect(checkPlan(changeStep(plan, id, blank!.part(blank!.value)))).toEqual(plan)
    }
  },
)

test('what is written goes into the step: parts, hundredths, another vessel with a size, another measure with its device', () => {
  const changed = (plan: Plan, id: string, key: string, value: string | number) => {
    const step = plan.steps.find((each) => each.id === id)!
    return changeStep(plan, id, ownBlank(key, step, plan)!.part(value)).steps.find((each) => each.id === id)!
  }
  expect(changed(methylhexanol, 'charge-rest', '@portion', 40)).toMatchObject({ portion: 0.4 })
  expect(changed(methylhexanol, 'charge-rest', '@portion', 100)).not.toHaveProperty('portion')
  expect(changed(acetanilide, 'dry', '@agreement', 1)).toMatchObject({ agreement: 0.01 })
  expect(changed(acetanilide, 'reflux', '@vessel', 'conical')).toMatchObject({ vessel: { kind: 'conical', sizeML: 125 } })
  expect(changed(acetanilide, 'set-up', '@vessel', '')).not.toHaveProperty('vessel')
  expect(changed(acetanilide, 'reflux', '@witness', 'yes')).toMatchObject({ witness: true })
  expect(changed(acetanilide, 'charge-aniline', '@measure', 'mass')).toMatchObject({ measure: 'mass', device: 'balance-0.01' })
})

test('a sample has a name that a file can hold', () => {
  const step = acetanilide.steps.find(({ kind }) => kind === 'weigh')!
  const { problem } = ownBlank('@sample', step, acetanilide)!
  expect(problem!('light-fraction')).toBeUndefined()
  for (const name of ['Crude 1', 'constructor', '2nd']) expect(problem!(name)).toContain('small letters')
})

test('a step has no field of another kind', () => {
  const step = acetanilide.steps.find(({ kind }) => kind === 'safety')!
  for (const key of ['@line', '@holdMin', '@sample', '@portion', '@nothing', 'holdMin'])
    expect(ownBlank(key, step, acetanilide)).toBeUndefined()
})

test('what an operation says goes with the scale are numbers of its planner', () => {
  const scaling = operationKeys.filter((key) => (operations[key] as Operation).scales)
  expect(scaling.length).toBeGreaterThan(8)
  for (const key of scaling) {
    const fields = planners[key]!.fields
    const numbers = fields.flatMap((field) =>
      field.kind === 'rows'
        ? field.columns.flatMap((column) => (column.kind === 'number' ? [`${field.key}.${column.key}`] : []))
        : field.kind === 'number'
          ? [field.key]
          : [],
    )
    expect(numbers).toEqual(expect.arrayContaining(Object.keys((operations[key] as Operation).scales!)))
  }
})

test('an amount that is typed in mL, g or mmol goes with the scale, but for sizes, solubilities and what a column holds', () => {
  const stay = [
    'perG',
    'hotS',
    'coldS',
    'impurityS',
    'antiS',
    'waterPercent',
    'holdUpML',
    'potML',
    'vesselML',
    'solubility',
    // Flasks, pipettes and burettes come in sizes, and a standard is weighed for them.
    'aliquotML',
    'standardG',
    'flaskML',
    'toleranceML',
  ]
  const typed = Object.entries(planners).flatMap(([key, planner]) =>
    planner!.fields.flatMap((field) =>
      field.kind === 'number' && ['mL', 'g', 'mmol'].includes(field.unit) && !stay.includes(field.key)
        ? [[key, field.key] as const]
        : [],
    ),
  )
  for (const [key, field] of typed)
    expect([key, field, (operations[key as OperationKey] as Operation).scales?.[field]]).toEqual([key, field, 'as the amounts'])
})
