import Papa from 'papaparse'
import { acetanilide, separation } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { classShiftC, medianAbsoluteDeviation, robustOutliers } from '../classroom/classFigures'
import { median } from '../quantity/median'
import { classResults } from '../classroom/classResults'
import { resultsCsv } from '../format/resultsCsv'
import { leftInMotherLiquor, solubilityAt } from '../matter/solubility'
import { foldRun } from '../run/foldRun'
import { judge, type Judged } from './judge'
import { lossAccount } from './lossAccount'
import { meltingReading } from '../operations/melt/meltingReading'
import { runResults } from './runResults'

/** A whole run: 4.094 g aniline, 5.00 mL anhydride, crude 4.98 g, 98 mL water, dry 4.41 g. */
function wholeLog(more: { anhydrideML?: number; waterML?: number } = {}) {
  const log = new TestLog()
  log.difference('charge-aniline', 27.512, 23.418)
  log.reading('charge-anhydride', 'volume', more.anhydrideML ?? 5, 2, {}, 'mL')
  log.reading('weigh-crude', 'tared', 0)
  log.reading('weigh-crude', 'net', 4.98)
  log.reading('crystallise', 'volume', more.waterML ?? 98, 0, {}, 'mL')
  log.reading('dry', 'empty', 31.2)
  for (const mass of [4.62, 4.43, 4.41]) log.reading('dry', 'full', Number((31.2 + mass).toFixed(2)))
  log.add('melt', 'melting', { onsetC: 113, clearC: 114.7, decimals: 1 })
  return { plan: acetanilide, entries: log.entries }
}

const wholeRun = (more: Parameters<typeof wholeLog>[0] = {}) => foldRun(acetanilide, 1, wholeLog(more).entries)

describe('results of a run, worked by hand', () => {
  const results = runResults(wholeRun())

  test('theory from what was charged: 4.094 g × 0.99 ÷ 93.129 × 135.166 = 5.8826 g', () => {
    expect(results.theoretical!.value).toBeCloseTo(5.88255, 4)
  })

  test('yield 4.41 ÷ 5.8826 = 74.97 %, recovery 4.41 ÷ 4.98 = 88.55 %, kept apart', () => {
    expect(results.result).toMatchObject({ kind: 'yield', sample: 'purified', dry: true })
    expect(results.result!.figure.value).toBeCloseTo(0.74968, 4)
    expect(results.recovery).toMatchObject({ kind: 'recovery', sample: 'purified' })
    expect(results.recovery!.figure.value).toBeCloseTo(0.88554, 4)
    expect(results.crude).toMatchObject({ sample: 'crude', dry: false })
  })

  test('the uncertainty of the yield is that of both weighings together', () => {
    // product: √2·√(0.01²/12+0.01²) = 0.014720 g of 4.41; aniline: 0.0014720 g of 4.094
    expect(results.result!.figure.u).toBeCloseTo(Math.hypot(0.01472 / 4.41, 0.001472 / 4.094), 5)
  })

  test('98 mL of water hold 0.451 g cold', () => expect(results.expectedInLiquorG).toBeCloseTo(0.4508, 4))

  test('a group short of anhydride has another limiting reagent, and its yield counts from that', () => {
    const short = runResults(wholeRun({ anhydrideML: 3.6 }))
    expect(short.limiting).toEqual(['anhydride'])
    expect(short.limitingChanged).toBe(true)
    // 37.392 mmol × 135.166 = 5.0541 g
    expect(short.theoretical!.value).toBeCloseTo(5.05411, 4)
  })

  test('what was not measured is said and taken from the plan', () => {
    const log = new TestLog()
    log.difference('charge-aniline', 27.512, 23.418)
    expect(runResults(foldRun(acetanilide, 1, log.entries)).notMeasured).toEqual(['anhydride'])
  })

  test('an empty run has no results and says so', () => {
    const nothing = runResults(foldRun(acetanilide, 1, []))
    expect([nothing.result, nothing.recovery, nothing.melting, nothing.expectedInLiquorG]).toEqual([null, null, null, null])
    expect(nothing.judgement.level).toBe('open')
  })
})

