/** The demo preparations against sheets worked by hand: every line's mass in g, volume in mL and amount in mmol. */
import { printed } from '../words/words'
import { acetanilide, benzoin } from '@/test-support/plans'
import type { Plan } from '../plan/plan'
import { calculate } from './calculation'

type Sheet = Record<string, { mass?: number; volume?: number; amount?: number; ratio?: number }>

const acetanilideSheet: Sheet = {
  // 4.00 mL × 1.022 g/mL; × 0.99 ÷ 93.129 g/mol
  aniline: { mass: 4.088, volume: 4, amount: 43.45714, ratio: 1 },
  // 5.00 mL × 1.082 g/mL; × 0.98 ÷ 102.089 g/mol
  anhydride: { mass: 5.41, volume: 5, amount: 51.93312, ratio: 1.19504 },
  // 5.0 mL × 1.049 g/mL; ÷ 60.052 g/mol
  'acetic-acid': { mass: 5.245, volume: 5, amount: 87.34097 },
  // 0.10 g ÷ 65.38 g/mol
  zinc: { mass: 0.1, amount: 1.52952 },
  // 80 mL and 98 mL × 0.998 g/mL; ÷ 18.015 g/mol
  'quench-water': { mass: 79.84, volume: 80, amount: 4431.86234 },
  'hot-water': { mass: 97.804, volume: 98, amount: 5429.03136 },
  // ξ × 135.166 g/mol
  acetanilide: { mass: 5.87393, amount: 43.45714, ratio: 1 },
  // ξ × 60.052 g/mol; ÷ 1.049 g/mL
  'by-acid': { mass: 2.60969, volume: 2.48779, amount: 43.45714 },
}

const benzoinSheet: Sheet = {
  // 10.0 mL × 1.044 g/mL; × 0.99 ÷ 106.124 g/mol
  benzaldehyde: { mass: 10.44, volume: 10, amount: 97.39173, ratio: 1 },
  // 0.053 × 97.39173 mmol; × 337.263 g/mol
  thiamine: { mass: 1.74087, amount: 5.16176, ratio: 0.053 },
  water: { mass: 4.99, volume: 5, amount: 276.99139 },
  // 20 mL × 0.789 g/mL; × 0.95 ÷ 46.069 g/mol
  ethanol: { mass: 15.78, volume: 20, amount: 325.4032 },
  // 3.5 mL × 3 mol/L
  hydroxide: { volume: 3.5, amount: 10.5 },
  'hot-ethanol': { mass: 63.12, volume: 80, amount: 1301.6128 },
  // ξ = 97.39173 ÷ 2; × 212.248 g/mol
  benzoin: { mass: 10.3356, amount: 48.69587, ratio: 0.5 },
}

describe.each([
  ['acetanilide', acetanilide, acetanilideSheet],
  ['benzoin', benzoin, benzoinSheet],
] as [string, Plan, Sheet][])('the sheet of %s', (_name, plan, sheet) => {
  const { lines } = calculate(plan)

  test('has every line of the plan', () => {
    expect(Object.keys(sheet).sort()).toEqual(plan.lines.map(({ id }) => id).sort())
  })

  test.each(Object.keys(sheet))('%s', (id) => {
    const line = lines.find((candidate) => candidate.id === id)!
    const expected = sheet[id]!
    const near = (found: number | undefined, value: number | undefined) => {
      if (value !== undefined) expect(found! / value).toBeCloseTo(1, 5)
    }
    near(line.mass_g?.value, expected.mass)
    near(line.volume_mL?.value, expected.volume)
    near(line.amount_mmol?.value, expected.amount)
    near(line.ratio ?? undefined, expected.ratio)
    if (expected.mass === undefined) expect(line.mass_g).toBeNull()
    if (expected.volume === undefined) expect(line.volume_mL).toBeNull()
  })
})

describe('what a plan says about itself', () => {
  test('one line sets the limit in each, and the excess of the other is its share over it', () => {
    const of = (plan: Plan) =>
      calculate(plan)
        .lines.filter(({ limiting }) => limiting)
        .map(({ id }) => id)
    expect(of(acetanilide)).toEqual(['aniline'])
    expect(of(benzoin)).toEqual(['benzaldehyde'])
    expect(calculate(acetanilide).lines.find(({ id }) => id === 'anhydride')!.excess).toBeCloseTo(51.93312 / 43.45714 - 1, 5)
  })

  test('lines outside the equation have no excess and never limit', () => {
    for (const plan of [acetanilide, benzoin]) {
      for (const line of calculate(plan).lines.filter(({ role }) => role !== 'reactant')) {
        expect([line.id, line.limiting, line.excess]).toEqual([line.id, false, null])
      }
    }
  })

  test('every step’s amounts name lines that exist, and every charge has its device', () => {
    for (const plan of [acetanilide, benzoin]) {
      for (const step of plan.steps) {
        for (const [, id] of printed(step.text).matchAll(/\{([\w-]+)\}/g)) expect(plan.lines.map((line) => line.id)).toContain(id)
        if (step.kind === 'charge') expect(step.device).toMatch(step.measure === 'mass' ? /^balance/ : /^(cylinder|pipette)/)
      }
    }
  })

  test('every constant of a substance carries its source, and every dangerous one a caution for the bench', () => {
    for (const { substances, lines } of [acetanilide, benzoin]) {
      for (const substance of substances) {
        for (const record of [
          substance.density,
          substance.melting,
          substance.boiling,
          substance.hazards,
          ...(substance.solubility ?? []),
        ]) {
          if (record) expect([substance.id, record.source.length > 10]).toEqual([substance.id, true])
        }
        const charged = lines.some((line) => line.substance === substance.id && line.role !== 'product')
        if (charged && substance.hazards) expect([substance.id, substance.caution]).toEqual([substance.id, expect.any(String)])
      }
    }
  })
})
