import { acetanilide } from '@/test-support/plans'
import { addStep } from '../../edit/addStep'
import { changeStep } from '../../plan/editPlan'
import { reactionTable } from '../../reaction/reactionTable'
import { TestLog } from '@/test-support/entries'
import { foldRun } from '../../run/foldRun'
import { measuredOf } from '../../run/measured'
import type { OperationKey } from '../registry'
import { contextOf, filledFor, reportFor } from '../planners'
import { titreKnown } from './strengthFound'
import { concordant } from '../../measurements/concordant'

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

test('the titrant against a primary standard: 0.5 g in 100 mL, 25 mL of it take 9.18 mL', () => {
  // 1000 × 0.5 ÷ (135.166 × 100) = 0.036992 mol/L; × 25 ÷ 9.18 = 0.10074 mol/L.
  const typed = {
    finds: 'titrant',
    standard: 'acetanilide',
    standardG: 0.5,
    flaskML: 100,
    aliquotML: 25,
    balance: 'balance-0.0001',
  }
  const found = reported('titrate', typed, titres([0, 9.18], [10, 19.18]))
  // Acetanilide stands in for the standard: 135.166 g/mol.
  expect(found.fact('standard')).toBeCloseTo(0.036992, 5)
  expect(found.fact('found')).toBeCloseTo((0.036992 * 25) / 9.18, 4)
  // The burette's 9.18 mL are the worst known: 2·√(2·(0.05²/12 + 0.05²) + 0.1²/3)/9.18 = 2.0 % and what the rest adds.
  expect(found.fact('found-u')! / found.fact('found')!).toBeCloseTo(0.0206, 3)
  expect(found.advice('standard')).toContain('dried')
  expect(
    reported('titrate', { ...typed, standard: 'nothing known' }, titres([0, 9.18], [10, 19.18])).fact('found'),
  ).toBeUndefined()
  expect(reported('titrate', { ...typed, standardG: 0 }, titres([0, 9.18], [10, 19.18])).fact('found')).toBeUndefined()
})

test('what titrations find is worth no more than glass, scatter and titrant allow', () => {
  const u = (typed: Record<string, number>, ...all: [number, number][]) =>
    reported('titrate', { molPerL: 0.1, aliquotML: 25, ...typed }, titres(...all)).fact('found-u')!
  const fine = u({}, [0, 20], [0, 20])
  // A titrant that is itself known to 2 % only makes the strength no better.
  expect(u({ titrantPercent: 2 }, [0, 20], [0, 20])).toBeGreaterThan(fine)
  expect(u({ titrantPercent: 2 }, [0, 20], [0, 20]) / 0.08).toBeGreaterThan(0.02)
  expect(u({ toleranceML: 0.5 }, [0, 20], [0, 20])).toBeGreaterThan(fine)
  expect(titreKnown([20, 20.1]).u).toBeCloseTo(titreKnown([20, 20]).u, 9)
  expect(titreKnown([20, 21]).u).toBeCloseTo(0.5, 9)
})

test('making up by hand: 0.5 mol/L × 250 mL × 135.166 g/mol = 16.896 g; a stronger one by volume; the weaker is refused', () => {
  const typed = { what: 'acetanilide', molPerL: 0.5, toML: 250 }
  expect(reported('make-up', typed).fact('take')).toBeCloseTo(16.896, 2)
  expect(reported('make-up', { ...typed, purity: 98 }).fact('take')).toBeCloseTo(16.896 / 0.98, 2)
  expect(reported('make-up', { ...typed, crystalWater: 1 }).fact('take')).toBeCloseTo(16.896 + 0.125 * 18.015, 2)
  expect(reported('make-up', { ...typed, from: 'stronger', fromMolPerL: 2 }).fact('take')).toBeCloseTo(62.5, 9)
  expect(reported('make-up', { ...typed, from: 'stronger', fromMolPerL: 0.5 }).advice('impossible')).toContain('not stronger')
  expect(reported('make-up', { ...typed, from: 'stronger', fromMolPerL: 0.5 }).fact('take')).toBeUndefined()
  expect(reported('make-up', { what: 'acetanilide', toML: 250 }).fact('take')).toBeUndefined()
})

test('saturated with a tenth more than dissolves: acetanilide, 0.46 g to 100 mL at 20 °C, 1.265 g for 250 mL', () => {
  const typed = { what: 'acetanilide', strength: 'saturated', toML: 250, atC: 20 }
  expect(reported('make-up', typed).fact('take')).toBeCloseTo(1.265, 9)
  expect(reported('make-up', { ...typed, what: 'nothing on record' }).advice('no-solubility')).toBeDefined()
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
