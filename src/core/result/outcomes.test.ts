import { acetanilide, separation } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { classResults } from '../classroom/classResults'
import { addStep } from '../edit/addStep'
import { calculate } from '../format/calculation'
import { checkPlan } from '../format/planFile'
import { resultsCsv } from '../format/resultsCsv'
import type { OperationKey } from '../operations/registry'
import { changeStep } from '../plan/editPlan'
import { productSample, type Plan } from '../plan/plan'
import { queriesOf } from '../query/queries'
import { exact } from '../quantity/figure'
import { foldRun } from '../run/foldRun'
import type { Quantity } from './outcome'
import { quantities } from './quantities/registry'
import { runResults, wantedResults } from './runResults'

const outcomes = (plan: Plan, log: TestLog) => runResults(foldRun(plan, 1, log.entries)).outcomes
const of = (plan: Plan, log: TestLog, quantity: string) => outcomes(plan, log).filter((each) => each.quantity === quantity)

/** The plan with a step of that operation at its end, and the id of the step. */
const with1 = (plan: Plan, operation: OperationKey, work: Record<string, unknown> = {}) => {
  const { plan: next, id } = addStep(plan, operation)
  return { plan: changeStep(next, id, { work: { of: operation, ...work } }), id }
}

describe('the product is a field, never a name', () => {
  const named = (to: string): Plan => ({
    ...acetanilide,
    steps: acetanilide.steps.map((step) => JSON.parse(JSON.stringify(step).replaceAll('"purified"', `"${to}"`)) as typeof step),
  })
  const dried = (log = new TestLog()) => {
    log.difference('charge-aniline', 27.512, 23.418)
    log.reading('dry', 'empty', 31.2)
    for (const mass of [4.41, 4.41]) log.reading('dry', 'full', Number((31.2 + mass).toFixed(2)))
    return log
  }
  test('a product of any name has its yield: 4.41 ÷ 5.8826 = 74.97 %', () => {
    for (const name of ['purified', 'plates', 'my-own']) {
      const plan = named(name)
      expect(productSample(plan)).toBe(name)
      const [found] = of(plan, dried(), 'yield')
      expect(found).toMatchObject({ sample: name, of: 'acetanilide', dry: true, unit: '%', text: '75 %' })
      expect(found!.figure!.value).toBeCloseTo(74.968, 2)
      expect(runResults(foldRun(plan, 1, dried().entries)).result!.sample).toBe(name)
    }
  })
  test('it rests on its weighings, by their ids', () => {
    const log = dried()
    const weighed = log.entries.filter(({ step }) => step === 'dry').map(({ id }) => id)
    expect(of(acetanilide, log, 'yield')[0]!.evidence).toEqual(weighed)
  })
  test('the plan may say that another sample is it', () => {
    const plan: Plan = { ...acetanilide, product: 'crude' }
    const log = new TestLog()
    log.difference('charge-aniline', 27.512, 23.418)
    log.reading('weigh-crude', 'tared', 0)
    log.reading('weigh-crude', 'net', 4.98)
    expect(runResults(foldRun(plan, 1, log.entries)).result!.figure.value).toBeCloseTo(4.98 / 5.88255, 4)
  })
})

describe('what a plan wants', () => {
  const keys = (plan: Plan) => wantedResults(plan).map(({ key }) => key)
  test('is all that its steps give where it does not say', () =>
    expect(keys(acetanilide)).toEqual([
      'yield crude theory',
      'yield purified theory',
      'recovery purified crude product',
      'melting range purified',
    ]))
  test('is what it says, of one sample or of all', () => {
    expect(keys({ ...acetanilide, wants: [{ quantity: 'yield' }] })).toEqual(['yield crude theory', 'yield purified theory'])
    expect(keys({ ...acetanilide, wants: [{ quantity: 'yield', sample: 'purified' }] })).toEqual(['yield purified theory'])
    expect(keys({ ...acetanilide, wants: [] })).toEqual([])
  })
  test('a plan that makes nothing and gets nothing back can be read, and wants no figure', () => {
    const { mainProduct: _product, expectedYield: _expected, ...rest } = acetanilide
    const plan = checkPlan({ ...rest, wants: [] })
    const { outcomes: found, judgement } = runResults(foldRun(plan, 1, []))
    expect(found).toEqual([])
    expect(judgement).toMatchObject({ level: 'good', words: 'No result is wanted' })
    expect(classResults(plan, [{ bench: 1, members: 'A', scale: 1, entries: [] }])).toMatchObject({
      counts: false,
      medianResult: null,
    })
  })
  test('a result that no step measures is asked about, with the step that would', () => {
    const plan: Plan = { ...acetanilide, wants: [{ quantity: 'refractive index', sample: 'purified' }, { quantity: 'yield' }] }
    const found = queriesOf(plan).filter(({ id }) => id.startsWith('not-measured'))
    expect(found.map(({ id }) => id)).toEqual(['not-measured-refractive-index-purified'])
    const mended = found[0]!.remedy!.apply(plan)
    expect(
      mended.steps.find(({ kind, ...step }) => kind === 'act' && 'operation' in step && step.operation === 'refract'),
    ).toBeDefined()
    expect(queriesOf(mended).filter(({ id }) => id.startsWith('not-measured'))).toEqual([])
    checkPlan(mended)
    expect(queriesOf(acetanilide).filter(({ id }) => id.startsWith('not-measured'))).toEqual([])
  })
})

