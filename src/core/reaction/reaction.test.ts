import { asWords } from '../words/words'
import fc from 'fast-check'
import { acetanilide, benzoin } from '@/test-support/plans'
import type { Anchor, Plan } from '../plan/plan'
import { stepTextPlain } from './stepText'
import { days, writeMinutes } from '../plan/duration'
import { addStep } from '../edit/addStep'
import { queriesOf } from '../query/queries'
import { balance } from './balance'
import { editCoefficient, editLine, type Column } from '../edit/editLine'
import { computedLine, reactionTable, theoreticalYield, type Charge } from './reactionTable'
import { scalePlan } from '../edit/scalePlan'
import { limitingNames, working } from './working'

const edited = (plan: Plan, line: string, column: Column, text: string): Plan => {
  const read = editLine(plan, line, column, text)
  if (!read.ok) throw new Error(read.problem)
  return read.value
}
const problem = (plan: Plan, line: string, column: Column, text: string): string => {
  const read = editLine(plan, line, column, text)
  return read.ok ? '' : read.problem
}
const line = (plan: Plan, id: string) => computedLine(reactionTable(plan), id)
const setAnchor = (plan: Plan, id: string, anchor: Anchor): Plan => ({
  ...plan,
  lines: plan.lines.map((each) => (each.id === id ? { ...each, anchor } : each)),
})

describe('the reaction table of acetanilide, worked by hand', () => {
  const table = reactionTable(acetanilide)

  test('aniline: 4.00 mL × 1.022 g/mL × 0.99 ÷ 93.129 g/mol = 43.457 mmol', () => {
    const aniline = computedLine(table, 'aniline')
    expect(aniline.mass!.value).toBeCloseTo(4.088, 6)
    expect(aniline.amount!.value).toBeCloseTo(43.45714, 4)
    expect(aniline.limiting).toBe(true)
  })

  test('anhydride: 5.00 mL × 1.082 g/mL × 0.98 ÷ 102.089 g/mol = 51.933 mmol, 19.50 % in excess', () => {
    const anhydride = computedLine(table, 'anhydride')
    expect(anhydride.amount!.value).toBeCloseTo(51.93312, 4)
    expect(anhydride.excess!).toBeCloseTo(0.19504, 4)
  })

  test('theory: 43.457 mmol × 135.166 g/mol = 5.8739 g', () => {
    expect(theoreticalYield(acetanilide, table)!.value).toBeCloseTo(5.87393, 4)
    expect(table.limiting).toEqual(['aniline'])
    expect(limitingNames(acetanilide, table)).toBe('aniline')
  })

  test('its uncertainty comes from the cylinder: √(0.05²/12 + 0.05² + 0.2²/3)/4.00 = 3.166 %', () => {
    expect(theoreticalYield(acetanilide, table)!.u).toBeCloseTo(0.03166, 5)
  })

  test('what was charged takes the place of the plan, and the limiting reagent may change', () => {
    const charged = { anhydride: { measure: 'volume' as const, figure: { value: 3.6, rounding: 0, u: 0 } } }
    const run = reactionTable(acetanilide, charged)
    expect(run.limiting).toEqual(['anhydride'])
    // 3.60 × 1.082 × 0.98 ÷ 102.089 = 37.392 mmol
    expect(run.extent!.value).toBeCloseTo(37.39184, 4)
  })
})

