import { acetanilide, benzil, benzoin } from '@/test-support/plans'
import { defaultLab } from '../lab/lab'
import { fullest } from '../operations/vessel/fullest'
import { fittingSize } from '../operations/vessel/vessel'
import { addLine, changeStep, moveStep, removeStep } from '../plan/editPlan'
import { addStep } from '../edit/addStep'
import { newPlan } from '../edit/newPlan'
import type { Plan } from '../plan/plan'
import { reactionTable } from '../reaction/reactionTable'
import { scalePlan } from '../edit/scalePlan'
import { queriesOf } from './queries'

const found = (plan: Plan, id: string) => queriesOf(plan).find((query) => query.id.startsWith(id))
const remedied = (plan: Plan, id: string) => found(plan, id)!.remedy!.apply(plan)

test('the demo preparations raise no query that is not answered', () => {
  for (const plan of [acetanilide, benzoin]) expect(queriesOf(plan).filter(({ answer }) => answer === undefined)).toEqual([])
})

test('an answer stays with its query', () => {
  const plan = { ...removeStep(acetanilide, 'dispose'), answers: [{ query: 'no-disposal', reason: 'The stores clear up.' }] }
  expect(found(plan, 'no-disposal')!.answer).toBe('The stores clear up.')
})

describe('vessels', () => {
  test('worked by hand: 4.00 + 5.00 + 5.0 mL and 0.10 g of zinc make 14.1 mL before it is poured off', () => {
    expect(fullest(acetanilide, reactionTable(acetanilide), defaultLab, 'set-up').mL).toBeCloseTo(14.1, 1)
  })

  test.each([
    ['round-bottom', 14.1, 25],
    ['round-bottom', 40, 100],
    ['round-bottom', 33.4, 100],
    ['round-bottom', 900, null],
    ['conical', 100, 250],
    ['separating funnel', 45, 60],
  ] as const)('a %s for %d mL is %s mL', (kind, volume, size) => expect(fittingSize(kind, volume)).toBe(size))

  test('scaled by four the flask is too full, and the next size that fits is offered and settles it', () => {
    const large = scalePlan(acetanilide, 4)
    expect(found(large, 'vessel')).toMatchObject({ title: 'The vessel is too full', remedy: { label: 'Take 100 mL' } })
    expect(found(remedied(large, 'vessel'), 'vessel-set-up')).toBeUndefined()
    expect(found(large, 'vessel-crystallise')!.remedy!.label).toBe('Take 1000 mL')
  })

  test('between two sizes the larger one is right: 8 mL are too much for 10 mL, and a hair under a third of 25', () => {
    const few = scalePlan(acetanilide, 8.1 / 14.1)
    expect(fittingSize('round-bottom', 8.1)).toBeNull()
    expect(found(few, 'vessel-set-up')).toBeUndefined()
  })

  test('a flask far too large is asked about; one that nothing is known to go into is not', () => {
    const wide = changeStep(acetanilide, 'set-up', { vessel: { kind: 'round-bottom', sizeML: 500 } })
    expect(found(wide, 'vessel')!.title).toBe('The vessel is too large')
    // 14 mL in a flask of 50 mL: the brown gas that it gives foams, and there it is right.
    expect(found(benzil, 'vessel-set-up')).toBeUndefined()
    const empty = { ...wide, steps: wide.steps.filter(({ id }) => id === 'set-up') }
    expect(found(empty, 'vessel-set-up')).toBeUndefined()
    // What is in the vessel before goes on into one that is set up later.
    expect(found(moveStep(wide, 'set-up', 99), 'vessel-set-up')!.evidence).toContain('About 4 mL in a 500 mL')
  })
})

describe('amounts', () => {
  const bare = newPlan('x', acetanilide.substances[0]!, acetanilide.substances[1]!)

  test('a line without an amount is asked for, a product is not', () => {
    expect(
      queriesOf(bare)
        .filter(({ id }) => id.startsWith('no-amount'))
        .map(({ about }) => about),
    ).toEqual([bare.reference])
  })

  test('worked by hand: 0.40 mL from a cylinder of 0.05 mL is known to 13 %', () => {
    // √(0.05²/12 + 0.05²) = 0.0520 mL; 0.0520/0.40 = 13 %
    expect(found(scalePlan(acetanilide, 0.1), 'small-amount-aniline')!.evidence).toContain('± 13 %')
    expect(found(acetanilide, 'small-amount')).toBeUndefined()
  })
})

describe('lines and the steps that use them', () => {
  test('a line that no step uses, and none while only the safety step is written', () => {
    const more = addLine(acetanilide, { id: 'toluene', name: 'toluene', formula: 'C7H8' }, 'solvent')
    expect(found(more, 'unused')).toMatchObject({ about: 'toluene', title: 'No step uses toluene' })
    expect(found(newPlan('x', acetanilide.substances[0]!, acetanilide.substances[1]!), 'unused')).toBeUndefined()
  })

  test('charged twice', () => {
    const { plan, id } = addStep(acetanilide, 'charge')
    expect(found(changeStep(plan, id, { line: 'zinc', text: 'again' }), 'twice-zinc')!.about).toBe(id)
  })

  test('a step that names a line which is not there', () => {
    expect(
      found(changeStep(acetanilide, 'pour', { text: 'Pour into {broth} and {quench-water}.' }), 'unknown-line')!.evidence,
    ).toContain('{broth}')
  })
})

describe('the order of the work', () => {
  test('safety comes first; the remedy puts it there, or writes it', () => {
    const late = moveStep(acetanilide, 'safety', 5)
    expect(remedied(late, 'safety-first').steps[0]!.id).toBe('safety')
    expect(remedied(removeStep(acetanilide, 'safety'), 'safety-first').steps[0]!.kind).toBe('safety')
  })

  test.each([
    ['set-up', 'unchecked-heat-reflux'],
    ['dry', 'wet-melt-melt'],
    ['weigh-crude', 'no-crude-mass-crystallise'],
    ['dispose', 'no-disposal'],
  ])('without %s: %s', (step, query) => expect(found(removeStep(acetanilide, step), query)).toBeDefined())

  test('distilling without an apparatus check', () => {
    const { plan, id } = addStep(benzoin, 'distil', 'safety')
    expect(found(plan, `unchecked-heat-${id}`)).toBeDefined()
  })

  test('the waste step that is offered settles it', () => {
    const without = removeStep(acetanilide, 'dispose')
    expect(found(remedied(without, 'no-disposal'), 'no-disposal')).toBeUndefined()
  })
})
