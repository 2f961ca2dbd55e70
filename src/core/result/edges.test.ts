/** Results at their thresholds, each tried from both sides. */
import { acetanilide, recrystallisation, separation, tartaricAcid, testDay } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { addStep } from '../edit/addStep'
import type { OperationKey } from '../operations/registry'
import { changeStep } from '../plan/editPlan'
import { crudeSample, type Plan } from '../plan/plan'
import { tubeNames, type TestBlanks } from '../operations/test/planner'
import { blanksOf, contextOf } from '../operations/planners'
import { reactionTable } from '../reaction/reactionTable'
import { foldRun } from '../run/foldRun'
import { judge, type Judged } from './judge'
import { lossAccount } from './lossAccount'
import { resultName } from './outcome'
import { runResults } from './runResults'

const results = (plan: Plan, log: TestLog) => runResults(foldRun(plan, 1, log.entries))
const of = (plan: Plan, log: TestLog, quantity: string) =>
  results(plan, log).outcomes.filter((each) => each.quantity === quantity)
const withStep = (plan: Plan, operation: OperationKey, work: Record<string, unknown> = {}) => {
  const { plan: next, id } = addStep(plan, operation)
  return { plan: changeStep(next, id, { work: { of: operation, ...work } }), id }
}

describe('a boiling range', () => {
  const base: Plan = { ...acetanilide, samples: [{ name: 'distillate', line: 'by-acid' }] }
  const { plan, id } = withStep(base, 'boil', { sample: 'distillate' })
  const read = (lowC: number, highC: number, mmHg?: number) => {
    const log = new TestLog()
    log.add(id, 'boiling', { lowC, highC, decimals: 1, ...(mmHg === undefined ? {} : { mmHg }) })
    return of(plan, log, 'boiling range')[0]!
  }
  const boilsC = read(117, 118, 760).literature!.low
  test('is narrow up to 2 K and near up to 2 K', () => {
    expect(read(boilsC - 1, boilsC + 1, 760).judgement).toMatchObject({ level: 'good', words: 'Consistent with pure' })
    expect(read(boilsC - 1, boilsC + 1.1, 760).judgement).toMatchObject({ level: 'doubt', words: 'Wide: more than one liquid?' })
    expect(read(boilsC + 2, boilsC + 2.5, 760).judgement).toMatchObject({ level: 'good' })
    expect(read(boilsC + 2.1, boilsC + 2.5, 760).judgement).toMatchObject({
      level: 'doubt',
      words: expect.stringMatching(/Boils elsewhere/) as string,
    })
    expect(read(boilsC - 2.5, boilsC - 2, 760).judgement).toMatchObject({ level: 'good' })
    expect(read(boilsC - 2.5, boilsC - 2.1, 760).judgement).toMatchObject({
      level: 'doubt',
      words: expect.stringMatching(/Boils elsewhere/) as string,
    })
  })
  test('counts as read at 760 mmHg where the pressure is not known', () => {
    expect(read(117, 118).literature).toEqual(read(117, 118, 760).literature)
    expect(read(117, 118).judgement!.evidence).toBe(read(117, 118, 760).judgement!.evidence)
    expect(read(117, 118, 700).literature!.low).toBeLessThan(boilsC - 1)
    expect(read(117, 118).judgement!.evidence).toMatch(/boils at 118 °C under 760 mmHg/)
  })
  test('has nothing to be held against where what it is made of boils nowhere on record', () => {
    const { plan: other, id: step } = withStep(acetanilide, 'boil', { sample: 'nothing' })
    const log = new TestLog()
    log.add(step, 'boiling', { lowC: 117, highC: 118, decimals: 1 })
    expect(of(other, log, 'boiling range')[0]).toMatchObject({
      of: 'acetanilide',
      literature: null,
      judgement: { level: 'open', words: 'Nothing to compare with' },
    })
  })
})