describe('benzoin', () => {
  test('two benzaldehydes to one benzoin: 97.392 mmol ÷ 2 × 212.248 = 10.336 g', () => {
    expect(theoreticalYield(benzoin, reactionTable(benzoin))!.value).toBeCloseTo(10.3356, 3)
  })

  test('with the coefficient 1 the query comes at once, names the elements, and its remedy puts the 2 back', () => {
    const wrong = editCoefficient(benzoin, 'benzaldehyde', '1')
    if (!wrong.ok) throw new Error(wrong.problem)
    expect(theoreticalYield(wrong.value, reactionTable(wrong.value))!.value).toBeCloseTo(20.6712, 3)
    const query = queriesOf(wrong.value).find(({ id }) => id === 'unbalanced')!
    expect(query.evidence).toContain('C: 7 on the left, 14 on the right; the left is short of 7.')
    expect(query.remedy!.label).toBe('Set 2 benzaldehyde')
    expect(queriesOf(query.remedy!.apply(wrong.value)).map(({ id }) => id)).not.toContain('unbalanced')
  })

  test('thiamine follows by ratio: 0.053 × 97.392 mmol × 337.26 g/mol = 1.741 g', () => {
    expect(line(benzoin, 'thiamine').mass!.value).toBeCloseTo(1.7409, 3)
  })

  test('a solution counts by its strength: 3.5 mL × 3 mol/L = 10.5 mmol', () => {
    expect(line(benzoin, 'hydroxide').amount!.value).toBeCloseTo(10.5, 9)
    expect(line(edited(benzoin, 'hydroxide', 'amount', '12 mmol'), 'hydroxide').volume!.value).toBeCloseTo(4, 9)
  })

  test.each([
    ['0', /more than zero/],
    ['-2', /more than zero/],
    ['two', /not a number/],
    ['0.37', /whole number/],
    ['400', /do not occur/],
  ])('coefficient %s is refused', (text, message) => {
    const read = editCoefficient(benzoin, 'benzaldehyde', text)
    expect(read.ok ? '' : read.problem).toMatch(message)
  })
})

describe('editing', () => {
  test.each([
    ['mass', '8.176 g', 86.914],
    ['volume', '8,00 ml', 86.914],
    ['amount', '86.914 mmol', 86.914],
  ] as const)('typing the %s of the limiting reagent moves the yield', (column, text, mmol) => {
    const plan = edited(acetanilide, 'aniline', column, text)
    expect(line(plan, 'aniline').amount!.value).toBeCloseTo(mmol, 2)
    // Twice the aniline: now the anhydride sets the limit.
    expect(reactionTable(plan).limiting).toEqual(['anhydride'])
  })

  test('a ratio counts from the reference and follows it', () => {
    const plan = edited(acetanilide, 'anhydride', 'ratio', '1.20')
    expect(line(plan, 'anhydride').amount!.value).toBeCloseTo(1.2 * 43.45714, 4)
    const more = edited(plan, 'aniline', 'amount', '100 mmol')
    expect(line(more, 'anhydride').amount!.value).toBeCloseTo(120, 6)
  })

  test('a wanted mass of product scales the whole table, every ratio kept', () => {
    const plan = edited(acetanilide, 'acetanilide', 'mass', '10.0 g')
    expect(line(plan, 'acetanilide').mass!.value).toBeCloseTo(10, 9)
    expect(line(plan, 'anhydride').ratio!.value).toBeCloseTo(line(acetanilide, 'anhydride').ratio!.value, 9)
  })

  test('a ratio typed for the reference moves the reference, keeps every other amount, and reads as typed', () => {
    const plan = edited(acetanilide, 'aniline', 'ratio', '0.5')
    expect(plan.reference).toBe('anhydride')
    expect(line(plan, 'aniline').ratio!.value).toBeCloseTo(0.5, 12)
    expect(line(plan, 'anhydride').amount!.value).toBeCloseTo(51.93312, 4)
    expect(reactionTable(plan).limiting).toEqual(['aniline'])
  })

  test.each([
    ['aniline', 'mass', '4.09', /Say the unit/],
    ['aniline', 'volume', '4 g', /is a mass/],
    ['zinc', 'volume', '1 mL', /no density/],
    ['anhydride', 'ratio', '0', /more than zero/],
    ['anhydride', 'ratio', '1.2 mmol', /plain number/],
    ['anhydride', 'ratio', '99999', /more than any preparation/],
    ['acetanilide', 'ratio', '2', /follows from the coefficients/],
    ['gone', 'mass', '1 g', /no longer/],
  ] as const)('%s %s “%s” is refused', (id, column, text, message) =>
    expect(problem(acetanilide, id, column, text)).toMatch(message),
  )

  test('the mass of a solution without a density, and the only reactant’s ratio, are refused', () => {
    expect(problem(benzoin, 'hydroxide', 'mass', '3 g')).toMatch(/measured by volume/)
    expect(problem(benzoin, 'benzaldehyde', 'ratio', '2')).toMatch(/no other reactant/)
  })
})

