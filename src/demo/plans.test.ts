/** Each demo preparation against a sheet worked by hand. */
import { readPlanFile, writePlanFile } from '@/core/format/planFile'
import { calculate } from '@/core/format/calculation'
import { balance } from '@/core/reaction/balance'
import { queriesOf } from '@/core/query/queries'
import { mainResult } from '@/core/plan/plan'
import { reactionTable, theoreticalYield, wholeOf } from '@/core/reaction/reactionTable'
import { scalePlan } from '@/core/edit/scalePlan'
import { plans } from './plans'

/** Queries without the author's answer. */
const open = <Q extends { answer?: string }>(queries: Q[]) => queries.filter(({ answer }) => answer === undefined)

const plan = (title: string) => plans.find((each) => each.title === title)!

describe.each([
  // 4.00 mL × 1.022 g/mL × 0.99 ÷ 93.129 g/mol = 43.457 mmol; × 135.166 g/mol
  ['Acetanilide', 'aniline', 43.457, 5.8739],
  // 10.0 mL × 1.044 × 0.99 ÷ 106.124 = 97.392 mmol; ÷ 2 × 212.248
  ['Benzoin', 'benzaldehyde', 97.392, 10.3356],
  // 4.00 g ÷ 212.248 = 18.846 mmol; × 210.232
  ['Benzil', 'benzoin', 18.846, 3.962],
  // 2.00 g ÷ 210.232 = 9.5133 mmol; × 228.247
  ['Benzilic acid', 'benzil', 9.5133, 2.1714],
  // 5.40 mL × 0.810 × 0.98 ÷ 88.150 = 48.628 mmol; × 130.187
  ['Isopentyl acetate', 'alcohol', 48.628, 6.3307],
  // 3.3 mL × 0.790 × 0.995 ÷ 58.080 = 44.662 mmol; × 116.204
  ['2-Methylhexan-2-ol', 'acetone', 44.662, 5.1899],
  // 5.60 mL × 1.088 × 0.99 ÷ 136.150 = 44.303 mmol; × 181.147
  ['Methyl 3-nitrobenzoate', 'ester', 44.303, 8.0254],
])('%s', (title, limiting, mmol, grams) => {
  const found = plan(title)
  const table = reactionTable(found)

  test(`${limiting} sets the limit at ${mmol} mmol, theory ${grams} g`, () => {
    expect(table.limiting).toEqual([limiting])
    expect(table.lines.find(({ line }) => line.id === limiting)!.amount!.value).toBeCloseTo(mmol, 2)
    expect(theoreticalYield(found, table)!.value).toBeCloseTo(grams, 3)
  })

  test('the equation balances, no query is open, and the file comes back as it was', () => {
    expect(balance(found).imbalances).toEqual([])
    expect(open(queriesOf(found)).map(({ id, evidence }) => `${id}: ${evidence}`)).toEqual([])
    expect(readPlanFile(writePlanFile(found))).toEqual(found)
  })

  test('what the command line prints is the same figure', () => {
    const printed = calculate(found)
    expect(printed).toMatchObject({ title, limiting: [limiting], balanced: true })
    expect(open(printed.queries)).toEqual([])
    expect(JSON.stringify(printed.theoreticalYield_g)).toContain(String(theoreticalYield(found, table)!.value).slice(0, 6))
  })

  test('it says where the waste goes, begins with safety, and warns at every dangerous operation', () => {
    expect(found.steps[0]!.kind).toBe('safety')
    expect(found.steps.at(-1)!.text).toMatch(/waste/)
    for (const step of found.steps) if (step.kind === 'reflux' || step.kind === 'crystallise') expect(step.caution).toBeTruthy()
    expect(found.safety.atHand.length).toBeGreaterThan(0)
  })

  test('scaled down and up again it is itself', () => {
    const back = scalePlan(scalePlan(found, 0.5), 2)
    expect(theoreticalYield(back, reactionTable(back))!.value).toBeCloseTo(grams, 3)
  })
})

describe.each([
  // 5.00 g of nutmeg; 6 mL/g × 5.00 g = 30.0 mL of ether
  ['Trimyristin from nutmeg', 5.0, 0.1, { ether: 30 }],
  // 33.3 % × 3.00 g = 0.999 g of each
  ['Separation of an acid, an amine and a hydrocarbon', 0.999, 0.75, { acid: 30, base: 30 }],
  // 25 mL × 0.779 g/mL = 19.475 g
  ['Fractionating cyclohexane and toluene', 19.475, 0.3, { toluene: 25 }],
] as const)('%s', (title, whole, low, volumes) => {
  const found = plan(title)
  const table = reactionTable(found)

  test(`what it is counted from is ${whole} g, and nothing is called a yield`, () => {
    expect(wholeOf(found, table)!.value).toBeCloseTo(whole, 3)
    expect(theoreticalYield(found, table)).toBeNull()
    expect(mainResult(found)).toMatchObject({ expected: { low }, recovery: { expected: { low } } })
    for (const [id, millilitres] of Object.entries(volumes))
      expect(table.lines.find(({ line }) => line.id === id)!.volume!.value).toBeCloseTo(millilitres, 9)
  })

  test('no query is open, and the file comes back as it was', () => {
    expect(open(queriesOf(found)).map(({ id, evidence }) => `${id}: ${evidence}`)).toEqual([])
    expect(readPlanFile(writePlanFile(found))).toEqual(found)
    expect(calculate(found).theoreticalYield_g).toBeNull()
    expect(open(calculate(found).queries)).toEqual([])
  })

  test('it begins with safety, says where the waste goes, and scales', () => {
    expect(found.steps[0]!.kind).toBe('safety')
    expect(found.steps.at(-1)!.text).toMatch(/waste/)
    const twice = scalePlan(found, 2)
    expect(wholeOf(twice, reactionTable(twice))!.value).toBeCloseTo(2 * whole, 3)
  })
})

test('the amounts that the separation works against, by hand: acid, base and what sets them free', () => {
  const table = reactionTable(plan('Separation of an acid, an amine and a hydrocarbon'))
  const mmol = (id: string) => table.lines.find(({ line }) => line.id === id)!.amount!.value
  // 0.999 g ÷ 165.19 and ÷ 136.15 g/mol; 30 mL × 3 and × 1.5 mol/L; 10 mL × 6, 20 mL × 6
  expect(['amine', 'toluic', 'acid', 'base', 'strong-acid', 'strong-base'].map((id) => mmol(id).toFixed(2))).toEqual([
    '6.05',
    '7.34',
    '90.00',
    '45.00',
    '60.00',
    '120.00',
  ])
})