describe('a refractive index', () => {
  const read = (index: number, atC: number, literature?: number) => {
    const work = { sample: 'distillate', ...(literature === undefined ? {} : { literature }) }
    const { plan, id } = withStep({ ...acetanilide, samples: [{ name: 'distillate', line: 'by-acid' }] }, 'refract', work)
    const log = new TestLog()
    log.add(id, 'refraction', { index, decimals: 4, atC })
    return of(plan, log, 'refractive index')[0]!
  }
  test('is held against the record at 20 °C, within a thousandth', () => {
    expect(read(1.372, 20, 1.372)).toMatchObject({ of: 'acetic acid', text: '1.3720', literature: { low: 1.372, high: 1.372 } })
    for (const [index, words] of [
      [1.373, 'Consistent with pure'],
      [1.3731, 'Not its index: impure or wet?'],
      [1.371, 'Consistent with pure'],
      [1.3709, 'Not its index: impure or wet?'],
    ] as const)
      expect([index, read(index, 20, 1.372).judgement!.words]).toEqual([index, words])
    expect(read(1.371, 20, 1.372).judgement!.level).toBe('good')
    expect(read(1.37, 20, 1.372).judgement!.level).toBe('doubt')
    // 0.0018 more at 20 °C than at 24 °C.
    expect(read(1.3702, 24, 1.372).judgement).toMatchObject({
      level: 'good',
      evidence: expect.stringMatching(/1.3702 at 24.0 °C is 1.3720 at 20 °C; on record it is 1.372\./) as string,
    })
  })
  test('is only told where the plan does not say what is on record', () => {
    expect(read(1.372, 20)).toMatchObject({ literature: null, judgement: { level: 'open', words: 'Nothing to compare with' } })
  })
})

describe('a panel of tests', () => {
  const step = testDay.steps.find(({ id }) => id === 'hydrazine')!
  const names = tubeNames(blanksOf<TestBlanks>(contextOf(testDay, reactionTable(testDay), step)))
  const seen = (events: readonly ('sign' | 'none')[], more = false) => {
    const log = new TestLog()
    names.forEach((tube) => log.add('hydrazine', 'tube', { tube, event: 'start' }))
    events.forEach((event, index) => log.add('hydrazine', 'tube', { tube: names[index]!, event }))
    if (more) log.add('hydrazine', 'tube', { tube: names[0]!, event: 'warm' })
    return of(testDay, log, 'test').find(({ sample }) => sample === 'hydrazine')
  }
  test('is read when every tube is, and only where control and blank did what they must', () => {
    expect(seen(['none', 'none', 'sign', 'sign', 'sign'])).toBeUndefined()
    expect(seen(['none', 'none', 'sign', 'sign', 'sign', 'none'])!.judgement).toMatchObject({
      level: 'good',
      words: 'As expected',
    })
    expect(seen(['none', 'none', 'sign', 'sign', 'none', 'none'])!.judgement).toMatchObject({
      words: 'The test itself did not work',
    })
    expect(seen(['none', 'none', 'sign', 'sign', 'sign', 'sign'])!.judgement).toMatchObject({
      words: 'The test itself did not work',
    })
    expect(seen(['sign', 'none', 'sign', 'sign', 'sign', 'none'])!.judgement).toMatchObject({
      level: 'open',
      words: '1 of 4 not as expected',
    })
    // What was seen before it was warmed once more stands until something else is seen.
    expect(seen(['none', 'none', 'sign', 'sign', 'sign', 'none'], true)!.judgement).toMatchObject({ words: 'As expected' })
  })
  test('says what each sample showed', () => {
    expect(seen(['none', 'none', 'sign', 'sign', 'sign', 'none'])!.text).toBe('A negative, B negative, C positive, D positive')
    expect(resultName('test', 'Carbonyl test')).toBe('Carbonyl test')
    expect(resultName('yield', 'benzoin')).toBe('Yield of benzoin')
  })
})

describe('a strength', () => {
  test('follows from titres that agree: 0.1000 mol/L × 12.25 mL ÷ 25 mL = 0.0490 mol/L', () => {
    const { plan, id } = withStep(testDay, 'titrate', { molPerL: 0.1, aliquotML: 25 })
    const wanted: Plan = { ...plan, wants: [{ quantity: 'strength' }] }
    const log = new TestLog()
    for (const [before, after] of [
      [0.1, 12.35],
      [12.4, 24.65],
    ] as const) {
      log.reading(id, 'burette before', before, 2, {}, 'mL')
      expect(of(wanted, log, 'strength')).toEqual([])
      log.reading(id, 'burette after', after, 2, {}, 'mL')
    }
    const [found] = of(wanted, log, 'strength')
    expect(found).toMatchObject({ unit: 'mol/L', judgement: { level: 'open' } })
    expect(found!.figure!.value).toBeCloseTo(0.049, 9)
    expect(found!.evidence).toHaveLength(4)
  })
})