describe('properties', () => {
  const positive = fc.double({ min: 0.01, max: 50, noNaN: true })

  test('scaling by s and then by 1/s gives the plan back', () => {
    fc.assert(
      fc.property(positive, (s) => {
        const back = scalePlan(scalePlan(acetanilide, s), 1 / s)
        back.lines.forEach(({ anchor }, index) => {
          const before = acetanilide.lines[index]!.anchor
          if (!anchor || !before || !('quantity' in anchor) || !('quantity' in before)) return expect(anchor).toEqual(before)
          expect(anchor.quantity.value / before.quantity.value).toBeCloseTo(1, 12)
          expect(anchor.quantity.decimals).toBe(before.quantity.decimals)
        })
      }),
    )
  })

  test('the yield grows with the scale exactly', () => {
    fc.assert(
      fc.property(positive, (s) => {
        const [one, scaled] = [acetanilide, scalePlan(acetanilide, s)].map(
          (plan) => theoreticalYield(plan, reactionTable(plan))!.value,
        )
        expect(scaled! / one!).toBeCloseTo(s, 9)
      }),
    )
  })

  test('two that were measured and tie limit at the smaller of two uncertain amounts; one that is well below the other at its own', () => {
    const g = (value: number): Charge => ({ measure: 'mass', figure: { value, rounding: 0, u: 0.01 / value } })
    const [aniline, anhydride] = ['aniline', 'anhydride'].map((id) => computedLine(reactionTable(acetanilide), id))
    // Both 20 mmol: so many grams of each as its bottle holds them.
    const grams = (line: typeof aniline, mmol: number) => (line!.mass!.value / line!.amount!.value) * mmol
    const at = (mmol: number) =>
      reactionTable(acetanilide, { aniline: g(grams(aniline, 20)), anhydride: g(grams(anhydride, mmol)) })
    const tied = at(20)
    const u = ['aniline', 'anhydride'].map((id) => computedLine(tied, id).perCoefficient!.u * 20)
    const theta = Math.hypot(...u)
    expect(tied.eitherLimits!.lines.toSorted()).toEqual(['anhydride', 'aniline'])
    // E[min] of two equal ones lies θ/√(2π) below; what is made follows, and the excess of neither is above 0.
    expect(tied.extent!.value).toBeCloseTo(20 - theta / Math.sqrt(2 * Math.PI), 4)
    expect(computedLine(tied, 'acetanilide').amount!.value).toBeCloseTo(tied.extent!.value, 9)
    expect(computedLine(tied, 'anhydride').excess).toBeCloseTo(0, 9)
    expect(JSON.stringify(working(acetanilide, tied, 'acetanilide', 'mass'))).toContain('as near')
    // Close is within twice the combined uncertainty, from both sides.
    expect(at(20 + 1.98 * theta).eitherLimits).not.toBeNull()
    const apart = at(20 + 2.02 * theta)
    expect(apart.eitherLimits).toBeNull()
    expect(apart.extent!.value).toBeCloseTo(20, 9)
    expect(JSON.stringify(working(acetanilide, apart, 'acetanilide', 'mass'))).not.toContain('as near')
    // What is planned is aimed at, and what was measured of one alone has nothing to tie with.
    const planned = scalePlan(acetanilide, 0.1)
    expect(reactionTable(planned).extent!.value).toBe(computedLine(reactionTable(planned), 'aniline').perCoefficient!.value)
    const one = reactionTable(acetanilide, { aniline: g(grams(aniline, 51.9)) })
    expect(one.extent!.value).toBe(Math.min(...['aniline', 'anhydride'].map((id) => computedLine(one, id).perCoefficient!.value)))
    // What is known no better than to a third limits as it stands.
    const rough: Charge = { measure: 'mass', figure: { value: grams(aniline, 20), rounding: 0, u: 0.34 } }
    expect(reactionTable(acetanilide, { aniline: rough, anhydride: g(grams(anhydride, 20.001)) }).extent!.value).toBeCloseTo(
      20,
      6,
    )
  })

  test('mass balance: at full conversion the reactants used up weigh what the products weigh', () => {
    fc.assert(
      fc.property(positive, positive, (aniline, anhydride) => {
        let plan = setAnchor(acetanilide, 'aniline', { of: 'amount', quantity: { value: aniline, unit: 'mmol', decimals: 6 } })
        plan = setAnchor(plan, 'anhydride', { of: 'amount', quantity: { value: anhydride, unit: 'mmol', decimals: 6 } })
        const table = reactionTable(plan)
        const used = ['aniline', 'anhydride'].reduce(
          (sum, id) => sum + (table.extent!.value * computedLine(table, id).molarMass!) / 1000,
          0,
        )
        const made = ['acetanilide', 'by-acid'].reduce((sum, id) => sum + computedLine(table, id).mass!.value, 0)
        expect(made).toBeCloseTo(used, 9)
        expect(table.extent!.value).toBeCloseTo(Math.min(aniline, anhydride), 12)
      }),
    )
  })

  test('more of a reactant never lowers the extent', () => {
    fc.assert(
      fc.property(positive, positive, (a, more) => {
        const extent = (value: number) =>
          reactionTable(setAnchor(acetanilide, 'aniline', { of: 'amount', quantity: { value, unit: 'mmol', decimals: 3 } }))
            .extent!.value
        expect(extent(a + more)).toBeGreaterThanOrEqual(extent(a))
      }),
    )
  })

  test('a tie names both', () => {
    const plan = setAnchor(
      setAnchor(acetanilide, 'aniline', { of: 'amount', quantity: { value: 40, unit: 'mmol', decimals: 1 } }),
      'anhydride',
      {
        of: 'ratio',
        ratio: 1,
        decimals: 2,
      },
    )
    expect(reactionTable(plan).limiting).toEqual(['aniline', 'anhydride'])
    expect(queriesOf(plan).map(({ id }) => id)).toContain('close-reactants')
  })

  test('a scale that is not a positive number is an error', () => {
    expect(() => scalePlan(acetanilide, 0)).toThrow(RangeError)
    expect(() => scalePlan(acetanilide, Number.NaN)).toThrow(RangeError)
  })
})

