import { acetanilide } from '@/test-support/plans'
import { addStep } from '../../edit/addStep'
import { changeStep } from '../../plan/editPlan'
import { reactionTable } from '../../reaction/reactionTable'
import { TestLog } from '@/test-support/entries'
import { foldRun } from '../../run/foldRun'
import { measuredOf } from '../../run/measured'
import type { OperationKey } from '../registry'
import { contextOf, filledFor, reportFor } from '../planners'
import { concordant } from './titres'

/** What a step of that operation works out with these blanks, from a run where one is given. */
function reported(operation: OperationKey, typed: Record<string, string | number>, log?: TestLog) {
  const { plan: with1, id } = addStep(acetanilide, operation)
  const plan = changeStep(with1, id, { work: { of: operation, ...typed } })
  const measured = log && measuredOf(foldRun(plan, 1, log.entries))
  const context = contextOf(
    plan,
    reactionTable(plan),
    plan.steps.find((step) => step.id === id)!,
    undefined,
    measured,
  )
  const report = reportFor(context, filledFor(context))!
  return {
    fact: (name: string) => report.facts.find((fact) => fact.id === name)?.value,
    advice: (name: string) => report.advice.find((advice) => advice.id === name)?.words,
  }
}

const titres = (...all: [number, number][]) => {
  const log = new TestLog()
  for (const [before, after] of all) {
    log.reading('titrate', 'burette before', before, 2, {}, 'mL')
    log.reading('titrate', 'burette after', after, 2, {}, 'mL')
  }
  return log
}

test('titres agree within a tenth of a millilitre, and the larger set counts', () => {
  expect(concordant([])).toBeNull()
  expect(concordant([21.4])).toBeNull()
  expect(concordant([21.4, 21.5])).toEqual([21.4, 21.5])
  expect(concordant([21.4, 21.51])).toBeNull()
  expect(concordant([22.1, 21.4, 21.45, 21.5])).toEqual([21.4, 21.45, 21.5])
})

test('by hand: 0.1000 mol/L × 21.45 mL ÷ 25.00 mL = 0.0858 mol/L; twice that at two to one', () => {
  const log = titres([0, 22.1], [0.5, 21.9], [1, 22.5])
  const typed = { molPerL: 0.1, aliquotML: 25 }
  expect(reported('titrate', typed, log).fact('titre')).toBeCloseTo(21.45, 9)
  expect(reported('titrate', typed, log).fact('found')).toBeCloseTo(0.0858, 9)
  expect(reported('titrate', { ...typed, perMol: 2 }, log).fact('found')).toBeCloseTo(0.1716, 9)
  // Without a strength the titre stands, and nothing is invented from it.
  expect(reported('titrate', { aliquotML: 25 }, log).fact('titre')).toBeDefined()
  expect(reported('titrate', { aliquotML: 25 }, log).fact('found')).toBeUndefined()
})

test('two that differ want a third; one says nothing yet', () => {
  expect(reported('titrate', {}, titres([0, 21.4], [0, 21.6])).advice('apart')).toContain('titrate once more')
  expect(reported('titrate', {}, titres([0, 21.4])).advice('apart')).toBeUndefined()
  expect(reported('titrate', {}, titres([0, 21.4], [0, 21.45])).advice('apart')).toBeUndefined()
})

test('diluting by hand: 100 mL of 0.5 from 2 mol/L takes 25 mL; stronger is not reached', () => {
  expect(reported('dilute', { fromMolPerL: 2, toMolPerL: 0.5, toML: 100 }).fact('take')).toBeCloseTo(25, 9)
  expect(reported('dilute', { fromMolPerL: 2, toMolPerL: 2, toML: 100 }).fact('take')).toBeUndefined()
  expect(reported('dilute', { fromMolPerL: 2, toMolPerL: 2, toML: 100 }).advice('stronger')).toContain('not weaker')
  expect(reported('dilute', { toMolPerL: 0.5, toML: 100 }).fact('take')).toBeUndefined()
})

test('the pH that was read last is held against what is wanted, from both sides', () => {
  const read = (...values: number[]) => {
    const log = new TestLog()
    for (const value of values) log.reading('set-ph', 'pH', value, 1, {}, '')
    return reported('set-ph', { lowPH: 6, highPH: 7 }, log).advice('not-there')
  }
  expect(read(5.9)).toContain('needs base')
  expect(read(7.1)).toContain('needs acid')
  expect(read(2, 6)).toBeUndefined()
  expect(read(2, 7)).toBeUndefined()
  expect(reported('set-ph', { lowPH: 7, highPH: 6 }).advice('order')).toBeDefined()
})

test('a boiling range is put at the pressure of the laboratory', () => {
  const { fact, advice } = reported('boil', { sample: 'purified' })
  expect(fact('here')).toBeUndefined()
  expect(advice('unknown')).toContain('acetanilide')
})
