import fc from 'fast-check'
import { acetanilide, benzoin, isopentylAcetate as ester } from '@/test-support/plans'
import { newPlan } from '../edit/newPlan'
import { equilibriumCeiling, yieldCeiling } from './equilibrium'
import { greenFigures } from './greenFigures'
import { reactionTable, theoreticalYield } from './reactionTable'
import { roundToDevices } from './roundToDevices'
import { scaleFactor, type ScaleWay } from './scaleWays'
import { notLinear } from '../operations/notLinear'
import { timeFactor } from '../quantity/timeFactor'
import { scalePlan } from '../edit/scalePlan'

describe('equilibrium ceiling', () => {
  test.each([
    [4, 1, 2 / 3],
    // 3x² − 44x + 40 = 0: x = (44 − √(1936 − 480))/6
    [4, 10, 0.97374],
    [1, 1, 0.5],
    [4, 0.1, 0.97374],
  ])('K = %d at 1 : %d gives %d', (constant, ratio, ceiling) =>
    expect(equilibriumCeiling(constant, ratio)).toBeCloseTo(ceiling, 5),
  )

  test('it solves its own equation, grows with excess and never passes one', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 100, noNaN: true }), fc.double({ min: 1, max: 50, noNaN: true }), (k, r) => {
        const x = equilibriumCeiling(k, r)
        expect((x * x) / ((1 - x) * (r - x)) / k).toBeCloseTo(1, 3)
        expect(x).toBeLessThan(1)
        expect(equilibriumCeiling(k, r * 1.5)).toBeGreaterThan(x)
      }),
    )
  })

  test('isopentyl acetate, by hand: 148.48 to 48.63 mmol at K = 4', () => {
    // r = 3.0534: x = (16.2136 − √(16.2136² − 4 × 3 × 12.2136))/6 = 0.9048
    expect(yieldCeiling(ester, reactionTable(ester))).toBeCloseTo(0.9048, 3)
    const twice = { ...ester, lines: ester.lines.map((line) => (line.id === 'acid' ? { ...line, coefficient: 2 } : line)) }
    expect(yieldCeiling(twice, reactionTable(twice))).toBeNull()
    expect(yieldCeiling(acetanilide, reactionTable(acetanilide))).toBeNull()
  })

  test('nothing but positive numbers', () => expect(() => equilibriumCeiling(0, 1)).toThrow(RangeError))
})

describe('green figures', () => {
  test('acetanilide, by hand: 135.166 ÷ (93.129 + 102.089) = 69.24 %', () => {
    const green = greenFigures(acetanilide, reactionTable(acetanilide))!
    expect(green.atomEconomy).toBeCloseTo(0.69238, 4)
    // 4.088 + 5.41 + 5.245 + 0.10 + 80 × 0.998 + 98 × 0.998 g over the middle of the expected yield
    const expected = (5.873928 * (acetanilide.expectedYield!.low + acetanilide.expectedYield!.high)) / 2
    expect(green.massIntensity! * expected).toBeGreaterThan(190)
    expect(green.eFactor).toBeCloseTo(green.massIntensity! - 1, 9)
  })

  test('an addition wastes no atom: two benzaldehydes to one benzoin', () => {
    expect(greenFigures(benzoin, reactionTable(benzoin))!.atomEconomy).toBeCloseTo(1, 9)
  })

  test('an equation that does not balance has no atom economy: it would say 200 %', () => {
    const lines = benzoin.lines.map((line) => (line.coefficient === 2 ? { ...line, coefficient: 1 } : line))
    expect(greenFigures({ ...benzoin, lines }, reactionTable({ ...benzoin, lines }))).toBeNull()
    const bare = newPlan('x', acetanilide.substances[0]!, acetanilide.substances[1]!)
    expect(greenFigures(bare, reactionTable(bare))).toBeNull()
  })

  test('without amounts only the equation speaks', () => {
    const bare = { ...acetanilide, lines: acetanilide.lines.map((line) => ({ ...line, anchor: null })) }
    expect(greenFigures(bare, reactionTable(bare))).toMatchObject({ massIntensity: null, eFactor: null })
    expect(greenFigures(bare, reactionTable(bare))!.atomEconomy).toBeCloseTo(0.69238, 4)
  })
})