describe('a mass balance', () => {
  const samples = separation.recoveries!.map(({ sample }) => sample)
  const putG = reactionTable(separation).lines.find(({ line }) => line.role === 'material')!.mass!.value
  /** Each part weighed as such a share of what was put in, the last of them wet where that is said. */
  const weighed = (shares: readonly number[], wet = false) => {
    const log = new TestLog()
    samples.forEach((sample, index) => {
      const share = shares[index]
      if (share === undefined) return
      const steps = separation.steps.filter((step) => 'sample' in step && step.sample === sample)
      const dry = steps.find(({ kind }) => kind === 'dry')!
      log.reading(dry.id, 'empty', 30, 3)
      const masses = wet && index === samples.length - 1 ? [1, 1.2] : [1, 1]
      for (const factor of [...masses].reverse()) log.reading(dry.id, 'full', 30 + share * putG * factor, 3)
    })
    return of(separation, log, 'mass balance')[0]
  }
  const even = (all: number) => samples.map(() => all / samples.length)
  test('waits for every part, and is more than was put in only beyond what a balance can be wrong', () => {
    expect(weighed(even(0.9).slice(1))).toBeUndefined()
    expect(weighed(even(0.9))!.judgement).toMatchObject({ level: 'open', words: '90 % accounted for' })
    expect(weighed(even(1.019))!.judgement).toMatchObject({ level: 'open' })
    expect(weighed(even(1.021))!.judgement).toMatchObject({ level: 'danger', words: 'More than was put in' })
    expect(weighed(even(0.9))!.figure!.value).toBeCloseTo(90, 1)
  })
  test('says where not all of it is dry, and rests on every weighing', () => {
    expect(weighed(even(0.9))!.judgement!.evidence).toBe(`${samples.length} parts together, of what was put in.`)
    expect(weighed(even(0.9), true)!.judgement!.evidence).toMatch(/not all of it is dry/)
    expect(weighed(even(0.9))!.evidence).toHaveLength(3 * samples.length)
  })
})

