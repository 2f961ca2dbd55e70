import { asWords } from '../../words/words'
import { acetanilide, benzoin, isopentylAcetate } from '@/test-support/plans'
import { changeStep } from '../../plan/editPlan'
import { makeStep } from '../../operations/makeStep'
import { readingsOf } from '../readings'
import { reactionTable } from '../../reaction/reactionTable'
import { scalePlan } from '../../edit/scalePlan'
import { stepContents } from './contents'

const at = (plan: typeof acetanilide, step: string) => stepContents(plan, reactionTable(plan)).find((each) => each.step === step)!
const names = (plan: typeof acetanilide, step: string) => at(plan, step).contents.map(({ substance }) => substance.name)

describe('what is in the vessel, step by step', () => {
  test('acetanilide, by hand: 4.00 mL, then 9.00 mL, then 14.1 mL with zinc at 1 mL to the gram', () => {
    expect(at(acetanilide, 'charge-aniline').volumeML).toBeCloseTo(4, 9)
    expect(at(acetanilide, 'charge-acid').volumeML).toBeCloseTo(9, 9)
    expect(at(acetanilide, 'reflux')).toMatchObject({ vessel: { sizeML: 25 }, since: 'set-up' })
    expect(at(acetanilide, 'reflux').volumeML).toBeCloseTo(14.1, 9)
  })

  test('poured into 80 mL of water the mixture leaves its flask; filtered, only the product is left', () => {
    expect(at(acetanilide, 'pour')).toMatchObject({ vessel: undefined })
    expect(at(acetanilide, 'pour').volumeML).toBeCloseTo(94.1, 9)
    expect(at(acetanilide, 'weigh-crude').contents).toEqual([])
    expect(names(acetanilide, 'crystallise')).toEqual(['water'])
  })

  test('a wash takes its water with it', () => {
    expect(names(isopentylAcetate, 'wash-bicarbonate')).not.toContain('water')
    expect(names(isopentylAcetate, 'wash-bicarbonate')).toContain('sodium bicarbonate')
    expect(names(isopentylAcetate, 'wash-brine')).not.toContain('sodium bicarbonate')
    expect(at(isopentylAcetate, 'wash-brine').vessel).toEqual({ kind: 'separating funnel', sizeML: 125 })
  })

  test('a part of a line is a part of its volume, and everything grows with the scale', () => {
    const half = changeStep(acetanilide, 'charge-acid', { text: 'Pour {acetic-acid 40 %}.' })
    expect(at(half, 'charge-acid').volumeML).toBeCloseTo(4 + 2, 9)
    expect(at(scalePlan(acetanilide, 3), 'reflux').volumeML).toBeCloseTo(42.3, 6)
  })
})

test('what is written down, in words, for every kind of step', () => {
  const words = [...acetanilide.steps, ...benzoin.steps].map((step) =>
    readingsOf(acetanilide, { ...step, line: 'aniline' } as typeof step),
  )
  expect(words).toContain('mass of aniline, two readings')
  expect(words).toContain('heat on, onset of reflux, heat off')
  expect(words).toContain('masses of the sample purified until two agree')
  expect(words).toContain('start and end of the clock')
  for (const [operation, written] of [
    ['distil', 'head at the first drop'],
    ['test', 'each tube'],
    ['send', 'slot'],
    ['filter', ''],
  ] as const)
    expect(readingsOf(acetanilide, makeStep(operation, { id: 'x', title: asWords('x') }, acetanilide))).toContain(written)
  expect(readingsOf(acetanilide, makeStep('pause', { id: 'x', title: asWords('x') }, acetanilide))).toBe('')
})