describe('ways to say the scale', () => {
  const table = reactionTable(acetanilide)
  const quantity = (value: number, unit: 'g' | 'mL' | 'mmol') => ({ value, unit, decimals: 2 })

  test.each<[string, ScaleWay, number]>([
    ['a factor', { by: 'factor', factor: 0.8 }, 0.8],
    ['2.00 mL of aniline', { by: 'limiting', of: 'volume', quantity: quantity(2, 'mL') }, 0.5],
    // 10 g ÷ 0.75 ÷ 5.873928 g
    ['10 g at 75 %', { by: 'product', quantity: quantity(10, 'g'), yield: 0.75 }, 2.26993],
    // 100 mL for 16 groups is 6.25 mL each, planned 4.00
    [
      '100 mL bottle, 16 groups',
      { by: 'bottle', line: 'aniline', of: 'volume', quantity: quantity(100, 'mL'), groups: 16 },
      1.5625,
    ],
  ])('%s', (_words, way, factor) => expect(scaleFactor(acetanilide, table, way)).toBeCloseTo(factor, 4))

  test('the plan scaled so gives what was wanted', () => {
    const factor = scaleFactor(acetanilide, table, { by: 'product', quantity: quantity(10, 'g'), yield: 0.75 })!
    const scaled = scalePlan(acetanilide, factor)
    expect(theoreticalYield(scaled, reactionTable(scaled))!.value * 0.75).toBeCloseTo(10, 6)
  })

  test('without a yield there is no factor', () => {
    const bare = newPlan('x', acetanilide.substances[0]!, acetanilide.substances[1]!)
    const way: ScaleWay = { by: 'product', quantity: quantity(1, 'g'), yield: 0.5 }
    expect(scaleFactor(bare, reactionTable(bare), way)).toBeNull()
  })
})

describe('what does not grow with the scale', () => {
  test('by hand: at 8 times the scale an addition takes twice as long, the wall grows 4 times', () => {
    expect(timeFactor(8)).toBeCloseTo(2, 12)
    expect(() => timeFactor(0)).toThrow(RangeError)
    const notes = notLinear(ester, 8).map(({ about, words }) => `${about}: ${words}`)
    expect(notes.find((words) => words.startsWith('Heat'))).toMatch(/grows 8.00 times.*only 4.00 times: it grows hotter/)
    expect(notes).toContainEqual(expect.stringMatching(/^Wash with bicarbonate: gas grows 8.00 times/))
    expect(notLinear(acetanilide, 8).some(({ words }) => words.startsWith('gas'))).toBe(false)
    const smaller = notLinear(ester, 0.5)
    expect(smaller.find(({ about }) => about === 'Heat')!.words).toContain('cools faster')
    expect(smaller.find(({ about }) => about === 'Fixed amounts')).toBeUndefined()
    const fixed = { ...acetanilide, lines: acetanilide.lines.map((line, index) => ({ ...line, fixed: index < 2 })) }
    expect(notLinear(fixed, 2).find(({ about }) => about === 'Fixed amounts')!.words).toBe('2 lines stay as planned')
  })
})

describe('rounding to the devices', () => {
  test('worked by hand: 4.00 mL × 0.33 = 1.32 mL; a cylinder read to 0.05 mL gives 1.30 mL', () => {
    const { plan, rounded } = roundToDevices(scalePlan(acetanilide, 0.33))
    expect(plan.lines[0]!.anchor).toEqual({ of: 'volume', quantity: { value: 1.3, unit: 'mL', decimals: 2 } })
    // 5.00 × 0.33 = 1.65 mL stays; its ratio moves by 1.32 ÷ 1.30 − 1 = +1.54 %
    expect(rounded.find(({ line }) => line === 'anhydride')).toMatchObject({ to: 1.65 })
    expect(rounded.find(({ line }) => line === 'anhydride')!.ratioShift).toBeCloseTo(0.01538, 4)
  })

  test('an amount below one step becomes one step; a second rounding changes nothing; products stay derived', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 20, noNaN: true }), (factor) => {
        const once = roundToDevices(scalePlan(acetanilide, factor)).plan
        expect(roundToDevices(once).plan).toEqual(once)
        for (const line of once.lines)
          if (line.anchor && 'quantity' in line.anchor) expect(line.anchor.quantity.value).toBeGreaterThan(0)
        expect(once.lines.find(({ id }) => id === 'acetanilide')!.anchor).toBeNull()
      }),
    )
  })
})