describe('the loss account of a bench', () => {
  const account = (waterML: number) => {
    const run = wholeRun({ waterML })
    return lossAccount(run, runResults(run))
  }

  test('a run as planned: charged, crude, solvent and what the liquor holds', () => {
    const words = account(98)
    expect(words).toContain('Charged 43.5 mmol aniline, theory 5.88 g.')
    expect(words).toContain('Crude 4.98 g, still damp.')
    expect(words).toContain('Crystallised from 98 mL: about 0.45 g stays dissolved cold.')
    expect(words).not.toContain('instead of')
    expect(words).not.toContain('still losing weight')
  })

  test('twice the water is said, with what was planned', () => {
    // 200 mL × 0.46 g/100 mL = 0.92 g
    expect(account(200)).toMatch(/Crystallised from 200 mL instead of \d+ mL: about 0\.92 g stays dissolved cold\./)
  })

  test('a product still losing weight is said with its last difference', () => {
    const log = new TestLog()
    log.difference('charge-aniline', 27.512, 23.418)
    log.reading('dry', 'empty', 31.2)
    for (const full of [36.2, 35.9]) log.reading('dry', 'full', full)
    const run = foldRun(acetanilide, 1, log.entries)
    expect(lossAccount(run, runResults(run))).toContain('The last two weighings differ by 0.30 g')
  })

  test('an empty run has only its reading', () => {
    const run = foldRun(acetanilide, 1, [])
    expect(lossAccount(run, runResults(run))).toContain('A yield needs the mass of the product.')
  })
})

describe('melting ranges', () => {
  const literature = { lowC: 113, highC: 115 }
  test.each([
    [113, 114.7, 'consistent with pure'],
    [111, 113, 'consistent with pure'],
    [104, 111.6, 'low and broad'],
    [112, 115.5, 'broad'],
    [106, 107.5, 'sharp but low'],
    [121, 122.8, 'sharp but high'],
    [112.9, 114.9, 'consistent with pure'],
  ])('%d–%d °C is %s', (onsetC, clearC, verdict) => expect(meltingReading({ onsetC, clearC }, literature).verdict).toBe(verdict))
})

