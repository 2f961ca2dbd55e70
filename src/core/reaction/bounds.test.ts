/** What is just taken and just refused, and what follows when something is not known: each rule from both sides. */
import { asWords } from '../words/words'
import { acetanilide, benzoin, isopentylAcetate, trimyristin } from '@/test-support/plans'
import { newPlan } from '../edit/newPlan'
import type { Line, Plan } from '../plan/plan'
import type { Substance } from '../substance/substance'
import { balance } from './balance'
import { editCoefficient, editLine, type Column } from '../edit/editLine'
import { equilibriumCeiling, yieldCeiling } from './equilibrium'
import { greenFigures } from './greenFigures'
import { notLinear } from '../operations/notLinear'
import { timeFactor } from '../quantity/timeFactor'
import { computedLine, isTyped, reactionTable, wholeOf } from './reactionTable'

const problem = (plan: Plan, id: string, column: Column, text: string) => {
  const read = editLine(plan, id, column, text)
  return read.ok ? null : read.problem
}
const taken = (plan: Plan, id: string, column: Column, text: string) => {
  const read = editLine(plan, id, column, text)
  if (!read.ok) throw new Error(read.problem)
  return read.value
}
const withLine = (plan: Plan, substance: Substance, line: Partial<Line>): Plan => ({
  ...plan,
  substances: [...plan.substances, substance],
  lines: [
    ...plan.lines,
    {
      id: 'extra',
      substance: substance.id,
      role: 'reagent',
      coefficient: null,
      form: { kind: 'solid', purity: 1 },
      anchor: null,
      ...line,
    },
  ],
})
const changed = (plan: Plan, id: string, part: Partial<Line>): Plan => ({
  ...plan,
  lines: plan.lines.map((line) => (line.id === id ? { ...line, ...part } : line)),
})
const bare: Substance = { id: 'bare', name: 'bare stuff' }

describe('what is typed into a line', () => {
  const solid = withLine(acetanilide, { id: 's', name: 'a salt', formula: 'NaCl' }, {})
  const component = withLine(trimyristin, bare, { role: 'component' })

  test.each([
    ['0.1 %', null],
    ['1000 %', null],
    ['0 %', /above 0, at most 1000/],
    ['-1 %', /above 0, at most 1000/],
    ['1000.1 %', /above 0, at most 1000/],
    ['x %', /above 0, at most 1000/],
    ['0.01', null],
    ['10000', null],
    ['0', /more than zero/],
    ['10001', /10001 moles to one is more than any/],
    ['two', /plain number/],
    ['1.2 eq', /plain number/],
    ['1.2e-3', null],
    ['5mol%', null],
    ['', /Nothing is written here. Write for example 1.20./],
  ])('as a ratio: %s', (text, said) => {
    if (said === null) expect(problem(solid, 'extra', 'ratio', text)).toBeNull()
    else expect(problem(solid, 'extra', 'ratio', text)).toMatch(said)
  })

  test.each([
    ['0.5 %', null],
    ['100 %', null],
    ['0 %', /above 0, at most 100/],
    ['-3 %', /above 0, at most 100/],
    ['100.5 %', /above 0, at most 100/],
    ['some %', /above 0, at most 100/],
  ])('as a share of the material: %s', (text, said) => {
    if (said === null) expect(taken(component, 'extra', 'mass', text).lines.at(-1)!.anchor).toMatchObject({ of: 'share' })
    else expect(problem(component, 'extra', 'mass', text)).toMatch(said)
  })

  test('a share needs a component and a material; another line’s per cent is no mass', () => {
    expect(problem(withLine(acetanilide, bare, { role: 'component' }), 'extra', 'mass', '5 %')).toMatch(
      /no material in the table/,
    )
    expect(problem(solid, 'extra', 'mass', '5 %')).toMatch(/a percent; this place holds a mass/)
  })

  test.each(['0 mL/g', '-1 mL/g'])('per gram: %s', (text) =>
    expect(problem(solid, 'extra', 'volume', text)).toMatch(/millilitres per gram/),
  )

  test('what has no density, no formula or no amount says so by name, and a product waits for a reactant', () => {
    expect(problem(solid, 'extra', 'volume', '5 mL')).toMatch(/^A salt has no density/)
    expect(problem(withLine(acetanilide, bare, {}), 'extra', 'amount', '5 mmol')).toMatch(/^Bare stuff has no formula/)
    expect(problem(acetanilide, 'nowhere', 'mass', '5 g')).toMatch(/no longer in the table/)
    const empty = newPlan('x', { id: 'a', name: 'a', formula: 'C7H8' }, { id: 'b', name: 'b', formula: 'C7H8' })
    const product = empty.lines.find(({ role }) => role === 'product')!.id
    expect(problem(empty, product, 'mass', '5 g')).toMatch(/Give a reactant an amount first/)
    expect(problem(acetanilide, acetanilide.mainProduct!, 'ratio', '5 %')).toMatch(/only another line that goes in/)
    expect(problem(acetanilide, acetanilide.mainProduct!, 'ratio', '1.2')).toMatch(/^How much acetanilide can form/)
  })

  test('the reference one to one of itself changes nothing', () =>
    expect(taken(acetanilide, acetanilide.reference, 'ratio', '1.00')).toBe(acetanilide))

  test('when the reference moves, a ratio without an amount and a typed mass stay as they are', () => {
    const mass = { of: 'mass', quantity: { value: 2, unit: 'g', decimals: 0 } } as const
    const plan = withLine(acetanilide, bare, { anchor: { of: 'ratio', ratio: 2, decimals: 0 } })
    const moved = taken(plan, 'aniline', 'ratio', '0.8')
    expect(moved.lines.find(({ id }) => id === 'zinc')?.anchor).toEqual(acetanilide.lines.find(({ id }) => id === 'zinc')?.anchor)
    const typed = taken(changed(plan, 'extra', { anchor: mass }), 'aniline', 'ratio', '0.8')
    expect(typed.lines.at(-1)!.anchor).toEqual(mass)
  })

  test.each([
    ['1', null],
    ['1/6', null],
    ['100', null],
    ['1/7', /simple fraction/],
    ['0', /more than zero/],
    ['101', /above 100/],
    ['x', /Write a coefficient/],
  ])('as a coefficient: %s', (text, said) => {
    const read = editCoefficient(acetanilide, 'aniline', text)
    if (said === null) expect(read.ok).toBe(true)
    else expect(read).toMatchObject({ ok: false, problem: expect.stringMatching(said) as string })
  })
})

