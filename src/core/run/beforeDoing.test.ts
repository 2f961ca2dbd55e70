/** What is asked before something that cannot be taken back. */
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { addStep } from '../edit/addStep'
import { changeStep } from '../plan/editPlan'
import type { Plan } from '../plan/plan'
import { askBefore, finalIn, productIsSafe } from './beforeDoing'
import { foldRun } from './foldRun'
import { freeLabel, vesselsOf } from './vessels'

const before = (plan: Plan, log: TestLog, id: string) => {
  const run = foldRun(plan, 1, log.entries)
  return askBefore(
    run,
    run.steps.find(({ step }) => step.id === id)!,
  )
}
const charge = 'charge-aniline'
const { plan: poured, id: pour } = addStep(acetanilide, 'pour', charge)
const signed = changeStep(poured, charge, { witness: true })

describe('what goes in or is driven off', () => {
  test('is asked about only where something before it is open', () => {
    const log = new TestLog()
    expect(before(signed, log, pour)).toBeNull()
    const readings = log.difference(charge, 27.5, 23.4)
    expect(before(signed, log, pour)).toEqual({
      question: 'What goes in cannot be taken out again. Still open: not signed yet: “Charge aniline”. Go on?',
      needsReason: false,
    })
    log.sign(charge, readings)
    expect(before(signed, log, pour)).toBeNull()
  })

  test('once: what was confirmed, begun or done is not asked again', () => {
    const log = new TestLog()
    log.difference(charge, 27.5, 23.4)
    log.add(pour, 'observation', { text: 'clear' })
    log.add(pour, 'ahead', {}, { reason: 'we wait' })
    expect(before(signed, log, pour)).not.toBeNull()
    log.add(pour, 'confirmed', { question: 'Go on?' })
    expect(before(signed, log, pour)).toBeNull()
    // Begun once more, it is asked once more.
    log.done(pour)
    log.add(pour, 'again', {}, { reason: 'more' })
    expect(before(signed, log, pour)).not.toBeNull()
  })

  test('what was confirmed at one step is not asked again at the next; what is new is', () => {
    const later = addStep(poured, 'pour', pour)
    const log = new TestLog()
    log.add(charge, 'skip', {}, { reason: 'done before' })
    expect(before(later.plan, log, later.id)!.question).toContain('left out: “Charge aniline”')
    log.add(pour, 'confirmed', { question: 'Go on?' })
    log.done(pour)
    expect(before(later.plan, log, later.id)).toBeNull()
    // It happened after they confirmed.
    log.add(pour, 'incident', { what: 'cut', who: '', text: '' })
    expect(before(later.plan, log, later.id)!.question).toContain('Still open: something happened and nobody has been there.')
  })

  test('a charge left out, two figures for one, and what happened are open', () => {
    const log = new TestLog()
    log.add(charge, 'skip', {}, { reason: 'done before' })
    const cut = log.add(charge, 'incident', { what: 'cut', who: '', text: '' })
    expect(before(poured, log, pour)!.question).toContain(
      'left out: “Charge aniline”; something happened and nobody has been there',
    )
    log.add(charge, 'answer', { of: cut.id, text: '' })
    expect(before(poured, log, pour)!.question).not.toContain('happened')
    const two = new TestLog()
    const full = two.reading(charge, 'full', 27.5, 3, { seen: two.done(acetanilide.steps[0]!.id).id })
    two.reading(charge, 'empty', 23.5, 3, { seen: full.id })
    two.reading(charge, 'empty', 23.4, 3, { seen: full.id })
    expect(before(poured, two, pour)!.question).toContain('two figures in “Charge aniline”')
  })
})

describe('what is thrown away', () => {
  const { plan, id } = addStep(acetanilide, 'wash', charge)
  const discards = changeStep(plan, id, { says: ['layer-discarded'] })
  const weighed = new TestLog()
  weighed.reading('dry', 'empty', 31.2)
  for (let twice = 0; twice < 2; twice++) weighed.reading('dry', 'full', 34.2)

  test('is always asked about, and for a reason before the product is weighed', () => {
    expect(before(discards, new TestLog(), id)).toEqual({
      question: 'What is thrown away cannot be got back. The product is not weighed yet. Go on?',
      needsReason: true,
    })
    expect(before(discards, weighed, id)).toMatchObject({ needsReason: false })
    expect(before(plan, new TestLog(), id)).toBeNull()
  })

  test('the product is safe when it is weighed; where nothing is weighed, at the last step', () => {
    expect(productIsSafe(foldRun(acetanilide, 1, []))).toBe(false)
    expect(productIsSafe(foldRun(acetanilide, 1, weighed.entries))).toBe(true)
    const bare = {
      ...acetanilide,
      steps: acetanilide.steps.filter(({ kind }) => kind === 'safety' || kind === 'act').slice(0, 3),
    }
    const log = new TestLog()
    expect(productIsSafe(foldRun(bare, 1, []))).toBe(false)
    for (const step of bare.steps.slice(0, -1)) log.done(step.id)
    expect(productIsSafe(foldRun(bare, 1, log.entries))).toBe(true)
  })

  test('each kind of work says what of it is final', () => {
    const of = (key: Parameters<typeof addStep>[1]) => {
      const made = addStep(acetanilide, key)
      return finalIn(made.plan.steps.at(-1)!)
    }
    expect([of('pour'), of('distil'), of('dispose'), of('charge'), of('stir')]).toEqual([
      'goes in',
      'is driven off',
      'is thrown away',
      null,
      null,
    ])
  })
})

test('vessels stand until they are emptied, and each has a label of its own', () => {
  const log = new TestLog()
  const a = log.add(charge, 'vessel', { label: 'A', what: 'upper layer', why: 'density' })
  log.add(charge, 'vessel', { label: 'b', what: 'lower layer', why: 'drop test' })
  const out = log.add(charge, 'emptied', { of: a.id, how: 'combined', into: 'b' })
  const { vessels } = foldRun(acetanilide, 1, log.entries)
  expect(vessels.map(({ entry, emptied }) => [entry.body.label, emptied?.id ?? null])).toEqual([
    ['A', out.id],
    ['b', null],
  ])
  expect(freeLabel(vessels)).toBe('C')
  expect(freeLabel([])).toBe('A')
  const many = Array.from({ length: 26 }, (_, index) =>
    log.add(charge, 'vessel', { label: String.fromCharCode(65 + index), what: 'x', why: 'colour' }),
  )
  expect(freeLabel(vesselsOf(many))).toBe('A2')
})