describe('reading the pair', () => {
  const pure = meltingReading({ onsetC: 113, clearC: 114.7 }, { lowC: 113, highC: 115 })
  const low = meltingReading({ onsetC: 104, clearC: 111.6 }, { lowC: 113, highC: 115 })
  const sharpHigh = meltingReading({ onsetC: 121, clearC: 122.5 }, { lowC: 113, highC: 115 })
  const of = (part: Partial<Judged>) =>
    judge({
      fraction: 0.75,
      kind: 'yield',
      melts: true,
      dry: true,
      melting: pure,
      expected: { low: 0.7, high: 0.83 },
      inLiquorG: 0.45,
      wholeG: 5.87,
      ...part,
    })

  test.each([
    [{}, 'good', /^Consistent with pure/],
    [{ fraction: 1.07, dry: false, melting: low }, 'danger', /Above 100 %: consistent with wet/],
    [{ fraction: 0.34, inLiquorG: 1.93 }, 'doubt', /1.9 g in the mother liquor/],
    [{ fraction: 0.34, inLiquorG: 0.2 }, 'doubt', /losses in the work-up/],
    [{ dry: false }, 'doubt', /Not dry/],
    [{ melting: low }, 'doubt', /wet or impure/],
    [{ melting: low, fraction: 0.3 }, 'danger', /incomplete reaction/],
    [{ melting: sharpHigh }, 'doubt', /compare with the class/],
    [{ melting: null }, 'open', /still to come/],
    [{ fraction: null }, 'open', /No product/],
  ] as const)('%j', (part, level, words) => {
    const judgement = of(part)
    expect(judgement.level).toBe(level)
    expect(judgement.words).toMatch(words)
  })

  test('little begins two hundredths below the least that is expected, and a liquor counts from a tenth of theory', () => {
    // 0.70 − 0.02; a tenth of 5.87 g is 0.587 g.
    expect(of({ fraction: 0.681 }).level).toBe('good')
    expect(of({ fraction: 0.679 }).level).toBe('doubt')
    expect(of({ melts: false, fraction: 0.681 }).level).toBe('good')
    expect(of({ melts: false, fraction: 0.679 }).level).toBe('doubt')
    expect(of({ fraction: 0.5, inLiquorG: 0.58 }).words).toMatch(/losses/)
    expect(of({ fraction: 0.5, inLiquorG: 0.6 }).words).toMatch(/0.6 g in the mother liquor/)
    expect(of({ fraction: 1, expected: null }).level).toBe('good')
    expect(of({ fraction: 1.001 }).level).toBe('danger')
  })

  test('where nobody said what to expect, nothing is little and nothing is as expected', () => {
    expect(of({ expected: null, fraction: 0.05 }).words).toBe('Consistent with pure')
    const oil = of({ expected: null, fraction: 0.05, melts: false })
    expect([oil.level, oil.words]).toEqual(['open', 'Yield: nothing to compare with'])
    expect(oil.evidence).toContain('the plan does not say what to expect')
    expect(of({ expected: null, fraction: 1.2 }).level).toBe('danger')
  })

  test('every judgement carries its evidence', () =>
    expect(of({}).evidence).toMatch(/Yield 75 %; melts 113.0–114.7 °C against 113–115 °C/))
})

describe('class figures', () => {
  test('median and MAD', () => {
    expect(median([3, 1, 2])).toBe(2)
    expect(median([4, 1, 2, 3])).toBe(2.5)
    expect(medianAbsoluteDeviation([1, 2, 3, 4, 100])).toBe(1)
    expect(() => median([])).toThrow(RangeError)
  })

  test('a robust outlier is not hidden by itself', () => {
    // median 0.74, MAD 0.03: 0.34 has 0.6745·0.40/0.03 = 9.0, 0.68 has 1.35.
    expect(robustOutliers([0.75, 0.79, 0.71, 0.34, 0.74, 0.77, 0.68])).toEqual([false, false, false, true, false, false, false])
    expect(robustOutliers([1, 1, 1, 5])).toEqual([false, false, false, false])
    expect(robustOutliers([])).toEqual([])
  })

  test('the shift of a class is a median', () => {
    expect(classShiftC([114.7, 114.9, 122], 115)).toBeCloseTo(-0.1, 9)
    expect(classShiftC([], 115)).toBeNull()
  })
})

describe('solubility', () => {
  const acetanilideInWater = [
    { atC: 20, gPer100ML: 0.46 },
    { atC: 100, gPer100ML: 5.5 },
  ]
  test('gives the points back and is linear in ln s over 1/T between them', () => {
    expect(solubilityAt(acetanilideInWater, 20)).toBeCloseTo(0.46, 9)
    expect(solubilityAt(acetanilideInWater, 100)).toBeCloseTo(5.5, 9)
    // At 60 °C: (1/333.15 − 1/293.15)/(1/373.15 − 1/293.15) = 0.56004; ln s = ln 0.46 + 0.56004·ln(5.5/0.46)
    expect(solubilityAt(acetanilideInWater, 60)).toBeCloseTo(0.46 * Math.exp(0.56004 * Math.log(5.5 / 0.46)), 3)
  })
  test('grows with the temperature, also beyond the points', () => {
    for (let atC = 0; atC < 110; atC += 5)
      expect(solubilityAt(acetanilideInWater, atC + 5)).toBeGreaterThan(solubilityAt(acetanilideInWater, atC))
    expect(solubilityAt([{ atC: 20, gPer100ML: 1 }], 80)).toBe(1)
    expect(() => solubilityAt([], 20)).toThrow(RangeError)
  })
  test('the liquor never holds more than there is', () => {
    expect(leftInMotherLiquor(420, 0.46, 4.71)).toBeCloseTo(1.932, 9)
    expect(leftInMotherLiquor(5000, 0.46, 4.71)).toBe(4.71)
  })
})