describe('the reading of a result', () => {
  const pure = { verdict: 'consistent with pure', onsetC: 113, clearC: 115, literature: { lowC: 113, highC: 115 } } as never
  const given: Judged = {
    fraction: 0.8,
    kind: 'yield',
    dry: true,
    melts: true,
    melting: pure,
    expected: { low: 0.7, high: 0.9 },
    inLiquorG: null,
    wholeG: 5,
  }
  const read = (part: Partial<Judged>) => judge({ ...given, ...part })
  test('stands in per cent beside what is expected, as yield or as recovery', () => {
    expect(read({}).evidence).toBe('Yield 80 %; melts 113.0–115.0 °C against 113–115 °C.'.replace('; ', '; '))
    expect(read({ melts: false }).evidence).toBe('Yield 80 %; 70–90 % are expected.')
    expect(read({ melts: false, expected: null })).toMatchObject({ level: 'open', words: 'Yield: nothing to compare with' })
    expect(read({ melts: false, kind: 'recovery' }).words).toBe('Recovery as expected')
    expect(read({ fraction: 1.01, kind: 'recovery' }).evidence).toMatch(/More than was put in/)
    expect(read({ fraction: 1.01 }).evidence).toMatch(/More than theory allows/)
    expect(read({ fraction: 1, expected: null }).level).toBe('good')
  })
  test('little begins two hundredths below the least: 43 % for 50–90 is little', () => {
    expect(read({ fraction: 0.68, melts: false }).level).toBe('good')
    expect(read({ fraction: 0.679, melts: false }).level).toBe('doubt')
    expect(read({ fraction: 0.43, melts: false, expected: { low: 0.5, high: 0.9 } }).words).toMatch(/^Little/)
    expect(read({ fraction: 0.3, melts: false, expected: null }).level).toBe('open')
  })
  test('more begins five hundredths above the most, or twice the uncertainty', () => {
    expect(read({ fraction: 0.95 }).level).toBe('good')
    expect(read({ fraction: 0.951 }).words).toBe('More than expected: solvent or water left?')
    expect(read({ fraction: 0.951, u: 0.03 }).level).toBe('good')
    // The audit's case: 98 % where 55–75 are expected.
    expect(read({ fraction: 0.98, melts: false, expected: { low: 0.55, high: 0.75 } })).toMatchObject({
      level: 'doubt',
      words: 'More than expected: solvent or water left?',
    })
    expect(read({ fraction: 0.98, expected: null }).level).toBe('good')
  })
  test('97 % above a ceiling of 67 % is more than the equilibrium allows; 72 % is not yet', () => {
    const wide = { low: 0.5, high: 1 }
    expect(read({ fraction: 0.97, ceiling: 0.67, melts: false, expected: wide }).words).toBe(
      'More than the equilibrium allows: solvent or water left?',
    )
    expect(read({ fraction: 0.72, ceiling: 0.67, melts: false, expected: wide }).level).toBe('good')
    expect(read({ fraction: 0.721, ceiling: 0.67, melts: false, expected: wide }).level).toBe('doubt')
    expect(read({ fraction: 0.97, ceiling: null, melts: false, expected: wide }).level).toBe('good')
  })
  test('above theory within its uncertainty is theory', () => {
    expect(read({ fraction: 1.03, u: 0.016, expected: null }).level).toBe('good')
    expect(read({ fraction: 1.033, u: 0.016, expected: null }).level).toBe('danger')
  })
  test('a liquor counts from a tenth of the whole', () => {
    expect(read({ fraction: 0.5, inLiquorG: 0.5 }).words).toBe('Pure but little: losses in the work-up')
    expect(read({ fraction: 0.5, inLiquorG: 0.51 }).words).toMatch(/about 0.5 g in the mother liquor/)
    expect(read({ fraction: 0.5, inLiquorG: 0.5 }).evidence).not.toMatch(/second crop/)
    expect(read({ fraction: 0.5, inLiquorG: 0.51 }).evidence).toMatch(/second crop/)
    expect(read({ fraction: 0.5, inLiquorG: 0.51, wholeG: null }).words).toBe('Pure but little: losses in the work-up')
  })
  test('a sharp range off its place is compared with the class; far off it is another substance', () => {
    const sharp = (verdict: string, offC: number) => read({ melting: { ...(pure as object), verdict, offC } as never })
    expect(sharp('sharp but high', 8).words).toBe('Sharp but high: compare with the class')
    expect(sharp('sharp but low', 14.9).words).toBe('Sharp but low: compare with the class')
    expect(sharp('sharp but low', 15).words).toBe('Sharp but low: another substance?')
    expect(sharp('sharp but low', 60).evidence).toMatch(/60 °C off: consistent with another substance/)
    expect(sharp('sharp but low', 5).evidence).toMatch(/One bench cannot tell/)
  })
  test('impurity never raises a melting range', () => {
    const { words, evidence } = read({ melting: { ...(pure as object), verdict: 'high and broad', offC: 3 } as never })
    expect([words, evidence]).toEqual([
      'High and broad: heated too fast?',
      expect.stringMatching(/lowers a melting range and never raises it/),
    ])
  })
  test('what is low and broad is read so, however much there is of it', () => {
    expect(read({ fraction: 0.99, melting: { ...(pure as object), verdict: 'low and broad', offC: 4 } as never }).words).toMatch(
      /wet or impure/,
    )
  })
})

