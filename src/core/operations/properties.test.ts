/** What holds for the planners whatever the scale, the laboratory and the figures typed. */
import fc from 'fast-check'
import { acetanilide, fractionation, isopentylAcetate, methylNitrobenzoate, separation, trimyristin } from '@/test-support/plans'
import { defaultLab, type Lab } from '../lab/lab'
import { operationDoubts } from '../query/operationDoubts'
import type { Plan } from '../plan/plan'
import { reactionTable } from '../reaction/reactionTable'
import { scalePlan } from '../edit/scalePlan'
import { whereItIs } from './extract/whereItIs'
import { contextOf, filledFor, plannerFor, reportFor } from './planners'
import { washesOf, type WashBlanks } from './wash/planner'

const at = (plan: Plan, id: string, lab: Lab = defaultLab) =>
  contextOf(
    plan,
    reactionTable(plan),
    plan.steps.find((step) => step.id === id)!,
    lab,
  )
const plans = [acetanilide, fractionation, isopentylAcetate, methylNitrobenzoate, separation, trimyristin]
const scale = fc.double({ min: 0.2, max: 8, noNaN: true })

test('at any scale and pressure every report has figures that are numbers, and advice with words', () => {
  fc.assert(
    fc.property(fc.constantFrom(...plans), scale, fc.double({ min: 500, max: 800, noNaN: true }), (plan, factor, mmHg) => {
      const scaled = scalePlan(plan, factor)
      const table = reactionTable(scaled)
      for (const step of scaled.steps.filter((each) => plannerFor(each))) {
        const { facts, advice } = reportFor(
          contextOf(scaled, table, step, { ...defaultLab, pressure: { by: 'mmHg', value: mmHg } }),
        )!
        for (const { value, text } of facts) {
          expect(Number.isFinite(value)).toBe(true)
          expect(text).not.toBe('')
        }
        for (const { words } of advice) expect(words).not.toMatch(/NaN|undefined/)
      }
    }),
    { numRuns: 40 },
  )
})

test('the loss of a crystallisation grows with the scale, its recovery does not change', () => {
  const fact = (plan: Plan, id: string) => reportFor(at(plan, 'crystallise'))!.facts.find((each) => each.id === id)!.value
  fc.assert(
    fc.property(scale, (factor) => {
      const scaled = scalePlan(acetanilide, factor)
      expect(fact(scaled, 'loss') / fact(acetanilide, 'loss')).toBeCloseTo(factor, 1)
      expect(fact(scaled, 'best')).toBeCloseTo(fact(acetanilide, 'best'), -0.5)
    }),
  )
})

test('a lower pressure never boils hotter', () => {
  const boil = (mmHg: number) =>
    reportFor(at(acetanilide, 'reflux', { ...defaultLab, pressure: { by: 'mmHg', value: mmHg } }))!.facts.find(
      ({ id }) => id === 'boil',
    )!.value
  fc.assert(
    fc.property(fc.double({ min: 400, max: 800, noNaN: true }), (mmHg) => expect(boil(mmHg - 20)).toBeLessThan(boil(mmHg))),
  )
})

test('nothing is lost between the layers, whatever the pH of the extraction', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 14, noNaN: true }), fc.integer({ min: 1, max: 6 }), (pH, portions) => {
      const plan = {
        ...separation,
        steps: separation.steps.map((step) =>
          step.id === 'extract-acid' ? { ...step, work: { of: 'extract', pH, portions } } : step,
        ),
      }
      const { layers, solutes } = whereItIs(at(plan, 'extract-base'))!
      solutes.forEach((_, index) => expect(layers.reduce((sum, { share }) => sum + share[index]!, 0)).toBeCloseTo(1, 9))
    }),
  )
})

test('the washes proposed can meet what is there at any scale', () => {
  fc.assert(
    fc.property(scale, (factor) => {
      const context = at(scalePlan(isopentylAcetate, factor), 'wash-water')
      for (const { needMmol, capacityMmol } of washesOf(context, filledFor(context) as unknown as WashBlanks))
        if (needMmol !== null) expect(capacityMmol!).toBeGreaterThanOrEqual(needMmol * 0.98)
    }),
  )
})

describe('doubts in the margin', () => {
  const withWork = (id: string, work: { of: string; [key: string]: string | number }) => {
    const plan = { ...acetanilide, steps: acetanilide.steps.map((step) => (step.id === id ? { ...step, work } : step)) }
    return operationDoubts(plan, reactionTable(plan), defaultLab).map((query) => query.id)
  }
  test('on the plan as it is only the oil, which its author has answered', () =>
    expect(operationDoubts(acetanilide, reactionTable(acetanilide), defaultLab).map(({ id }) => id)).toEqual(['oil-crystallise']))
  test('a doubt is one of the laboratory it is asked in', () => {
    const evidence = (lab: Lab) => operationDoubts(acetanilide, reactionTable(acetanilide), lab)[0]!.evidence
    const high: Lab = { ...defaultLab, pressure: { by: 'mmHg', value: 560 } }
    // At 560 mmHg water boils at 91.8 °C: a degree below, 90.8 °C, it is not yet saturated where it begins to separate at 760 mmHg.
    expect(evidence(defaultLab)).toContain('at about 94 °C')
    expect(evidence(high)).toContain('at about 91 °C')
  })
  test('an oil, an oven too hot: beside their steps, with the reason', () => {
    expect(withWork('crystallise', { of: 'crystallise', hotC: 112 })).toEqual(['oil-crystallise'])
    expect(withWork('dry', { of: 'dry', ovenC: 110 })).toEqual(['oil-crystallise', 'hot-dry'])
  })
})
