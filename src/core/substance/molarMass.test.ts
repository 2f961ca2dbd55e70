import { sameAtoms } from './sameAtoms'
import fc from 'fast-check'
import { atomicWeights } from './atomicWeights'
import { molarMass } from './molarMass'
import { FormulaError, readFormula } from './readFormula'
import { writeFormula } from './writeFormula'

const problemOf = (formula: string) => {
  try {
    readFormula(formula)
  } catch (error) {
    if (error instanceof FormulaError) return { at: error.at, message: error.message }
  }
  throw new Error(`${formula} was read`)
}

describe('molar mass', () => {
  // Worked by hand from the abridged weights of the 2021 table.
  test.each([
    ['H2O', 18.015],
    ['C6H7N', 93.129],
    ['C4H6O3', 102.089],
    ['C8H9NO', 135.166],
    ['C14H12O2', 212.248],
    ['NaC2H3O2.3H2O', 136.079],
    ['CuSO4·5H2O', 249.677],
    ['CuSO4.5H2O', 249.677],
    ['CuSO4*5H2O', 249.677],
    ['MgSO4·7H2O', 246.466],
    ['Ca(OH)2', 74.092],
    ['K4[Fe(CN)6]·3H2O', 422.39],
    ['(NH4)2SO4', 132.134],
    ['D2O', 20.0272],
    ['SO4^2-', 96.056],
    ['NH4+', 18.039],
    ['C₆H₆', 78.114],
  ])('%s is %d g/mol', (formula, expected) => expect(molarMass(formula)).toBeCloseTo(expected, 3))

  test('the hydrate is 249.68 g/mol to two decimals however its dot is typed', () => {
    for (const dot of ['·', '.', '*']) expect(molarMass(`CuSO4${dot}5H2O`).toFixed(2)).toBe('249.68')
  })

  test('reads the charge and leaves the mass alone', () => {
    expect(readFormula('SO4^2-').charge).toBe(-2)
    expect(readFormula('NH4+').charge).toBe(1)
    expect(readFormula('Fe³⁺')).toEqual({ atoms: { Fe: 1 }, charge: 3 })
  })

  test.each([
    ['CuSO4·5HxO', 7, /Hx is not the symbol/],
    ['C6H7Zz', 4, /Zz is not the symbol/],
    ['Tc2', 0, /Tc is not the symbol/],
    ['Ca(OH', 2, /never closed/],
    ['Ca)OH', 2, /“\)”/],
    ['C6H0', 3, /zero/],
    ['2H2O', 0, /begin with a number/],
    ['C6 H6', 2, /no spaces/],
    ['CuSO4·', 6, /missing/],
    ['CuSO4.5', 7, /missing/],
    ['', 0, /no formula/],
    ['c6h6', 0, /capital/],
    ['Na+Cl', 2, /charge/],
    ['C()H4', 1, /nothing between/],
  ])('%s is refused at character %d', (formula, at, message) => {
    const problem = problemOf(formula)
    expect(problem.at).toBe(at)
    expect(problem.message).toMatch(message)
  })

  test('a formula put together from counts weighs the sum of its atoms', () => {
    const part = fc.tuple(fc.constantFrom(...Object.keys(atomicWeights)), fc.integer({ min: 1, max: 60 }))
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 6 }), fc.integer({ min: 1, max: 9 }), (parts, waters) => {
        const formula = `${parts.map(([symbol, count]) => `${symbol}${count}`).join('')}·${waters}H2O`
        const expected = parts.reduce((sum, [symbol, count]) => sum + atomicWeights[symbol]! * count, waters * 18.015)
        expect(molarMass(formula)).toBeCloseTo(expected, 6)
      }),
    )
  })

  test('prints counts lowered and the number of waters on the line', () => {
    expect(writeFormula('CuSO4.5H2O')).toEqual([
      { text: 'CuSO', sub: false },
      { text: '4', sub: true },
      { text: '·', sub: false },
      { text: '5', sub: false },
      { text: 'H', sub: false },
      { text: '2', sub: true },
      { text: 'O', sub: false },
    ])
  })
})

describe('a typed formula against a structure’s', () => {
  test.each([
    ['C2H3NaO2·3H2O', 'C2H3O2.H2O.H2O.H2O.Na', true],
    ['CH3COONa', 'C2H3O2.Na', true],
    ['C2H6', 'C2H6O', false],
    ['CuSO4.5H2O', 'CuO4S', false],
  ])('%s and %s: %s', (typed, drawn, same) => expect(sameAtoms(typed, drawn)).toBe(same))
})
