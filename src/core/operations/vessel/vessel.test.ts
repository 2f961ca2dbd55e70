import fc from 'fast-check'
import { acetanilide } from '@/test-support/plans'
import { changeStep } from '../../plan/editPlan'
import { addStep } from '../../edit/addStep'
import type { Vessel } from '../../plan/plan'
import { reactionTable } from '../../reaction/reactionTable'
import { scalePlan } from '../../edit/scalePlan'
import { defaultLab } from '../../lab/lab'
import { fullest } from './fullest'
import { fillRule, fittingSize, vesselSizes } from './vessel'

const kinds = Object.keys(vesselSizes) as Vessel['kind'][]

test('a fitting size obeys its rule, and no smaller one does', () => {
  fc.assert(
    fc.property(fc.constantFrom(...kinds), fc.double({ min: 0.5, max: 900, noNaN: true }), (kind, volume) => {
      const size = fittingSize(kind, volume)
      const { least, most } = fillRule[kind]
      const fits = (candidate: number) => volume <= most * candidate && volume >= least * candidate
      if (size === null) expect(vesselSizes[kind].some(fits)).toBe(false)
      else {
        expect(fits(size)).toBe(true)
        expect(vesselSizes[kind].filter((smaller) => smaller < size).some(fits)).toBe(false)
      }
    }),
  )
})

test('sizes stand in order, and a rule leaves room', () => {
  for (const kind of kinds) {
    expect([...vesselSizes[kind]].sort((a, b) => a - b)).toEqual(vesselSizes[kind])
    expect(fillRule[kind].most).toBeLessThan(1)
    expect(fillRule[kind].least).toBeLessThan(fillRule[kind].most)
  }
})

describe('what is in a vessel', () => {
  const contents = (plan: typeof acetanilide) => fullest(plan, reactionTable(plan), defaultLab, 'set-up').mL

  test('grows with the scale', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 20, noNaN: true }), (factor) => {
        expect(contents(scalePlan(acetanilide, factor))).toBeCloseTo(contents(acetanilide) * factor, 6)
      }),
    )
  })

  test('what is poured off into does not count, and neither does what comes after', () => {
    // 80 mL of quench water and 98 mL to crystallise from are not among the 14.1 mL.
    expect(contents(acetanilide)).toBeCloseTo(14.1, 1)
  })

  test('what is added before the mixture is poured off does', () => {
    const { plan, id } = addStep(acetanilide, 'add', 'reflux')
    expect(contents(changeStep(plan, id, { text: 'Add {quench-water}.' }))).toBeCloseTo(93.3, 1)
  })

  test('a vessel into which nothing goes holds nothing', () => {
    expect(contents({ ...acetanilide, steps: acetanilide.steps.filter(({ id }) => id === 'set-up') })).toBe(0)
  })
})