describe('balance', () => {
  const plan = (reactants: [string, number][], products: [string, number][]): Plan => {
    const parts = [
      ...reactants.map((each) => [...each, 'reactant'] as const),
      ...products.map((each) => [...each, 'by-product'] as const),
    ]
    return {
      ...acetanilide,
      substances: parts.map(([formula], index) => ({ id: `s${index}`, name: formula, formula })),
      lines: parts.map(([, coefficient, role], index) => ({
        id: `l${index}`,
        substance: `s${index}`,
        role,
        coefficient,
        form: { kind: 'solid', purity: 1 },
        anchor: null,
      })),
    }
  }
  // Known equations: the burning of ethane, and the reduction of a nitro group by iron in water.
  test.each<[[string, number][], [string, number][], number[]]>([
    [
      [
        ['C2H6', 1],
        ['O2', 1],
      ],
      [
        ['CO2', 1],
        ['H2O', 1],
      ],
      [2, 7, 4, 6],
    ],
    [
      [
        ['C6H5NO2', 1],
        ['Fe', 1],
        ['H2O', 1],
      ],
      [
        ['C6H7N', 1],
        ['Fe3O4', 1],
      ],
      [4, 9, 4, 4, 3],
    ],
  ])('%j → %j', (reactants, products, numbers) => {
    const { suggestion, imbalances } = balance(plan(reactants, products))
    expect(Object.values(suggestion!)).toEqual(numbers)
    expect(imbalances.length).toBeGreaterThan(0)
    const at = reactants.length
    const right = plan(
      reactants.map(([formula], index) => [formula, numbers[index]!]),
      products.map(([formula], index) => [formula, numbers[at + index]!]),
    )
    expect(balance(right).imbalances).toEqual([])
  })

  test('what would need nothing or less than nothing of a substance is no equation', () => {
    expect(
      balance(
        plan(
          [
            ['C2H6', 1],
            ['N2', 1],
          ],
          [['C2H6', 1]],
        ),
      ).suggestion,
    ).toBeNull()
    expect(
      balance(
        plan(
          [['CO2', 1]],
          [
            ['C', 1],
            ['O2', 1],
            ['N2', 1],
          ],
        ),
      ).suggestion,
    ).toBeNull()
  })

  test('a product outside the equation does not count, and nothing at all balances', () => {
    expect(balance(changed(acetanilide, acetanilide.mainProduct!, { coefficient: null })).imbalances.length).toBeGreaterThan(0)
    expect(balance({ ...acetanilide, lines: [] })).toEqual({ imbalances: [], suggestion: null })
  })

  test('how many are too many on each side is said', () => {
    const twice = changed(benzoin, benzoin.reference, { coefficient: 1 })
    expect(balance(twice).imbalances).toEqual([
      { element: 'C', left: 7, right: 14 },
      { element: 'H', left: 6, right: 12 },
      { element: 'O', left: 1, right: 2 },
    ])
  })
})