describe('CSV', () => {
  const parsed = (text: string) => Papa.parse<Record<string, string>>(text.slice(1).trimEnd(), { header: true }).data
  const csv = (members: string) => {
    const { plan, entries } = wholeLog()
    return resultsCsv(classResults(plan, [{ bench: 1, members, scale: 1, entries }]).rows)
  }

  test('opens clean: byte-order mark, CRLF, one value a column, a row for each percentage that says which it is', () => {
    const text = csv('Adeyemi, Kowal')
    expect(text.startsWith('\ufeff')).toBe(true)
    expect(text.endsWith('\r\n')).toBe(true)
    const rows = parsed(text)
    expect(rows.map((row) => [row.result, row.after, row.of, row.unit])).toEqual([
      ['yield', 'crude', 'theory from aniline', '%'],
      ['yield', 'purified', 'theory from aniline', '%'],
      ['recovery', 'purified', 'crude product', '%'],
      ['melting range', 'purified', '', '°C'],
    ])
    expect(rows[1]).toMatchObject({
      bench: '1',
      group: 'Adeyemi, Kowal',
      'limiting reagent': 'aniline',
      substance: 'acetanilide',
      'mass (g)': '4.410',
      value: '75.0',
      dry: 'dry',
    })
    expect(rows[2]).toMatchObject({ value: '88.6', to: '' })
    expect(Number(rows[3]!.to)).toBeGreaterThan(Number(rows[3]!.value))
  })

  test('a separation has a row for each recovery and none called a yield; a bench without a result has one row', () => {
    const log = new TestLog()
    const weigh = separation.steps.filter((step) => step.kind === 'weigh' || step.kind === 'dry')
    for (const { id, kind } of weigh) {
      if (kind === 'weigh') log.difference(id, 30.5, 30.0)
      else {
        log.reading(id, 'empty', 30)
        for (const gross of [30.5, 30.5]) log.reading(id, 'full', gross)
      }
    }
    const runs = [
      { bench: 1, members: 'A', scale: 1, entries: log.entries },
      { bench: 2, members: 'B', scale: 1, entries: [] },
    ]
    const rows = parsed(resultsCsv(classResults(separation, runs).rows))
    const found = rows.filter(({ bench }) => bench === '1')
    expect(new Set(found.map(({ result }) => result))).toEqual(new Set(['recovery', 'mass balance']))
    expect(found.flatMap(({ result, after }) => (result === 'recovery' ? [after] : [])).sort()).toEqual(
      separation.recoveries!.map(({ sample }) => sample).sort(),
    )
    expect(rows.filter(({ bench }) => bench === '2')).toMatchObject([{ result: '', reading: 'No product weighed yet' }])
  })

  test('line breaks and formulas in the middle of a name stay in its cell', () => {
    for (const members of ['A\nB', 'A\r\n=1+1', '\r\n=1+1', ' =1+1']) {
      const rows = parsed(csv(members))
      expect(rows).toHaveLength(4)
      expect([members, `'${members}`]).toContain(rows[0]!.group)
      expect(rows[0]!.group).not.toMatch(/^\s*=/)
    }
  })

  test.each(['=1+1', '+1', '-1', '@SUM(A1)', '\t=1', '\r=1', '=HYPERLINK("x")'])('%j cannot become a formula', (members) => {
    const [, row] = Papa.parse<string[]>(csv(members).slice(1).trimEnd(), { newline: '\r\n' }).data
    expect(row![1]).toBe(`'${members}`)
  })
})
