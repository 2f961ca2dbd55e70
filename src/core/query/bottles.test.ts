/** Strengths and densities of bottles: as catalogues and textbooks print them they are silent, mistyped they are asked about. */
import { acetanilide } from '@/test-support/plans'
import type { Form, Plan } from '../plan/plan'
import { mostMolPerL, solutionDensity } from '../substance/solutionDensity'
import { queriesOf } from './queries'

const bottle = (formula: string, form: Form): Plan => ({
  ...acetanilide,
  substances: [
    ...acetanilide.substances,
    { id: 'bottle', name: 'the bottle', formula, waste: 'aqueous acid or base', classes: [] },
  ],
  lines: [
    ...acetanilide.lines,
    {
      id: 'bottle',
      substance: 'bottle',
      role: 'work-up',
      coefficient: null,
      form,
      anchor: { of: 'volume', quantity: { value: 5, unit: 'mL', decimals: 1 } },
    },
  ],
})
const asked = (formula: string, form: Form) =>
  queriesOf(bottle(formula, form)).filter(({ id }) => id === 'too-strong-bottle' || id === 'density-bottle')
const percent = (value: number, gPerML: number): Form => ({
  kind: 'mass-fraction',
  fraction: value / 100,
  gPerML,
  source: 'label',
})
const molar = (molPerL: number): Form => ({ kind: 'solution', molPerL })

test.each([
  ['HCl', percent(37, 1.18)],
  ['HCl', percent(36, 1.19)],
  ['HCl', molar(12.1)],
  ['H2SO4', percent(98, 1.84)],
  ['H2SO4', percent(96, 1.83)],
  ['H2SO4', molar(18.4)],
  ['HNO3', percent(65, 1.39)],
  ['HNO3', percent(70, 1.42)],
  ['NH3', percent(28, 0.9)],
  ['NH3', percent(25, 0.91)],
  ['NH3', molar(14.8)],
  ['H3PO4', percent(85, 1.69)],
  ['H2O2', percent(30, 1.11)],
  ['H2O2', percent(3, 1.0)],
  ['NaOH', percent(50, 1.53)],
  ['NaOH', percent(10, 1.11)],
  ['C2H4O2', percent(99.7, 1.05)],
  ['NaCl', percent(26, 1.2)],
  ['HBr', percent(48, 1.49)],
] as [string, Form][])('%s %j is as labels have it', (formula, form) => expect(asked(formula, form)).toEqual([]))

test.each([
  ['HCl', percent(48, 1.2), 'too-strong', /48 %.*42 %/],
  ['HCl', molar(37), 'too-strong', /37/],
  ['NH3', percent(45, 0.9), 'too-strong', /35 %/],
  ['NH3', molar(25), 'too-strong', /mol\/L/],
  ['H2O2', percent(90, 1.4), 'too-strong', /70 %/],
  ['NaOH', percent(60, 1.6), 'too-strong', /53 %/],
  ['NaHCO3', percent(15, 1.1), 'too-strong', /9 %/],
  ['HCl', percent(37, 1.05), 'density', /1\.18/],
  ['HCl', percent(10, 1.18), 'density', /1\.047/],
  ['H2SO4', percent(96, 1.4), 'density', /1\.84/],
  ['H2SO4', percent(20, 1.84), 'density', /1\.139/],
  ['NH3', percent(25, 1.1), 'density', /0\.910?/],
  ['NaOH', percent(50, 1.1), 'density', /1\.525/],
] as [string, Form, string, RegExp][])('%s %j is asked about', (formula, form, id, says) => {
  const [found] = asked(formula, form)
  expect(found?.id).toBe(`${id}-bottle`)
  expect(found!.evidence).toMatch(says)
})

test('the density of the table is one press away, and then nothing is asked', () => {
  const plan = bottle('HCl', percent(37, 1.05))
  const { remedy } = queriesOf(plan).find(({ id }) => id === 'density-bottle')!
  expect(queriesOf(remedy!.apply(plan)).some(({ id }) => id === 'density-bottle')).toBe(false)
})

test('two from hundred on either side of the table is borne', () => {
  const table = solutionDensity('HCl', 0.2)!
  expect(asked('HCl', percent(20, table * 1.019))).toEqual([])
  expect(asked('HCl', percent(20, table * 1.021))).toHaveLength(1)
})

test('the most in mol/L follows from the most by mass: 42 % of 1.198 g/mL are 13.8 mol/L', () => {
  expect(mostMolPerL('HCl')).toBeCloseTo((1198 * 0.42) / 36.46, 1)
  expect(mostMolPerL('C6H12O6')).toBeNull()
})
