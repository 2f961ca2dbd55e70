import { acetanilide } from '@/test-support/plans'
import { addOwnStep, addStep, ownIn, type OwnMade } from '../../edit/addStep'
import { checkPlan, readPlanFile, writePlanFile } from '../../format/planFile'
import { changeStep } from '../../plan/editPlan'
import type { OwnOperation, Plan, Step } from '../../plan/plan'
import { reactionTable } from '../../reaction/reactionTable'
import { cautionsOf } from '../../safety/cautionsOf'
import { meetingsIn } from '../vessel/meetingsIn'
import { measurementIn } from '../readings'
import { contextOf, filledFor, plannerFor, reportFor } from '../planners'
import { defaultLab } from '../../lab/lab'
import { linesIn } from '@/test-support/inVessel'

const made = (own: Partial<OwnOperation> = {}): OwnMade => ({
  own: { name: 'grind', ...own },
  text: 'Grind it under the liquid.',
  handsOnMin: 6,
  waitMin: 0,
})
const mesh = { key: 'blank1', label: 'mesh', unit: 'mm', least: 0, most: 5 }
const added = (own: Partial<OwnOperation> = {}, after = 'charge-anhydride') => addOwnStep(acetanilide, made(own), after)
const stepIn = (plan: Plan, id: string): Step => plan.steps.find((step) => step.id === id)!

test('it stands in the plan whole, and is read back', () => {
  const { plan, id } = added({ danger: 'Dust.', blanks: [mesh], measures: 'pH', effect: 'stays' })
  expect(readPlanFile(writePlanFile(plan))).toEqual(plan)
  expect(cautionsOf(plan, reactionTable(plan), stepIn(plan, id))).toContain('Dust.')
  expect(measurementIn(stepIn(plan, id)).numbers).toHaveProperty('pH')
  expect(ownIn([plan, plan])).toEqual([{ ...made({ danger: 'Dust.', blanks: [mesh], measures: 'pH', effect: 'stays' }) }])
  expect(ownIn([acetanilide])).toEqual([])
})

test('its blanks are fields with bounds, and stand at the bench as they were typed', () => {
  const { plan, id } = added({ blanks: [mesh] })
  const typed = checkPlan(changeStep(plan, id, { work: { of: 'own', blank1: 0.5 } }))
  const context = contextOf(typed, reactionTable(typed), stepIn(typed, id))
  expect(reportFor(context, filledFor(context))!.facts).toMatchObject([{ name: 'mesh', value: 0.5, unit: 'mm', atBench: true }])
  for (const [value, fits] of [
    [0, true],
    [5, true],
    [5.1, false],
    [-0.1, false],
  ] as const) {
    const read = () => checkPlan(changeStep(plan, id, { work: { of: 'own', blank1: value } }))
    if (fits) expect(read).not.toThrow()
    else expect(read).toThrow(/blank1/)
  }
  expect(() => checkPlan(changeStep(plan, id, { work: { of: 'own', other: 1 } }))).toThrow(/no such field/)
  expect(plannerFor(stepIn(added().plan, 'own'))).toBeUndefined()
})

test('what it does to what is in the vessel is what it says, and unknown where it does not', () => {
  const before = linesIn(acetanilide, 'reflux')
  expect(before.toSorted()).toEqual(['acetic-acid', 'anhydride', 'aniline', 'zinc'])
  const after = (effect: OwnOperation['effect'] | undefined, certain: boolean) =>
    linesIn(added(effect ? { effect } : {}).plan, 'reflux', certain)
  expect(after('stays', true).toSorted()).toEqual(before.toSorted())
  expect(after('only the product is left', true)).toEqual([])
  expect(after('only the product is left', false)).toEqual([])
  expect(after(undefined, true)).toEqual([])
  expect(after(undefined, false).toSorted()).toEqual(before.toSorted())
  const emptied = added({ effect: 'the vessel was empty' })
  expect(linesIn(emptied.plan, emptied.id)).toEqual([])
})

test('what may still be there counts where two must not meet', () => {
  const cyanide = { id: 'cyanide', name: 'a salt', formula: 'NaCN' }
  const acid = { id: 'mineral', name: 'an acid', formula: 'HCl' }
  const line = (substance: string) => ({
    id: substance,
    substance,
    role: 'reagent' as const,
    coefficient: null,
    form: { kind: 'solid' as const, purity: 1 },
    anchor: { of: 'mass' as const, quantity: { value: 1, unit: 'g' as const, decimals: 0 } },
  })
  const base: Plan = {
    ...acetanilide,
    substances: [...acetanilide.substances, cyanide, acid],
    lines: [...acetanilide.lines, line('cyanide'), line('mineral')],
  }
  const one = addStep(base, 'add', 'set-up')
  const first = changeStep(one.plan, one.id, { text: 'Put in {cyanide}.' })
  const between = addOwnStep(first, made(), one.id)
  const two = addStep(between.plan, 'add', between.id)
  const plan = changeStep(two.plan, two.id, { text: 'Put in {mineral}.' })
  expect(meetingsIn(plan, reactionTable(plan), defaultLab).map(({ step, row }) => [step, row.one])).toContainEqual([
    two.id,
    'cyanide',
  ])
})

test.each<[string, object, RegExp]>([
  ['two blanks of one name', { blanks: [mesh, mesh] }, /blanks\/1\/key.*taken/],
  ['a blank called of', { blanks: [{ ...mesh, key: 'of' }] }, /blanks\/0\/key/],
  ['a blank that goes from more to less', { blanks: [{ ...mesh, least: 5 }] }, /blanks\/0.*less to more/],
  ['a measurement that nobody knows', { measures: 'beauty' }, /own\/measures/],
  ['an effect that nobody knows', { effect: 'improves' }, /own\/effect/],
])('%s is told where', (_what, own, message) => {
  const { plan } = added(own as Partial<OwnOperation>)
  expect(() => checkPlan(plan)).toThrow(message)
})

test('a step is one of its own or one that is known, not both', () => {
  const { plan, id } = added()
  expect(() => checkPlan(changeStep(plan, id, { operation: 'filter' }))).toThrow(/not both/)
})
