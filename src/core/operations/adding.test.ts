/**
 * An operation is added by its own folder and a line in each registry: this adds one, and asks everything that loops over them.
 */
import { acetanilide } from '@/test-support/plans'
import { addStep } from '../edit/addStep'
import { scalePlan } from '../edit/scalePlan'
import { calculate } from '../format/calculation'
import { readPlanFile, writePlanFile } from '../format/planFile'
import type { Plan, Work } from '../plan/plan'
import { queriesOf } from '../query/queries'
import { reactionTable } from '../reaction/reactionTable'
import { besidesDue, dueIn } from '../run/due'
import { foldRun } from '../run/foldRun'
import { cautionsOf } from '../safety/cautionsOf'
import { safetySheet } from '../safety/safetySheet'
import { act } from './made'
import type { Operation } from './operation'
import { fact, ofPlan, planner, type Planner } from './planner'
import { blank } from './fields'
import { planners } from './planners'
import { operationKeys, operationOf, operations, operationsLike, type OperationKey } from './registry'

const grind: Operation = {
  name: 'grind',
  danger: 'Dry powder flies: goggles, and no draught.',
  make: act('Ground', 'Grind it in the mortar.', 6),
  asks: ['gas-comes'],
  heats: 'open',
  slowsWithScale: true,
  scales: { solidG: 'as the amounts' },
  measures: 'slot',
  besides: ['temperature'],
}
const key = 'grind' as OperationKey
const grinding = planner({
  of: key,
  title: 'Grinding',
  fields: [blank('solidG', 'solid', 'g', 0, 100)] as const,
  doubts: { dust: 'It flies' },
  rules: [({ step }) => [{ id: `mortar-${step.id}`, about: step.id, title: 'Which mortar?', evidence: 'Nobody says.' }]],
  sentences: (say) => [say`Grind ${'solidG'}.`],
  suggest: () => ({ solidG: ofPlan(2, 'what there is') }),
  report: (_context, { solidG }) => ({
    facts: [fact('strokes', 'strokes', 10 * solidG, '', 0)],
    advice: [{ id: 'dust', level: 'doubt', words: `${solidG} g of dust.` }],
  }),
})

let plan: Plan
let id: string
beforeAll(() => {
  Object.assign(operations, { grind })
  operationKeys.push(key)
  Object.assign(planners, { grind: grinding satisfies Planner })
  ;({ plan, id } = addStep(acetanilide, key, 'reflux'))
})
afterAll(() => {
  Reflect.deleteProperty(operations, key)
  operationKeys.pop()
  Reflect.deleteProperty(planners, key)
})
const step = () => plan.steps.find((each) => each.id === id)!

test('it is found by its letters, and its step says what it is', () => {
  expect(operationsLike('gri')).toEqual([key])
  expect(operationOf(step())).toBe(key)
  expect(step()).toMatchObject({ title: 'Grind', verb: 'Ground', caution: grind.danger })
})

test('the vessel, the safety sheet and the cautions follow it', () => {
  const table = reactionTable(plan)
  expect(safetySheet(plan).dangers.find(({ words }) => words === grind.danger)!.steps).toEqual(['Grind'])
  expect(cautionsOf(plan, table, step())[0]).toContain('Fire')
})

test('its own rule and the doubt of its planner stand in the margin', () => {
  const ids = queriesOf(plan).map((query) => query.id)
  expect(ids).toEqual(expect.arrayContaining([`mortar-${id}`, `dust-${id}`]))
})

test('a run asks for its reading, and for what may be written besides', () => {
  const state = foldRun(plan, 1, []).steps.find((each) => each.step.id === id)!
  expect(dueIn(state)).toMatchObject({ kind: 'words', slot: 'sample slot' })
  expect(besidesDue(state).map(({ slot }) => slot)).toEqual(['temperature'])
})

test('what is typed into it is checked, written, read back, calculated with and scaled', () => {
  const typed = (solidG: number): Plan => ({
    ...plan,
    steps: plan.steps.map((each) => (each.id === id ? { ...each, work: { of: key, solidG } as Work } : each)),
  })
  expect(readPlanFile(writePlanFile(typed(5)))).toEqual(typed(5))
  expect(() => readPlanFile(writePlanFile(typed(101)))).toThrow('between 0 and 100')
  const found = calculate(typed(5)).operations.find((each) => each.step === id)!
  expect(found.figures).toEqual([{ id: 'strokes', name: 'strokes', value: 50, unit: '' }])
  const scaled = scalePlan(typed(5), 8).steps.find((each) => each.id === id)!
  expect(scaled).toMatchObject({ handsOnMin: 12, work: { solidG: 40 } })
})

test('an operation that nobody knows is refused, with those that there are', () => {
  const unknown = writePlanFile({
    ...acetanilide,
    steps: acetanilide.steps.map((each) => (each.id === 'cool' ? { ...each, operation: 'sieve' } : each)),
  } as Plan)
  expect(() => readPlanFile(unknown)).toThrow(/no operation is called “sieve”; there are safety, assemble/)
})
