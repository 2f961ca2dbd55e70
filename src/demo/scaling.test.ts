/** At another scale every sentence and every figure of every demo preparation follows its law. */
import { plans } from './plans'
import { scalePlan } from '@/core/edit/scalePlan'
import type { Plan, Step } from '@/core/plan/plan'
import { timeFactor } from '@/core/quantity/timeFactor'
import { computedLine, dispensed, reactionTable } from '@/core/reaction/reactionTable'
import type { Field } from '@/core/operations/fields'
import { operationIn } from '@/core/operations/registry'
import { contextOf, filledFor, plannerFor, reportFor } from '@/core/operations/planners'

const at = (plan: Plan) => {
  const table = reactionTable(plan)
  return plan.steps.map((step) => {
    const context = contextOf(plan, table, step)
    const filled = filledFor(context)
    return { step, filled, fields: plannerFor(step)?.fields ?? [], facts: reportFor(context, filled)?.facts ?? [] }
  })
}

const factorOf = (step: Step, field: Field, factor: number) => {
  const law = operationIn(step)?.scales?.[field.key]
  return law === undefined ? 1 : law === 'as the amounts' ? factor : timeFactor(factor)
}

const all = plans.map((plan) => [plan.title, plan] as const)

const amountUnits = ['mL', 'g', 'mmol', 'L']
const byFactor: Readonly<Record<string, (factor: number) => number>> = {
  rate: (factor) => factor / timeFactor(factor),
  drops: (factor) => factor / timeFactor(factor),
  double: timeFactor,
  minutes: timeFactor,
}
/** What comes in sizes or whole millilitres, or has a least: it goes the same way, and no further than the amounts by a step. */
const inSteps = /^(paper|agree|rinseML|secondML|triedML|vesselML|potML|stopML|rinse|loss|second|capacity-\d+)$/

/** What at another scale is not what its law says, within the rounding of suggestions. */
function strays(plan: Plan, factor: number): string[] {
  const [before, after] = [at(plan), at(scalePlan(plan, factor))]
  return before.flatMap(({ step, filled, fields, facts }, index) => {
    const other = after[index]!
    const astray = (name: string, one: unknown, two: unknown, law: number) => {
      if (typeof one !== 'number' || typeof two !== 'number' || one === 0) return []
      const holds = inSteps.test(name)
        ? (two - one) * (factor - 1) >= 0 && Math.abs(two - one) <= Math.abs(factor - 1) * one * 1.5 + 2
        : Math.abs(two / one / law - 1) <= 0.02
      return holds ? [] : [`${step.id} ${name}: ${one} to ${two}`]
    }
    return [
      ...fields.flatMap((field) => astray(field.key, filled[field.key], other.filled[field.key], factorOf(step, field, factor))),
      ...facts.flatMap(({ id, value, unit }) =>
        astray(
          id,
          value,
          other.facts.find((each) => each.id === id)?.value,
          byFactor[id]?.(factor) ?? (amountUnits.includes(unit) ? factor : 1),
        ),
      ),
    ]
  })
}

describe.each([0.5, 3])('at %d times the scale', (factor) => {
  test.each(all)('%s: the lines that are not fixed', (_title, plan) => {
    const [before, after] = [reactionTable(plan), reactionTable(scalePlan(plan, factor))]
    for (const [index, line] of before.lines.entries()) {
      const [one, two] = [dispensed(line), dispensed(after.lines[index]!)]
      if (one && two) expect(two.figure.value / one.figure.value).toBeCloseTo(line.line.fixed ? 1 : factor, 6)
    }
  })
  test.each(all)('%s: the blanks and the figures of the planners', (_title, plan) => expect(strays(plan, factor)).toEqual([]))
})