describe('balance', () => {
  test('acetanilide balances and its smallest set is unique', () => {
    expect(balance(acetanilide)).toEqual({
      imbalances: [],
      suggestion: { aniline: 1, anhydride: 1, acetanilide: 1, 'by-acid': 1 },
    })
  })

  test('offers no set where the equation cannot be balanced', () => {
    const without = { ...acetanilide, lines: acetanilide.lines.filter(({ id }) => id !== 'by-acid') }
    const { imbalances, suggestion } = balance(without)
    expect(suggestion).toBeNull()
    expect(imbalances).toContainEqual({ element: 'O', left: 3, right: 1 })
    expect(queriesOf(without)[0]!.remedy).toBeUndefined()
  })

  test('charge is conserved too', () => {
    const plan: Plan = {
      ...benzoin,
      substances: benzoin.substances.map((each) => (each.id === 'benzoin' ? { ...each, formula: 'C14H12O2^-' } : each)),
    }
    expect(balance(plan).imbalances).toEqual([{ element: 'charge', left: 0, right: -1 }])
  })
})

describe('queries on the crystallisation', () => {
  const withWater = (mL: string) =>
    queriesOf(edited(acetanilide, 'hot-water', 'volume', mL)).filter(({ id }) => id !== 'oil-crystallise')

  test('98 mL hold the 4.9 g expected and lose under a fifth', () => expect(withWater('98 mL')).toEqual([]))
  test('too little water is said', () => expect(withWater('60 mL')[0]!.title).toBe('Too little hot solvent'))
  test('too much says what stays in the liquor', () => {
    const query = withWater('420 mL').find(({ id }) => id.startsWith('too-much'))
    // 420 mL × 0.46 g/100 mL = 1.93 g of the 4.64 g that are filtered off: what the liquor kept is not there.
    expect(query!.evidence).toContain('1.93 g at 20 °C')
    expect(query!.evidence).toContain('42 %')
  })

  test('an answer stays with the query', () => {
    const plan = {
      ...edited(acetanilide, 'hot-water', 'volume', '60 mL'),
      answers: [{ query: 'too-little-solvent-crystallise', reason: 'Half scale crop' }],
    }
    expect(queriesOf(plan)[0]!.answer).toBe('Half scale crop')
  })
})

