import fc from 'fast-check'
import { makeUp, molarityOf } from '@/core/reaction/makeUp'
import { dilutionHazards } from '@/core/substance/dilutionHazards'
import { recipes, strengths } from './givens'
import { hazardStatements } from './hazardStatements'
import { substanceRecords } from './records'
import { isCalled } from '@/core/substance/search'
import { stockCard, stockFor, stockSolutions, wordsOfSolution } from './solutions'
import type { Form } from '@/core/plan/plan'

const card = (id: string, toML = 1000) =>
  stockCard(
    stockSolutions.find((each) => each.id === id)!,
    toML,
  )

test.each([
  ['5 % bicarbonate', /bicarbonate, 5 %/],
  ['NaHCO3', /bicarbonate/],
  ['sodium hydrogencarbonate', /bicarbonate/],
  ['10 % naoh', /^sodium hydroxide, 10 % w\/w$/],
  ['w/v silver', /w\/v$/],
])('%s finds it', (typed, name) => {
  const found = stockSolutions.filter((stock) => isCalled(wordsOfSolution(stock), typed)).map((stock) => stock.name)
  expect(found).toContainEqual(expect.stringMatching(name))
  expect(stockSolutions.filter((stock) => isCalled(wordsOfSolution(stock), `${typed} of nothing`))).toEqual([])
})

test('every per cent says of what', () => {
  for (const { name } of stockSolutions) if (name.includes('%')) expect(name).toMatch(/% w\/[wv]$/)
})

test('at least thirty, each of a record, with an id and a name of its own', () => {
  expect(stockSolutions.length).toBeGreaterThanOrEqual(30)
  for (const what of ['id', 'name'] as const)
    expect(new Set(stockSolutions.map((each) => each[what])).size).toBe(stockSolutions.length)
  for (const { of } of stockSolutions) expect(substanceRecords.map(({ id }) => id)).toContain(of)
})

test.each(stockSolutions.map((each) => [each.name, each] as const))(
  '%s: strength, recipe and label can be said',
  (_name, stock) => {
    const { molPerL, recipe, hazards } = stockCard(stock, 500)
    expect(molPerL).toBeGreaterThan(0.01)
    expect(molPerL).toBeLessThan(15)
    if ('why' in recipe) expect(recipe.why).toMatch(/bought/)
    else {
      expect(recipe.take.value).toBeGreaterThan(0)
      // Less than the whole goes in, or it would not be made up.
      expect(recipe.take.value).toBeLessThan(500)
    }
    for (const code of hazards.codes) expect(hazardStatements[code]).toBeDefined()
  },
)

test.each(recipes)('%s, %d mL: %s %d', (id, toML, unit, value) => {
  const { recipe } = card(id, toML)
  expect(recipe).toMatchObject({ take: { unit } })
  if (!('why' in recipe)) expect(recipe.take.value / value).toBeCloseTo(1, 2)
})

test.each(strengths)('%s is %d mol/L', (_what, form, gPerMol, molPerL) =>
  expect(molarityOf(form, gPerMol, 1.049)).toBeCloseTo(molPerL, 1),
)

test('a hydrate weighs more, an impure solid more; what is not stronger cannot be diluted to it', () => {
  // CuSO4·5H2O: 0.1 mol/L × 250 mL × 249.68 g/mol.
  expect(makeUp({ molPerL: 0.1, toML: 250, gPerMol: 159.61 }, { kind: 'solid', purity: 1, water: 5 }).take.value).toBeCloseTo(
    6.242,
    2,
  )
  expect(makeUp({ molPerL: 1, toML: 100, gPerMol: 40 }, { kind: 'solid', purity: 0.97 }).take.value).toBeCloseTo(4.124, 3)
  expect(() => makeUp({ molPerL: 3, toML: 100, gPerMol: 40 }, { kind: 'solution', molPerL: 3 })).toThrow(/not stronger/)
  expect(() => makeUp({ molPerL: 0, toML: 100, gPerMol: 40 }, { kind: 'solution', molPerL: 3 })).toThrow(/strength and a volume/)
  expect(() => makeUp({ molPerL: 1, toML: 100, gPerMol: 40 }, { kind: 'solution' })).toThrow(/not said/)
})

test('diluting keeps the amount', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 2, noNaN: true }), fc.double({ min: 1, max: 1000, noNaN: true }), (c, mL) => {
      expect(makeUp({ molPerL: c, toML: mL, gPerMol: 40 }, { kind: 'solution', molPerL: 6 }).take.value * 6).toBeCloseTo(
        c * mL,
        6,
      )
    }),
  )
})

test.each([
  // Both sides of each limit.
  ['NaOH', 0.02, ['H290', 'H314']],
  ['NaOH', 0.0199, ['H315', 'H319']],
  ['NaOH', 0.0049, []],
  ['HCl', 0.25, ['H290', 'H314', 'H335']],
  ['HCl', 0.249, ['H290', 'H315', 'H319', 'H335']],
  ['HCl', 0.099, []],
  ['H2SO4', 0.15, ['H290', 'H314']],
  ['H2SO4', 0.149, ['H290', 'H315', 'H319']],
  ['H2SO4', 0.049, []],
  ['C2H4O2', 0.25, ['H314']],
  ['C2H4O2', 0.249, ['H315', 'H319']],
  ['C2H4O2', 0.099, []],
  ['H2O2', 0.08, ['H302', 'H318']],
  ['H2O2', 0.079, ['H319']],
  ['NH3', 0.049, ['H318']],
] as const)('%s at a mass fraction of %d', (formula, fraction, codes) =>
  expect(dilutionHazards({ formula }, fraction)).toEqual(codes),
)

test('an isomer of an acid has not its limits, and is not made from its stock solution', () => {
  expect(dilutionHazards({ formula: 'C2H4O2', groups: ['carboxylic acid'] }, 0.3)).toEqual(['H314'])
  expect(dilutionHazards({ formula: 'C2H4O2', groups: ['ester'] }, 0.3)).toBeNull()
  const five: Form = { kind: 'solution', molPerL: 5 }
  expect(stockFor({ name: 'acetic acid', formula: 'C2H4O2' }, five)).toBeDefined()
  expect(stockFor({ name: 'methyl formate', formula: 'C2H4O2' }, five)).toBeUndefined()
})

test('what 10 % sodium hydroxide and 1 mol/L acid say on a label; without limits the pure substance’s', () => {
  expect(card('naoh-10').hazards).toMatchObject({ codes: ['H290', 'H314'], signal: 'danger', pictograms: ['GHS05'] })
  // 1 mol/L hydrochloric acid is 3.6 %, below the limit.
  expect(card('hcl-1').hazards).toMatchObject({ codes: [], signal: 'none' })
  // 1 mol/L sulfuric acid is 9.3 %.
  expect(card('sulfuric-1').hazards).toMatchObject({ codes: ['H290', 'H315', 'H319'], signal: 'warning' })
  expect(card('permanganate-1').hazards.from).toMatch(/pure substance/)
  expect(card('silver-nitrate-ethanol').hazards.from).toMatch(/pure substance/)
})
