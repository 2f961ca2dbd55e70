import { indexPerThermometer } from '../measurements/refraction'
import { readTo, written } from '../quantity/figure'
import { plusMinusOf } from './outcome'
import { TestLog } from '@/test-support/entries'
import { acetanilide } from '@/test-support/plans'
import { foldRun } from '../run/foldRun'
import { baseResults } from './baseResults'
import { budgetOf } from './budget'

const budget = (charged: boolean, decimals = 2) => {
  const log = new TestLog()
  if (charged) log.difference('charge-aniline', 27.512, 23.418)
  log.reading('dry', 'empty', 31.2, decimals)
  for (let twice = 0; twice < 2; twice++) log.reading('dry', 'full', 35.61, decimals)
  const run = foldRun(acetanilide, 1, log.entries)
  return { budget: budgetOf(run, baseResults(run)), run }
}

describe('an uncertainty budget', () => {
  test('two contributions add in quadrature to that of the result, by hand', () => {
    const { budget: found, run } = budget(true)
    const base = baseResults(run)
    const [product, charge] = [run.samples.purified!.mass.u, base.whole!.u]
    expect(base.result!.figure.u).toBeCloseTo(Math.hypot(product, charge), 12)
    expect(found!.contributions.map(({ share }) => share).reduce((a, b) => a + b)).toBeCloseTo(1, 9)
    // 4.41 g from 0.01 g readings against 4.094 g from 0.001 g readings: the coarser balance makes nearly all of it.
    expect(found!.contributions[0]!.words).toBe('weighing the product')
    expect(found!.contributions[0]!.share).toBeGreaterThan(0.9)
    expect(found!.expanded).toBeCloseTo(2 * base.result!.figure.u * 100 * base.result!.figure.value, 9)
  })
  test('shows no decimals that its uncertainty drowns', () => {
    expect(budget(true).budget!.text).toMatch(/^75 % ± 0\.\d %$/)
    expect(budget(true).budget!.decimals).toBe(0)
  })
  test('says where the plan’s amount had to stand in', () => {
    const words = budget(false)
      .budget!.contributions.map(({ how }) => how)
      .join()
    expect(words).toContain('the plan’s amount stands in')
    expect(
      budget(true)
        .budget!.contributions.map(({ how }) => how)
        .join(),
    ).not.toContain('stands in')
  })
  test('is none without a product', () => {
    const run = foldRun(acetanilide, 1, [])
    expect(budgetOf(run, baseResults(run))).toBeNull()
  })
})

test('a range and an index carry what their reading leaves open, in the unit that they are read in', () => {
  // 0.1 °C over √12 is 0.029 °C; of 0.0001 with a thermometer to 0.1 °C (4.5 × 10⁻⁵ of index): √((1e-4)² + (4.5e-5)²) ÷ √12 = 3.2 × 10⁻⁵
  expect(plusMinusOf({ figure: readTo(113.5, 1), unit: '°C' })).toBe(' ± 0.03 °C')
  expect(readTo(113.5, 0).u * 113.5).toBeCloseTo(0.2887, 4)
  expect(plusMinusOf({ figure: readTo(1.4005, 4, indexPerThermometer), unit: '' })).toBe(' ± 0.00003')
  expect(readTo(1.4005, 4, indexPerThermometer).u * 1.4005).toBeCloseTo(3.166e-5, 8)
  expect(readTo(0, 1).u).toBe(0)
  expect(plusMinusOf({ figure: written(113.5, 1), unit: '°C' })).toBe('')
  expect(plusMinusOf({ figure: null, unit: '%' })).toBe('')
})
