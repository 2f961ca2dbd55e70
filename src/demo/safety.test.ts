/** What the safety sheet of each demo preparation must not leave out. */
import { gasesIn, isNoticed } from '@/core/operations/vessel/gasesIn'
import { reactionTable } from '@/core/reaction/reactionTable'
import { safetySheet } from '@/core/safety/safetySheet'
import { precautionsFor } from '@/reference/hazardStatements'
import { plans } from './plans'

const sheetOf = (title: string) => safetySheet(plans.find((plan) => plan.title === title)!)

test.each<[string, string[], RegExp[], [string, string][]]>([
  ['Acetanilide', ['H301', 'H311', 'H314', 'H331', 'H351'], [/closed system bursts/, /chips into hot liquid/], []],
  ['Benzoin', ['H225', 'H314'], [/stays? below|vapour|flame|flammable/i], []],
  [
    'Benzil',
    ['H272', 'H314', 'H330'],
    [/brown fumes are toxic/i, /sets fire to solvents/, /Acid into water/],
    [['oxidiser', 'nitric acid']],
  ],
  ['Benzilic acid', ['H225', 'H314'], [/Strong base blinds/, /Ethanol catches fire/], [['other organic', 'ethanol']]],
  [
    'Isopentyl acetate',
    ['H226', 'H314'],
    [/gas: swirl open first/, /never to dryness/, /Concentrated sulfuric acid burns/],
    [['other organic', 'isopentyl acetate']],
  ],
  [
    '2-Methylhexan-2-ol',
    ['H224', 'H228', 'EUH019'],
    [/Never add the rest before it has started/, /hydrogen/, /peroxides may be/, /Ether vapour creeps/],
    [['halogenated organic', '1-bromobutane']],
  ],
  [
    'Methyl 3-nitrobenzoate',
    ['H272', 'H301', 'H314', 'H370'],
    [/Above 15 °C/, /Acid onto ice, never the reverse/, /Methanol is toxic/],
    [['oxidiser', 'nitric acid']],
  ],
])('%s', (title, codes, dangers, waste) => {
  const sheet = sheetOf(title)
  expect(sheet.codes).toEqual(expect.arrayContaining(codes))
  for (const danger of dangers) expect(sheet.dangers.map(({ words }) => words).join('\n')).toMatch(danger)
  for (const [stream, name] of waste) expect(sheet.waste.find((each) => each.stream === stream)!.substances).toContain(name)
  // Whoever may burn eyes or skin is told what to do then.
  expect(precautionsFor(sheet.codes)).toEqual(expect.arrayContaining(['P280', 'P305+P351+P338']))
})

test('every danger names a step of the plan, and every substance with hazards has its signal word and pictogram', () => {
  for (const plan of plans) {
    const sheet = safetySheet(plan)
    const titles = plan.steps.map(({ title }) => title)
    for (const { steps } of sheet.dangers) for (const step of steps) expect(titles).toContain(step)
    for (const { hazards } of sheet.substances) {
      expect(hazards!.pictograms.length).toBeGreaterThan(0)
      expect(hazards!.statements.every((statement) => /^(EU)?H\d{3}[A-Za-z]{0,2}(\+H\d{3})*$/.test(statement))).toBe(true)
    }
    expect(sheet.pictograms).toEqual([...sheet.pictograms].sort())
  }
})

test('a gas of the equation stands once, with its volume, where the reactants have met', () => {
  const of = (title: string) => {
    const plan = plans.find((each) => each.title === title)!
    return gasesIn(plan, reactionTable(plan))
      .filter(isNoticed)
      .map(({ gas, step, litres }) => [gas, step, Number(litres!.toFixed(2))])
  }
  // 2 × 18.85 mmol × 24.06 L/mol = 0.91 L; without the record of a meeting for it.
  expect(of('Benzil')).toEqual([['nitrogen oxides', 'heat', 0.91]])
  // Carbonate with tartrate's acid and carbon dioxide of the equation are one and the same gas.
  expect(of('Tartaric acid from cream of tartar').filter(([gas]) => gas === 'carbon dioxide')).toHaveLength(1)
})
