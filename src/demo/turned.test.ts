/** What holds of every planner wherever its blanks are turned to, and of every plan with one thing in it changed. */
import { often } from '@/test-support/often'
import { addStep } from '@/core/edit/addStep'
import { scalePlan } from '@/core/edit/scalePlan'
import { defaultLab, type Lab } from '@/core/lab/lab'
import type { WorkValue } from '@/core/plan/plan'
import type { Measured } from '@/core/operations/planner'
import {
  contextOf,
  filledFor,
  plannerFor,
  planners,
  problemIn,
  reportFor,
  suggestedFor,
  tablesFor,
  takenFor,
} from '@/core/operations/planners'
import { operationKeys } from '@/core/operations/registry'
import { volumeOf } from '@/core/matter/phase'
import { massOf } from '@/core/matter/state'
import { walkOf } from '@/core/operations/vessel/standsIn'
import type { Plan } from '@/core/plan/plan'
import { queriesOf } from '@/core/query/queries'
import { reactionTable } from '@/core/reaction/reactionTable'
import { safetySheet } from '@/core/safety/safetySheet'
import { crystallisationSolvents } from '@/reference/records'
import { places, type Place } from './places'
import { plans } from './plans'
import { labs, measuredBy, turned, turns } from './sweeps'
import { variantsOf } from './variants'

/** Where in a value a number is none, or a word is one that a program says. */
function oddIn(value: unknown, where: string): string[] {
  if (typeof value === 'number') return Number.isFinite(value) && !Object.is(value, -0) ? [] : [`${where}: ${value}`]
  if (typeof value === 'string')
    return /\bNaN\b|Infinity|undefined|\[object|\{@|[−-]0(?![.\d])/.test(value) ? [`${where}: ${value}`] : []
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, part]) => (key === 'id' ? [] : oddIn(part, `${where} ${key}`)))
}

const twice = (ids: readonly string[]) => ids.filter((id, index) => ids.indexOf(id) !== index)

interface At {
  lab?: Lab
  measured?: Measured
  /** Also the tables, which take longer. */
  tables?: boolean
}

/** What is wrong with what follows from a step. */
function wrong(plan: Plan, id: string, { lab = defaultLab, measured, tables = false }: At = {}): string[] {
  const step = plan.steps.find((each) => each.id === id)!
  const planner = plannerFor(step)!
  const context = contextOf(plan, reactionTable(plan), step, lab, measured, crystallisationSolvents)
  const suggested = suggestedFor(context)
  const filled = filledFor(context, suggested)
  const { facts, advice } = reportFor(context, filled)!
  const misfits = planner.fields.flatMap((field) => {
    const value = suggested[field.key]?.value
    // Bounds are for typing: what follows from figures at their ends may lie beyond.
    const problem = value === undefined || field.kind === 'number' || field.kind === 'rows' ? undefined : problemIn(field, value)
    return problem ? [`suggested ${field.key}: ${problem}`] : []
  })
  return [
    ...misfits,
    ...oddIn(suggested, 'suggested'),
    ...oddIn(facts, 'fact'),
    ...oddIn(advice, 'advice'),
    ...oddIn(takenFor(context, filled), 'takes'),
    ...(tables ? oddIn(tablesFor(context, filled), 'table') : []),
    ...twice(facts.map((each) => each.id)).map((each) => `fact ${each} twice`),
    ...twice(advice.map((each) => each.id)).map((each) => `advice ${each} twice`),
    ...advice.filter(({ words }) => words.trim() === '').map((each) => `advice ${each.id} without words`),
  ]
}

/** Every blank turned through its values, and the scale, the laboratory and what is measured, one at a time. */
function wrongAt(place: Place): string[] {
  const { plan, step } = place
  const planner = plannerFor(step)!
  const filled = filledFor(contextOf(plan, reactionTable(plan), step))
  const names = plan.substances.map(({ name }) => name)
  const at = (what: string, found: string[]) => found.map((each) => `${what}: ${each}`)
  const turnedTo = (key: string, value: WorkValue, tables: boolean) =>
    at(`${key} ${JSON.stringify(value)}`, wrong(turned(place, key, value).plan, step.id, { tables }))
  return [
    ...at('as it stands', wrong(plan, step.id, { tables: true })),
    ...planner.fields.flatMap((field) =>
      turns(field, filled[field.key], names).flatMap((value) =>
        turnedTo(field.key, value, field.kind === 'number' && (value === field.least || value === field.most)),
      ),
    ),
    ...[0.02, 50].flatMap((factor) => at(`scale ${factor}`, wrong(scalePlan(plan, factor), step.id))),
    ...labs.flatMap(([name, lab]) => at(name, wrong(plan, step.id, { lab: { ...defaultLab, ...lab } }))),
    ...[0.1, 2.5].flatMap((factor) =>
      at(`run × ${factor}`, wrong(plan, step.id, { measured: measuredBy(plan, step.id, factor) })),
    ),
  ]
}

test.each(places().map((place) => [place.name, place] as const))(
  '%s, its blanks turned: figures are numbers, words are words',
  (_, place) => expect(wrongAt(place)).toEqual([]),
)

test('every planner is turned', () => {
  expect(new Set(places().map(({ name }) => name.split(' ')[0]))).toEqual(new Set(Object.keys(planners)))
})

/** What is wrong with all that a plan comes to. */
function wrongIn(plan: Plan): string[] {
  const table = reactionTable(plan)
  const charged = table.lines.reduce((sum, { mass }) => sum + (mass?.value ?? 0), 0)
  const { steps } = walkOf(plan, table, defaultLab)
  const inside = steps.flatMap(({ during }) => during.vessels.flatMap(({ phases }) => phases))
  const most = Math.max(0, ...inside.map(({ holds }) => massOf(holds) ?? 0))
  return [
    ...plan.steps.filter((step) => plannerFor(step)).flatMap(({ id }) => wrong(plan, id).map((each) => `${id} ${each}`)),
    ...oddIn(queriesOf(plan, table), 'query'),
    ...oddIn(safetySheet(plan), 'safety'),
    ...oddIn(
      inside.map((phase) => [volumeOf(phase).mL, massOf(phase.holds)]),
      'vessel',
    ),
    // What is made in a vessel came out of what was put into it.
    ...(most > 2 * charged + 1e-9 ? [`${most} g in a vessel, ${charged} g charged`] : []),
  ]
}

test.each(plans.map((plan) => [plan.title, plan] as const))('%s with one thing changed', (_, plan) => {
  const each = often(4, 1)
  const tried = variantsOf(plan).filter((_, index) => index % each === 0)
  const found = tried.flatMap(([name, variant]) => wrongIn(variant).map((each) => `${name}: ${each}`))
  expect(found).toEqual([])
})

test.each(operationKeys)('a new step of %s put at the end of a plan says nothing that is none', (key) => {
  for (const plan of plans) {
    const { plan: after, id } = addStep(plan, key)
    if (plannerFor(after.steps.find((each) => each.id === id)!)) expect(wrong(after, id)).toEqual([])
  }
})
