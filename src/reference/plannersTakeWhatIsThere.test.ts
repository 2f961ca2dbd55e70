import { defaultLab } from '@/core/lab/lab'
import type { DistilBlanks } from '@/core/operations/distil/blanks'
import { blanksOf, contextOf } from '@/core/operations/planners'
import { reactionTable } from '@/core/reaction/reactionTable'
import { shortPlan, type ShortLine, type ShortStep } from '@/test-support/matter'

/** What the planner of a distillation puts into its pot, on plans from other books: what is there by then, and nothing else. */
function pot(lines: Record<string, ShortLine>, steps: ShortStep[], more: object = {}): Record<string, number> {
  const plan = shortPlan(lines, steps, more)
  const step = plan.steps.at(-1)!
  const { components } = blanksOf<DistilBlanks>(contextOf(plan, reactionTable(plan), step, defaultLab))
  return Object.fromEntries(
    components.map(({ name, mmol }) => [plan.substances.find(({ id }) => id === name)!.name, Number(mmol)]),
  )
}

const flask = { kind: 'round-bottom', sizeML: 50 } as const
const funnel = { kind: 'separating funnel', sizeML: 250 } as const

test('1 mL of ethanol in 20 mL of aqueous acid: the water is in the pot', () => {
  const found = pot(
    {
      ethanol: { of: 'ethanol', mL: 1 },
      acid: { of: 'hydrochloric acid', mL: 20, form: { kind: 'solution', molPerL: 0.1 } },
      water: { of: 'water', mL: 1 },
    },
    [{ op: 'charge', in: '{ethanol}{acid}{water}', vessel: flask }, { op: 'distil' }],
  )
  expect(found.water).toBeGreaterThan(1100)
  // 0.789 g of 46.07 g/mol
  expect(found.ethanol).toBeCloseTo(17.1, 0)
})

test('a second distillation begins with what the first gave', () => {
  const found = pot({ toluene: { of: 'toluene', mL: 30 } }, [
    { op: 'charge', in: '{toluene}', vessel: flask },
    { op: 'distil', typed: { stopML: 10 } },
    { op: 'assemble', vessel: { kind: 'round-bottom', sizeML: 25 } },
    { op: 'distil' },
  ])
  // 20 of 30 mL came over: 188 mmol, less what stays in the condenser.
  expect(found.toluene).toBeGreaterThan(150)
  expect(found.toluene).toBeLessThan(200)
})

test('what was washed out is not in the pot, what the layer keeps is', () => {
  const found = pot(
    {
      ether: { of: 'diethyl ether', mL: 30, role: 'solvent' },
      ester: { of: 'isopentyl acetate', mL: 10 },
      acid: { of: 'acetic acid', mL: 3 },
      base: { of: 'sodium hydroxide', mL: 40, form: { kind: 'solution', molPerL: 2 } },
      agent: { of: 'magnesium sulfate', g: 3 },
    },
    [
      { op: 'charge', in: '{ether}{ester}{acid}', vessel: funnel },
      { op: 'wash', in: '{base}', typed: { into: 'B' } },
      { op: 'dry-solution', in: '{agent}' },
      { op: 'decant' },
      { op: 'distil' },
    ],
  )
  expect(found['acetic acid']).toBeUndefined()
  expect(found['diethyl ether']).toBeGreaterThan(200)
  expect(found['isopentyl acetate']).toBeGreaterThan(60)
})

test('nothing in the pot, or nobody knows how much: nothing is put in for it', () => {
  expect(pot({ toluene: { of: 'toluene', mL: 30 } }, [{ op: 'distil' }])).toEqual({})
  const unknown: ShortLine = { of: 'toluene', form: { kind: 'neat', purity: 1 } }
  expect(pot({ toluene: unknown }, [{ op: 'charge', in: '{toluene}', vessel: flask }, { op: 'distil' }])).toEqual({})
})

const material: ShortLine = { of: { id: 'raw', name: 'raw acetanilide' }, g: 3, role: 'material' }

test.each([0.5, 0.9])(
  '3 g of a crude that is 90 %% acetanilide are 2.7 g in the pot, whatever recovery is expected (%s)',
  (high) => {
    const plan = shortPlan(
      {
        raw: material,
        pure: { of: 'acetanilide', role: 'component', share: { of: 'raw', percent: 90 } },
        hot: { of: 'water', mL: 60, role: 'solvent' },
      },
      [
        { op: 'charge', in: '{raw}', vessel: flask },
        { op: 'crystallise', more: { solvent: 'hot', from: 'crude', to: 'pure' } as never },
        { op: 'filter', typed: { keep: 'solid' } },
      ],
      { recoveries: [{ sample: 'pure', product: 'pure', of: 'raw', expected: { low: 0.4, high } }], product: 'pure' } as never,
    )
    const table = reactionTable(plan)
    const at = (step: number) => blanksOf<Record<string, unknown>>(contextOf(plan, table, plan.steps[step]!, defaultLab))
    expect(at(1).soluteG).toBe(2.7)
    // 60 mL keep under 0.3 g when they are cold: the rest is on the filter, with the 0.3 g that is something else, in the water that it came from.
    expect(Number(at(2).solidG)).toBeGreaterThan(2.4)
    expect(Number(at(2).solidG)).toBeLessThan(3)
    expect(Number(at(2).volumeML)).toBeGreaterThan(57)
    expect(Number(at(2).volumeML)).toBeLessThan(65)
  },
)
