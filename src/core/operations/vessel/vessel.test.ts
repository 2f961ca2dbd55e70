import fc from 'fast-check'
import { acetanilide } from '@/test-support/plans'
import { changeStep, moveStep } from '../../plan/editPlan'
import { addStep } from '../../edit/addStep'
import type { Vessel } from '../../plan/plan'
import { reactionTable } from '../../reaction/reactionTable'
import { scalePlan } from '../../edit/scalePlan'
import { contentsML } from './contents'
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
  const contents = (plan: typeof acetanilide) => contentsML(plan, reactionTable(plan), 'set-up')

  test('grows with the scale', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 20, noNaN: true }), (factor) => {
        expect(contents(scalePlan(acetanilide, factor))).toBeCloseTo(14.1 * factor, 6)
      }),
    )
  })

  test('what is poured off into does not count, and neither does what comes after', () => {
    // 80 mL of quench water and 98 mL to crystallise from are not among the 14.1 mL.
    expect(contents(acetanilide)).toBeCloseTo(14.1, 6)
  })

  test('what is added before the mixture is poured off does', () => {
    const { plan, id } = addStep(acetanilide, 'add', 'reflux')
    expect(contents(changeStep(plan, id, { text: 'Add {quench-water}.' }))).toBeCloseTo(94.1, 6)
  })

  test('a vessel that is set up at the end holds nothing', () => {
    expect(contents(moveStep(acetanilide, 'set-up', 99))).toBe(0)
  })
})