describe('worked by hand', () => {
  const [acetanilide, isopentylAcetate] = ['Acetanilide', 'Isopentyl acetate'].map((title) =>
    plans.find((plan) => plan.title === title)!,
  ) as [Plan, Plan]
  const step = (plan: Plan, factor: number, id: string) => at(scalePlan(plan, factor)).find((each) => each.step.id === id)!
  const fact = (plan: Plan, factor: number, id: string, of: string) =>
    step(plan, factor, id).facts.find((each) => each.id === of)!.value
  const line = (plan: Plan, factor: number, id: string) => computedLine(reactionTable(scalePlan(plan, factor)), id)

  test.each([
    // 4.00 mL × 1.022 g/mL = 4.088 g; ÷ 93.13 g/mol × 0.99 = 43.46 mmol; × 135.17 g/mol = 5.874 g of acetanilide.
    [0.5, 2.044, 2.937, 60.5],
    [1, 4.088, 5.874, 121],
    [3, 12.264, 17.62, 363],
  ])(
    'acetanilide at %d: aniline, theory, and 100 mL · (4.64 g · scale) ÷ 5.37 g · 1.40 of hot water',
    (factor, anilineG, theoryG, hotML) => {
      expect(line(acetanilide, factor, 'aniline').mass!.value).toBeCloseTo(anilineG, 3)
      expect(line(acetanilide, factor, 'acetanilide').mass!.value).toBeCloseTo(theoryG, 2)
      expect(fact(acetanilide, factor, 'crystallise', 'curve') / hotML).toBeCloseTo(1, 2)
      // 0.46 g stay in every 100 mL of the 98 mL · scale.
      expect(fact(acetanilide, factor, 'crystallise', 'loss')).toBeCloseTo(0.0046 * 98 * factor, 2)
    },
  )

  test.each([
    // 1.0 mL over 5 min; the time grows as the cube root: 3.969, 5 and 7.211 min.
    [0.5, 3.969, 0.126, 12],
    [1, 5, 0.2, 24],
    [3, 7.211, 0.416, 72],
  ])(
    'isopentyl acetate at %d: acid over its time, and 0.6 mol/L · 40 mL · scale of bicarbonate',
    (factor, minutes, mLPerMin, mmol) => {
      expect(step(isopentylAcetate, factor, 'add-sulfuric').filled.minutes).toBeCloseTo(minutes, 3)
      expect(fact(isopentylAcetate, factor, 'add-sulfuric', 'rate')).toBeCloseTo(mLPerMin, 3)
      expect(fact(isopentylAcetate, factor, 'wash-bicarbonate', 'own')).toBeCloseTo(mmol, 6)
      // The window and the portions are typed, and are no amounts.
      expect(step(isopentylAcetate, factor, 'distil').filled).toMatchObject({ lowC: 135, highC: 143, potML: 10 })
      expect(step(isopentylAcetate, factor, 'wash-bicarbonate').filled.portions).toBe(3)
    },
  )

  test('what is typed scales by the law of its blank, row by row, and back again', () => {
    const work = { of: 'wash', portionML: 20, washes: [{ solution: 'water', portionML: 8, times: 2 }] }
    const plan = {
      ...isopentylAcetate,
      steps: isopentylAcetate.steps.map((each) => (each.id === 'wash-water' ? { ...each, work } : each)),
    } as Plan
    const scaled = scalePlan(plan, 3)
    expect(scaled.steps.find(({ id }) => id === 'wash-water')!.work).toEqual({
      of: 'wash',
      portionML: 60,
      washes: [{ solution: 'water', portionML: 24, times: 2 }],
    })
    expect(scaled.steps.find(({ id }) => id === 'cool')).toMatchObject({ holdMin: expect.closeTo(14.42, 2), work: { toC: 30 } })
    expect(scaled.steps.find(({ id }) => id === 'reflux')).toMatchObject({ holdMin: 60 })
    const back = scalePlan(scaled, 1 / 3).steps.find(({ id }) => id === 'wash-water')!.work as unknown as typeof work
    expect(back.portionML).toBeCloseTo(20, 9)
    expect(back.washes[0]!.portionML).toBeCloseTo(8, 9)
  })
})