describe('workings', () => {
  const table = reactionTable(acetanilide)
  const plain = (id: string, column: Parameters<typeof working>[3]) =>
    working(acetanilide, table, id, column)!.rows.map((row) =>
      row.map((piece) => (piece.kind === 'fraction' ? `[${piece.over} / ${piece.under}]` : piece.text)).join(''),
    )

  test('the theoretical yield is written out with units', () => {
    expect(plain('acetanilide', 'mass')).toEqual([
      'n(aniline) = [4.00 mL × 1.022 g/mL × 0.99 / 93.129 g/mol]',
      '= 43.5 mmol',
      'extent ξ = [43.46 mmol / 1] = 43.46 mmol',
      'n(acetanilide) = 1 × 43.46 mmol',
      'm = 43.46 mmol × 135.166 g/mol',
      '= 5.87 g',
    ])
  })

  test('says the value in full, the uncertainty and the sources', () => {
    const { notes, title } = working(acetanilide, table, 'acetanilide', 'mass')!
    expect(title).toBe('Theoretical yield')
    expect(notes[0]).toBe('In full: 5.873927798 g.')
    expect(notes[1]).toBe('± 0.19 g from the 10 mL measuring cylinder.')
    expect(notes.join(' ')).toMatch(/Density 1.022 g\/mL at 20 °C: .*Handbook/)
    expect(notes.join(' ')).toMatch(/IUPAC/)
  })

  test('mass from volume, volume from mass, ratio, excess', () => {
    expect(plain('aniline', 'mass')).toEqual(['m = 4.00 mL × 1.022 g/mL', '= 4.09 g'])
    const byMass = edited(acetanilide, 'aniline', 'mass', '4.09 g')
    expect(working(byMass, reactionTable(byMass), 'aniline', 'volume')!.rows[0]).toContainEqual({
      kind: 'fraction',
      over: '4.09 g',
      under: '1.022 g/mL',
    })
    expect(plain('anhydride', 'ratio')[1]).toBe('= 1.20')
    expect(plain('anhydride', 'excess')[1]).toBe('excess = [51.93 mmol / 43.46 mmol] − 1 = 20 %')
    expect(plain('aniline', 'excess')[1]).toMatch(/the extent ξ = 43.5 mmol/)
    expect(plain('aniline', 'ratio')[0]).toMatch(/its own is 1/)
  })

  test('from an amount back to what is dispensed, and for a solution', () => {
    const byAmount = edited(acetanilide, 'aniline', 'amount', '43.5 mmol')
    const rows = working(byAmount, reactionTable(byAmount), 'aniline', 'volume')!.rows
    expect(rows.at(-2)).toContainEqual({ kind: 'fraction', over: '43.50 mmol × 93.129 g/mol', under: '0.99 × 1.022 g/mL' })
    const solution = working(benzoin, reactionTable(benzoin), 'hydroxide', 'amount')!
    expect(solution.rows[0]!.map((piece) => 'text' in piece && piece.text).join('')).toBe(
      'n(sodium hydroxide) = 3.5 mL × 3 mol/L',
    )
  })

  test('a typed figure needs no working', () => expect(working(acetanilide, table, 'aniline', 'volume')).toBeNull())
})

describe('the procedure', () => {
  test('amounts in sentences follow the table', () => {
    const table = reactionTable(scalePlan(acetanilide, 0.8))
    expect(stepTextPlain(asWords('We want {aniline}.'), table)).toBe('We want 3.20 mL aniline.')
    expect(stepTextPlain(asWords('Pour {gone}'), table)).toBe('Pour not known')
  })

  test('the steps follow one another, and a pause that ends the day begins the count again', () => {
    const [only, ...more] = days(acetanilide)
    expect(more).toEqual([])
    const { startMin, handsOnMin, waitMin } = only!
    expect([startMin['safety'], startMin['set-up'], startMin['charge-aniline']]).toEqual([0, 5, 15])
    expect(handsOnMin + waitMin).toBe(acetanilide.steps.reduce((sum, step) => sum + step.handsOnMin + step.waitMin, 0))
    const { plan: paused } = addStep(acetanilide, 'pause', 'filter')
    const [first, second] = days(paused)
    expect([first!.steps.at(-1)!.kind, second!.steps[0]!.id, second!.startMin['weigh-crude']]).toEqual([
      'pause',
      'weigh-crude',
      0,
    ])
    expect(first!.handsOnMin + second!.handsOnMin).toBe(handsOnMin + 3)
    expect(days(addStep(acetanilide, 'pause', 'dispose').plan)).toHaveLength(1)
    expect([writeMinutes(155), writeMinutes(60), writeMinutes(12)]).toEqual(['2 h 35 min', '1 h', '12 min'])
  })
})
