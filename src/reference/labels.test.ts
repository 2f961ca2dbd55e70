import type { Form } from '@/core/plan/plan'
import { molarMass } from '@/core/substance/molarMass'
import { batchOf } from '@/core/stores/batch'
import { labelOf, wasteLabel } from './labels'
import { substanceRecords } from './records'
import { hazardsAt } from './hazardsAt'
import { stockFor, stockSolutions } from './solutions'

const record = (id: string) => substanceRecords.find((each) => each.id === id)!
const molar = (molPerL: number, gPerML?: number): Form => ({ kind: 'solution', molPerL, ...(gPerML ? { gPerML } : {}) })

describe('what stands on a label', () => {
  test.each<[string, string, Form, string, string, string[]]>([
    ['pellets', 'sodium-hydroxide', { kind: 'solid', purity: 1 }, 'danger', '', ['GHS05']],
    // 3 mol/L × 40.00 g/mol ÷ 1110 g/L = 10.8 %: corrosive from 2 %.
    ['3 mol/L', 'sodium-hydroxide', molar(3, 1.11), 'danger', '3 mol/L', ['GHS05']],
    // 0.25 mol/L × 40.00 ÷ 1010 = 0.99 %: irritant from 0.5 to 2 %.
    ['0.25 mol/L', 'sodium-hydroxide', molar(0.25, 1.01), 'warning', '0.25 mol/L', ['GHS07']],
    // 0.1 mol/L × 40.00 ÷ 1002 = 0.4 %: below all limits.
    ['0.1 mol/L', 'sodium-hydroxide', molar(0.1, 1.002), 'none', '0.1 mol/L', []],
    ['neat', 'ethanol', { kind: 'neat', purity: 0.95 }, 'danger', '', ['GHS02', 'GHS07']],
  ])('%s of %s', (_words, id, form, signal, detail, pictograms) => {
    const label = labelOf(record(id), form)
    expect(label).toMatchObject({ name: record(id).name, signal, detail, pictograms, path: `/reference?substance=${id}` })
    expect(label.kind).toBe(form.kind === 'solution' ? 'solution' : 'substance')
    for (const statement of label.statements) expect(statement).toMatch(/^(EU)?H\d{3}[A-Za-z+\d]*$/)
  })

  test('without a density, or in another solvent, the statements of the pure substance stand, and it says so', () => {
    expect(hazardsAt(record('sodium-hydroxide'), molar(0.1)).from).toMatch(/pure substance/)
    const inEthanol: Form = { kind: 'solution', molPerL: 0.1, gPerML: 0.8, solvent: 'ethanol' }
    expect(hazardsAt(record('sodium-hydroxide'), inEthanol)).toMatchObject({ signal: 'danger' })
    expect(hazardsAt({ formula: 'C2H2' }, { kind: 'solid', purity: 1 }).from).toMatch(
      /^hazards not known: get the safety data sheet$/,
    )
  })

  test('waste is all that its parts are', () => {
    const label = wasteLabel(
      'other organic',
      [
        { substance: record('ethanol'), form: { kind: 'neat', purity: 1 } },
        { substance: record('sodium-hydroxide'), form: molar(0.25, 1.01) },
      ],
      '/x',
    )
    expect(label).toMatchObject({
      name: 'other organic',
      signal: 'danger',
      detail: 'ethanol, sodium hydroxide',
      pictograms: ['GHS02', 'GHS07'],
    })
  })
})

describe('what a solution of a plan is made from', () => {
  test('the stock solution of the same strength; a label rounds', () => {
    expect(stockFor(record('sodium-hydroxide'), molar(6))).toMatchObject({ id: 'naoh-6' })
    expect(stockFor(record('sodium-hydroxide'), molar(6.1))).toMatchObject({ id: 'naoh-6' })
    expect(stockFor(record('sodium-hydroxide'), molar(6.2))).not.toHaveProperty('id')
  })

  test('another strength from what that is made from; what melts above the room from the solid; else nothing', () => {
    expect(stockFor(record('hydrochloric-acid'), molar(2))!.from).toMatchObject({ kind: 'mass-fraction', fraction: 0.37 })
    expect(stockFor({ name: 'a solid', formula: 'C6H12O6', melting: { lowC: 146 } }, molar(1))).toEqual({
      from: { kind: 'solid', purity: 1 },
    })
    expect(stockFor({ name: 'a liquid', formula: 'C6H12', melting: { lowC: 6 } }, molar(1))).toBeUndefined()
  })

  /** By hand: c·V·M, or c·V over the strength of what it is made from (37 %: 11.98, 96 %: 18.01, 25 % ammonia: 13.36 mol/L); a tenth more where it is saturated. */
  test.each<[string, number, number, string]>([
    ['naoh-1', 1000, 40.0, 'beaker, 2000 mL'],
    ['naoh-6', 100, 24.0, 'beaker, 250 mL'],
    ['naoh-5', 500, 500 * 1.054 * 0.05, 'beaker, 1000 mL'],
    ['naoh-10', 250, 250 * 1.109 * 0.1, 'beaker, 400 mL'],
    ['koh-6', 100, 6 * 0.1 * 56.11, 'beaker, 250 mL'],
    ['hcl-1', 1000, 1000 / 11.98, 'beaker, 2000 mL'],
    ['hcl-3', 500, 1500 / 11.98, 'beaker, 1000 mL'],
    ['hcl-6', 200, 1200 / 11.98, 'beaker, 400 mL'],
    ['sulfuric-1', 500, 500 / 18.01, 'beaker, 1000 mL'],
    ['sulfuric-3', 300, 900 / 18.01, 'beaker, 400 mL'],
    ['ammonia-2', 500, 1000 / 13.36, 'beaker, 1000 mL'],
    ['ammonia-6', 100, 600 / 13.36, 'beaker, 250 mL'],
    ['brine', 400, 400 * 1.197 * 0.26 * 1.1, 'beaker, 600 mL'],
    ['saturated-bicarbonate', 500, 500 * 1.065 * 0.088 * 1.1, 'beaker, 1000 mL'],
    ['ammonium-chloride', 200, 200 * 1.075 * 0.27 * 1.1, 'beaker, 400 mL'],
    ['bicarbonate-5', 500, 500 * 1.034 * 0.05, 'beaker, 1000 mL'],
    ['carbonate-10', 300, 300 * 1.103 * 0.1, 'beaker, 400 mL'],
    ['calcium-chloride-20', 100, 100 * 1.178 * 0.2, 'beaker, 250 mL'],
    ['silver-nitrate-0.1', 100, 0.01 * 169.87, 'beaker, 250 mL'],
    ['naoh-0.1', 500, 0.05 * 40.0, 'volumetric flask, 500 mL'],
    ['hcl-0.1', 900, 100 / 11.98, 'volumetric flask, 1000 mL'],
  ])('%s, %d mL: %d', (id, mL, take, vessel) => {
    const stock = stockSolutions.find((each) => each.id === id)!
    const batch = batchOf({ substance: record(stock.of) as never, form: stock.form }, mL, stock)
    if ('why' in batch) throw new Error(batch.why)
    expect(batch.take.value / take).toBeCloseTo(1, 2)
    expect(batch.vessel).toBe(vessel)
    expect(molarMass(record(stock.of).formula!)).toBeGreaterThan(0)
  })
})
