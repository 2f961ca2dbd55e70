import { TestLog } from '@/test-support/entries'
import { acetanilide, benzoin } from '@/test-support/plans'
import type { Plan } from '../../plan/plan'
import { foldRun } from '../../run/foldRun'
import { baseResults } from '../baseResults'
import { checkArithmetic } from './checkArithmetic'
import type { Worked } from './checked'
import { significant } from './significant'

/** Acetanilide: 4.094 g of aniline at 99 %, n 43.52 mmol, theory 5.8826 g; crude 4.98 g, dried 4.62, 4.41, 4.41 g: 74.97 %. */
function checked(worked: Partial<Worked>, plan: Plan = acetanilide) {
  const log = new TestLog()
  log.difference('charge-aniline', 27.512, 23.418)
  log.reading('weigh-crude', 'tared', 0)
  log.reading('weigh-crude', 'net', 4.98)
  log.reading('dry', 'empty', 31.2)
  for (const mass of [4.62, 4.41, 4.41]) log.reading('dry', 'full', Number((31.2 + mass).toFixed(2)))
  const run = foldRun(plan, 1, log.entries)
  return checkArithmetic(run, baseResults(run), { amounts: [], ...worked })
}
const n = 43.52
const slip = (worked: Partial<Worked>) => checked(worked)[0]!.slip

describe('a group’s own arithmetic', () => {
  test('right to a hundredth is right, on either side', () => {
    expect(
      checked({ amounts: [{ line: 'aniline', mmol: 43.5 }], limiting: 'aniline', theoreticalG: 5.88, percent: 75 }).map(
        ({ ok }) => ok,
      ),
    ).toEqual([true, true, true, true])
    expect(checked({ theoreticalG: 5.8826 * 1.0095 })[0]!.ok).toBe(true)
    expect(checked({ theoreticalG: 5.8826 * 0.9905 })[0]!.ok).toBe(true)
    expect(checked({ theoreticalG: 5.8826 * 1.012 })[0]!.ok).toBe(false)
    expect(checked({ theoreticalG: 5.8826 * 0.988 })[0]!.ok).toBe(false)
  })
  test('the working is written out with its numbers', () =>
    expect(checked({ theoreticalG: 5.88 })[0]!.working).toBe('m = n × M ÷ 1000 = 43.5 mmol × 135.17 g/mol ÷ 1000 = 5.88 g'))
  test.each([
    [n / 1000, 'mol for mmol'],
    [n / 10, 'off by a factor'],
    [n / 0.99, 'strength of the bottle is left out'],
    [(4.094 * 93.13) / 1000, 'multiplied by the molar mass'],
    [(n * 93.13) / 102.09, 'molar mass of acetic anhydride'],
  ])('an amount of %d mmol: %s', (mmol, words) => expect(slip({ amounts: [{ line: 'aniline', mmol }] })).toContain(words))
  test('a volume taken as a mass: 5.0 mL of anhydride', () => {
    const right = checked({ amounts: [{ line: 'anhydride', mmol: 1 }] })[0]!
    const [value] = right.right.split(' ')
    const wrong = checked({ amounts: [{ line: 'anhydride', mmol: Number(value) / 1.08 }] })[0]!
    expect(wrong.slip).toContain('volume was taken as a mass')
  })
  test.each([
    [(n * 93.13) / 1000, 'molar mass of aniline'],
    [4.094 / 1.0001, null],
    [5.8826 * 10, 'factor of 10'],
  ])('a theory of %d g: %s', (theoreticalG, words) => {
    const found = slip({ theoreticalG })
    if (words === null) expect(found).not.toBeNull()
    else expect(found).toContain(words)
  })
  test.each([
    [78.5, 'wet mass, 4.62 g'],
    [84.7, 'crude mass'],
    [88.55, 'recovery of the crystallisation'],
    [0.7497, 'fraction'],
    [107.7, 'masses of different substances'],
    [133.4, 'wrong way round'],
    [25.03, 'what was lost'],
  ])('a yield of %d %%: %s', (percent, words) => expect(slip({ percent })).toContain(words))
  test('a figure nobody can explain says so by saying nothing', () => expect(slip({ percent: 61.3 })).toBeNull())
  test('right for a wrong figure before it counts as right', () => {
    const found = checked({ theoreticalG: 4.053, percent: 108.8 })
    expect(found.map(({ ok, follows }) => [ok, follows])).toEqual([
      [false, false],
      [false, true],
    ])
    const theory = checked({ amounts: [{ line: 'aniline', mmol: 40 }], limiting: 'aniline', theoreticalG: 5.407 })
    expect(theory.at(-1)).toMatchObject({ ok: false, follows: true })
  })
  test('the wrong limiting reagent is told why', () => {
    expect(checked({ limiting: 'aniline' })[0]).toMatchObject({ ok: true, right: 'aniline' })
    expect(checked({ limiting: 'anhydride' })[0]).toMatchObject({ ok: false, slip: 'That one is in excess.' })
  })
  test('of two to one the coefficient: 20.0 mmol of aldehyde make 10.0 mmol', () => {
    const log = new TestLog()
    log.reading('charge-benzaldehyde', 'tared', 0, 3)
    log.reading('charge-benzaldehyde', 'net', 4.16, 3)
    const run = foldRun(benzoin, 1, log.entries)
    const base = baseResults(run)
    const theory = base.theoretical!.value
    const found = checkArithmetic(run, base, { amounts: [], theoreticalG: theory * 2 })[0]!
    expect(found.slip).toContain('coefficients are left out: 2 of benzaldehyde make 1')
    expect(checkArithmetic(run, base, { amounts: [], theoreticalG: theory * 4 })[0]!.slip).toContain('wrong way round')
  })
})

test('figures of a working: three, and four where it begins with 1', () => {
  expect([0, 43.52, 1.2346, 0.012346, 135.17, 2000].map(significant)).toEqual(['0', '43.5', '1.235', '0.01235', '135.2', '2000'])
})