describe('ceilings and green figures', () => {
  test('a ratio below one is the other way round, and one to one is the root of K', () => {
    expect(equilibriumCeiling(4, 0.5)).toBeCloseTo(equilibriumCeiling(4, 2), 12)
    expect(equilibriumCeiling(4, 1)).toBeCloseTo(2 / 3, 12)
    for (const [constant, ratio] of [
      [0, 1],
      [1, 0],
      [-1, 1],
      [NaN, 1],
    ] as const)
      expect(() => equilibriumCeiling(constant, ratio)).toThrow(RangeError)
  })

  test('no ceiling without a constant, nor for two of one', () => {
    const table = reactionTable(isopentylAcetate)
    expect(yieldCeiling(isopentylAcetate, table)).toBeGreaterThan(0.6)
    expect(yieldCeiling({ ...isopentylAcetate, equilibrium: undefined } as unknown as Plan, table)).toBeNull()
    const double = changed(isopentylAcetate, isopentylAcetate.reference, { coefficient: 2 })
    expect(yieldCeiling(double, reactionTable(double))).toBeNull()
  })

  test('the mass that goes in over what is expected, by hand from the table of acetanilide', () => {
    const table = reactionTable(acetanilide)
    const all = table.lines
      .filter(({ line }) => !['product', 'by-product'].includes(line.role))
      .reduce((sum, { mass }) => sum + mass!.value, 0)
    const { low, high } = acetanilide.expectedYield!
    const expected = (computedLine(table, acetanilide.mainProduct!).mass!.value * (low + high)) / 2
    expect(greenFigures(acetanilide, table)).toMatchObject({
      massIntensity: expect.closeTo(all / expected, 9) as number,
      eFactor: expect.closeTo(all / expected - 1, 9) as number,
    })
    const { expectedYield: _none, ...unexpected } = acetanilide
    expect(greenFigures(unexpected, table)).toMatchObject({ massIntensity: null, eFactor: null })
    expect(greenFigures({ ...acetanilide, lines: [] }, reactionTable({ ...acetanilide, lines: [] }))).toBeNull()
  })
})

describe('what does not grow in proportion', () => {
  test('at one to one nothing is longer, and one line that stays is one', () => {
    expect(timeFactor(1)).toBe(1)
    const first = changed(acetanilide, 'aniline', { fixed: true })
    expect(notLinear(first, 2).find(({ about }) => about === 'Fixed amounts')!.words).toBe('one line stays as planned')
    expect(notLinear(acetanilide, 1).find(({ about }) => about === 'Heat')!.words).toContain('it cools faster')
  })

  test('an addition of 15 and 5 min at 8 times the scale takes 40', () => {
    const plan: Plan = {
      ...acetanilide,
      steps: [
        {
          id: 'a',
          kind: 'act',
          operation: 'add',
          verb: 'Add',
          title: asWords('Add it'),
          text: asWords(''),
          handsOnMin: 15,
          waitMin: 5,
        },
      ],
    }
    expect(notLinear(plan, 8)[0]).toEqual({ about: 'Add it', words: 'about 2.00 times the time; 20 min become 40 min' })
  })
})