describe('ranges, indices and what comes back later', () => {
  test('a boiling range is held against the pressure that it was read under, from both sides', () => {
    // Acetic acid boils at 118 °C; the sample is made of the by-product's line.
    const base: Plan = { ...acetanilide, samples: [{ name: 'distillate', line: 'by-acid' }] }
    const { plan, id } = with1(base, 'boil', { sample: 'distillate' })
    const read = (lowC: number, highC: number) => {
      const log = new TestLog()
      log.add(id, 'boiling', { lowC, highC, decimals: 1, mmHg: 760 })
      return of(plan, log, 'boiling range')[0]!
    }
    expect(read(117, 118.5)).toMatchObject({ text: '117.0–118.5 °C', to: 118.5, of: 'acetic acid', judgement: { level: 'good' } })
    expect(read(116, 118)).toMatchObject({ judgement: { level: 'good' } })
    expect(read(115.9, 118).judgement!.words).toMatch(/Wide/)
    expect(read(120, 120.5)).toMatchObject({ judgement: { level: 'good' } })
    expect(read(120.1, 121).judgement!.words).toMatch(/elsewhere/)
    expect(read(114, 115.9).judgement!.words).toMatch(/elsewhere/)
  })
  test('an index is put at 20 °C and held against what the plan says', () => {
    const { plan, id } = with1(acetanilide, 'refract', { sample: 'purified', literature: 1.402 })
    const read = (index: number, atC = 24) => {
      const log = new TestLog()
      log.add(id, 'refraction', { index, decimals: 4, atC })
      return of(plan, log, 'refractive index')[0]!
    }
    expect(read(1.4003)).toMatchObject({ text: '1.4021', judgement: { level: 'good' } })
    expect(read(1.403, 20)).toMatchObject({ judgement: { level: 'good' } })
    expect(read(1.4031, 20)).toMatchObject({ judgement: { level: 'doubt' } })
    expect(read(1.4009, 20)).toMatchObject({ judgement: { level: 'doubt' } })
    const silent = with1(acetanilide, 'refract', { sample: 'purified' })
    const log = new TestLog()
    log.add(silent.id, 'refraction', { index: 1.4, decimals: 4, atC: 20 })
    expect(of(silent.plan, log, 'refractive index')[0]!.judgement!.words).toBe('Nothing to compare with')
  })
  test('a purity that staff typed is a result like the rest', () => {
    const { plan, id } = with1(acetanilide, 'send', {})
    const log = new TestLog()
    const entry = log.add(id, 'purity', { percent: 98.2, decimals: 1, by: 'gas chromatography' })
    expect(of(plan, log, 'purity')).toMatchObject([{ text: '98.2 %', evidence: [entry.id], sample: 'purified' }])
  })
})