describe('a run', () => {
  test('whose plan counts from nothing is read by the gravest of what was measured', () => {
    const plan: Plan = { ...testDay, wants: [{ quantity: 'test' }] }
    const log = new TestLog()
    const panel = (id: string, events: readonly ('sign' | 'none')[]) => {
      const step = testDay.steps.find((each) => each.id === id)!
      const names = tubeNames(blanksOf<TestBlanks>(contextOf(testDay, reactionTable(testDay), step)))
      events.forEach((event, index) => log.add(id, 'tube', { tube: names[index]!, event }))
    }
    expect(results(plan, log).judgement).toMatchObject({ level: 'open', words: 'Nothing measured yet' })
    panel('hydrazine', ['none', 'none', 'sign', 'sign', 'sign', 'none'])
    expect(results(plan, log).judgement).toMatchObject({ level: 'good', words: 'As expected' })
    panel('iodoform', ['none', 'none', 'sign', 'sign', 'sign', 'sign'])
    expect(results(plan, log).judgement).toMatchObject({ level: 'doubt', words: 'The test itself did not work' })
    panel('cerium', ['none', 'sign', 'none', 'none', 'sign', 'none'])
    expect(results(plan, log).judgement).toMatchObject({ level: 'doubt' })
    expect(results(plan, log).judgement.evidence).toMatch(/Carbonyl test: .* Iodoform test: .* Alcohol test: /)
  })
  test('tells where it went: from how much more or less solvent than planned', () => {
    const account = (mL: number) => {
      const log = new TestLog()
      log.reading('crystallise', 'volume', mL, 1, {}, 'mL')
      const run = foldRun(recrystallisation, 1, log.entries)
      return lossAccount(run, runResults(run))
    }
    // Planned are 12 mL: 0.7 and 1.3 of it are 8.4 and 15.6 mL.
    expect(account(8.5)).toContain('Crystallised from 9 mL.')
    expect(account(8.3)).toContain('instead of 12 mL')
    expect(account(15.5)).not.toContain('instead of')
    expect(account(15.7)).toContain('instead of 12 mL')
  })
  test('that was stopped before it was dry says by how much the last two differed', () => {
    const log = new TestLog()
    log.reading('dry', 'empty', 30)
    for (const mass of [32.5, 31.9, 31.8]) log.reading('dry', 'full', mass)
    const run = foldRun(recrystallisation, 1, log.entries)
    expect(lossAccount(run, runResults(run))).toContain('The last two weighings differ by 0.10 g')
    const once = new TestLog()
    once.reading('dry', 'empty', 30)
    once.reading('dry', 'full', 32.5)
    const first = foldRun(recrystallisation, 1, once.entries)
    expect(lossAccount(first, runResults(first))).not.toContain('differ')
  })
})

describe('an intermediate', () => {
  const log = new TestLog()
  for (const [step, grams] of [
    ['dry-salt', 6.2],
    ['dry-acid', 2.6],
  ] as const) {
    log.reading(step, 'empty', 30)
    for (const _ of [1, 2]) log.reading(step, 'full', 30 + grams)
  }
  test('has a yield of its own, counted from what it comes from, and is no crude product', () => {
    const yields = of(tartaricAcid, log, 'yield')
    expect(yields.map(({ sample, from }) => [sample, from])).toEqual([
      ['salt', 'theory from potassium hydrogen tartrate'],
      ['acid', 'theory from sulfuric acid'],
    ])
    // 5.00 g × 0.99 ÷ 188.18 g/mol × 260.21 g/mol = 6.84 g; 6.20 g are 91 %.
    expect(yields[0]!.figure!.value).toBeCloseTo(90.6, 1)
    expect(results(tartaricAcid, log).crude).toBeNull()
    const run = foldRun(tartaricAcid, 1, log.entries)
    expect(lossAccount(run, runResults(run))).not.toContain('Crude')
  })
  test('a crude sample of the product stays what it was', () => {
    expect(crudeSample(acetanilide)).toBe('crude')
    expect(crudeSample(recrystallisation)).toBe('crude')
  })
})

test('what comes back of a vial is told by its own kind, the last that stands', () => {
  const { plan, id } = withStep(acetanilide, 'send')
  const log = new TestLog()
  log.add(id, 'note', { slot: 'sample slot', text: 'A3' })
  expect([of(plan, log, 'purity'), of(plan, log, 'spectrum')]).toEqual([[], []])
  log.add(id, 'purity', { percent: 96.4, decimals: 1, by: 'gas chromatography' })
  log.add(id, 'purity', { percent: 97.1, decimals: 1, by: 'gas chromatography' })
  const read = log.add(id, 'spectrum', { text: '1660 cm⁻¹', by: 'infrared' })
  expect(of(plan, log, 'purity')).toMatchObject([{ text: '97.1 %', of: 'acetanilide' }])
  expect(of(plan, log, 'spectrum')).toMatchObject([
    { text: '1660 cm⁻¹', evidence: [read.id], judgement: { evidence: '1660 cm⁻¹, by infrared.' } },
  ])
})