describe('what follows from another line', () => {
  test('millilitres to the gram follow the reactant that sets the limit, and where nothing does the reference', () => {
    const solvent = withLine(
      acetanilide,
      { id: 'w', name: 'w', formula: 'H2O', density: { gPerML: 1, source: 'x' } },
      {
        role: 'solvent',
        form: { kind: 'neat', purity: 1 },
        anchor: { of: 'per-gram', mLPerG: 2, decimals: 0 },
      },
    )
    const volume = (plan: Plan) => computedLine(reactionTable(plan), 'extra').volume?.value
    expect(volume(solvent)).toBeCloseTo(2 * 4.088, 9)
    // Half the anhydride: now it sets the limit, 2.50 mL × 1.082 g/mL.
    const half = changed(solvent, 'anhydride', { anchor: { of: 'volume', quantity: { value: 2.5, unit: 'mL', decimals: 2 } } })
    expect(volume(half)).toBeCloseTo(2 * 2.5 * 1.082, 9)
    const alone = changed(changed(solvent, 'aniline', { role: 'reagent', coefficient: null }), 'anhydride', {
      role: 'reagent',
      coefficient: null,
    })
    expect(volume(alone)).toBeCloseTo(2 * 4.088, 9)
    expect(volume({ ...alone, reference: 'extra' })).toBeUndefined()
    expect(volume({ ...alone, reference: 'none' })).toBeUndefined()
  })

  test('a ratio to itself, and one to a reference without an amount, is none', () => {
    const self = changed(acetanilide, 'aniline', { anchor: { of: 'ratio', ratio: 1, decimals: 2 } })
    expect(computedLine(reactionTable(self), 'aniline').amount).toBeNull()
    expect(reactionTable({ ...acetanilide, reference: 'none' }).lines.every(({ ratio }) => ratio === null)).toBe(true)
  })

  test('the limit is set at the least n/ν, with a difference of less than a thousand millionth taken as none', () => {
    const near = (by: number) => {
      const amount = computedLine(reactionTable(acetanilide), 'aniline').amount!.value
      const anchor = { of: 'amount', quantity: { value: amount * (1 + by), unit: 'mmol', decimals: 3 } } as const
      return reactionTable(changed(acetanilide, 'anhydride', { anchor })).limiting
    }
    expect(near(1e-11)).toEqual(['aniline', 'anhydride'])
    expect(near(1e-8)).toEqual(['aniline'])
    expect(near(-1e-8)).toEqual(['anhydride'])
  })

  test('a product without a coefficient forms one to one; one without a formula has no mass', () => {
    const loose = changed(acetanilide, acetanilide.mainProduct!, { coefficient: null })
    const table = reactionTable(loose)
    expect(computedLine(table, acetanilide.mainProduct!).amount!.value).toBeCloseTo(table.extent!.value, 12)
  })

  test('what was typed is known as typed, and the ratio of the reference is exactly one', () => {
    const [aniline] = acetanilide.lines
    expect([isTyped(aniline!, 'volume'), isTyped(aniline!, 'mass')]).toEqual([true, false])
    expect(computedLine(reactionTable(acetanilide), 'aniline').ratio).toEqual({ value: 1, rounding: 0, u: 0 })
    expect(() => computedLine(reactionTable(acetanilide), 'none')).toThrow('no line “none”')
    expect(wholeOf({ ...acetanilide, mainProduct: undefined } as unknown as Plan, reactionTable(acetanilide))).toBeNull()
  })

  test('an impure solid is less than it weighs, and a pure one is known as well as its mass', () => {
    const salt = (purity: number) =>
      computedLine(
        reactionTable(
          withLine(
            acetanilide,
            { id: 's', name: 's', formula: 'NaCl' },
            {
              form: { kind: 'solid', purity },
              anchor: { of: 'mass', quantity: { value: 5.844, unit: 'g', decimals: 3 } },
            },
          ),
        ),
        'extra',
      ).amount!
    expect(salt(1).value).toBeCloseTo(100, 1)
    expect(salt(0.5).value).toBeCloseTo(50, 1)
    expect(salt(1).rounding).toBeCloseTo(0.0005 / 5.844, 12)
    expect(salt(0.5).rounding).toBeGreaterThan(0.09)
  })
})