describe('a panel of tests', () => {
  const tubes = [
    { holds: 'sample', what: 'A', expect: 'positive' },
    { holds: 'control', what: 'propanal', expect: 'positive' },
    { holds: 'blank', what: 'water', expect: 'negative' },
  ]
  const { plan, id } = with1(acetanilide, 'test', { tubes })
  const seen = (...signs: ('sign' | 'none')[]) => {
    const log = new TestLog()
    const names = ['1 sample, A', '2 positive control, propanal', '3 blank, water']
    signs.forEach((event, index) => log.add(id, 'tube', { tube: names[index]!, event }))
    return of(plan, log, 'test')[0]
  }
  test('is read when every tube is, and only where control and blank did what they must', () => {
    expect(seen('sign', 'sign')).toBeUndefined()
    expect(seen('sign', 'sign', 'none')).toMatchObject({ text: 'A positive', judgement: { level: 'good', words: 'As expected' } })
    expect(seen('none', 'sign', 'none')!.judgement!.words).toBe('1 of 1 not as expected')
    expect(seen('sign', 'none', 'none')!.judgement!.words).toBe('The test itself did not work')
    expect(seen('sign', 'sign', 'sign')!.judgement!.words).toBe('The test itself did not work')
  })
})

describe('a mixture that is taken apart', () => {
  const weighed = (grams: Record<string, number>) => {
    const log = new TestLog()
    for (const step of separation.steps) {
      const mass = 'sample' in step ? grams[step.sample] : undefined
      if (mass === undefined || (step.kind !== 'weigh' && step.kind !== 'dry')) continue
      if (step.kind === 'weigh') log.difference(step.id, 30 + mass, 30)
      else {
        log.reading(step.id, 'empty', 30)
        for (let twice = 0; twice < 2; twice++) log.reading(step.id, 'full', 30 + mass)
      }
    }
    return of(separation, log, 'mass balance')
  }
  const names = separation.recoveries!.map(({ sample }) => sample)
  test('accounts for all its parts once all are weighed; more than was put in is a danger', () => {
    expect(weighed({ [names[0]!]: 0.5 })).toEqual([])
    const put = runResults(foldRun(separation, 1, [])).table.lines.find(({ line }) => line.role === 'material')!.mass!.value
    const each = (share: number) =>
      Object.fromEntries(names.map((name) => [name, Number(((put * share) / names.length).toFixed(3))]))
    expect(weighed(each(0.9))[0]).toMatchObject({ quantity: 'mass balance', judgement: { level: 'open' } })
    expect(weighed(each(0.9))[0]!.figure!.value).toBeCloseTo(90, 0)
    expect(weighed(each(1.05))[0]!.judgement!.words).toBe('More than was put in')
  })
})

test('names decide nothing: with every substance called alike the same results come out', () => {
  const log = new TestLog()
  for (const step of separation.steps) {
    if (step.kind === 'weigh') log.difference(step.id, 30.8, 30)
    if (step.kind !== 'dry') continue
    log.reading(step.id, 'empty', 30)
    for (let twice = 0; twice < 2; twice++) log.reading(step.id, 'full', 30.8)
  }
  const alike = { ...separation, substances: separation.substances.map((each) => ({ ...each, name: 'crude product' })) }
  const texts = (plan: Plan) => outcomes(plan, log).map(({ quantity, sample, text }) => [quantity, sample, text])
  expect(texts(separation).length).toBeGreaterThan(3)
  expect(texts(alike)).toEqual(texts(separation))
})

test('a kind of result is one file: what is added is in the list, the class, the CSV and calc', () => {
  const colour: Quantity = {
    id: 'colour',
    by: 'safety',
    asked: (plan) => [{ sample: productSample(plan), of: 'acetanilide', from: '' }],
    measure: (run) =>
      run.steps.some(({ standing }) => standing.some(({ kind }) => kind === 'observation'))
        ? { text: 'white', unit: '', figure: exact(1) }
        : null,
  }
  ;(quantities as Quantity[]).push(colour)
  try {
    const log = new TestLog()
    log.add('melt', 'observation', { text: '', colour: 'white' })
    expect(of(acetanilide, log, 'colour')).toMatchObject([{ text: 'white', of: 'acetanilide' }])
    const { rows } = classResults(acetanilide, [{ bench: 1, members: 'A', scale: 1, entries: log.entries }])
    expect(rows[0]!.outcomes.map(({ quantity }) => quantity)).toContain('colour')
    expect(resultsCsv(rows)).toContain(',colour,acetanilide,purified,')
    expect(JSON.stringify(calculate(acetanilide, { scale: 1, entries: log.entries }))).toContain('"quantity":"colour"')
    expect(wantedResults({ ...acetanilide, wants: [{ quantity: 'colour' }] })).toHaveLength(1)
    checkPlan({ ...acetanilide, wants: [{ quantity: 'colour' }] })
  } finally {
    ;(quantities as Quantity[]).pop()
  }
})
