/** The planner of a distillation on the demo preparations, with figures worked by hand. */
import { defaultLab } from '../../lab/lab'
import type { Plan } from '../../plan/plan'
import { batchDistillation } from './batch'
import { batchOf } from './mixture'
import { at, nothingMeasured } from '@/test-support/planned'
import { fractionation, isopentylAcetate } from '@/test-support/plans'

describe('distilling', () => {
  test('30 °C apart: fractional, with a column; the curve is that of its blanks', () => {
    const { context, filled, advice, fact } = at(fractionation, 'distil-light')
    expect(fact('pot')).toBeCloseTo(50, 0)
    expect(fact('shows')).toBeCloseTo(80.7, 1)
    expect(advice('type')).toMatchObject({ level: 'open' })
    const batch = batchOf(context, filled)!
    expect(batch.wanted).toBe(0)
    expect(batchDistillation(batch.mixture, { ...batch.charge, points: 40 }).points[0]!.headC).toBeCloseTo(82.5, 0)
    expect(at(fractionation, 'distil-light', { stages: 0 }).advice('type')!.level).toBe('doubt')
  })
  test('a spirit thermometer 60 K of which stand out, 2 behind: 80.7 reads 75.3, outside the window', () => {
    const { fact, advice } = at(fractionation, 'distil-light', { stemK: 60, lagK: 2 })
    // (80.73 − 2 + 0.06·20)/(1 + 0.06)
    expect(fact('shows')).toBeCloseTo(75.4, 1)
    expect(advice('window')).toBeDefined()
  })
  test('a fraction that is no substance of the plan is not taken for one: the product is, and that is said', () => {
    const { advice, fact } = at(isopentylAcetate, 'distil', { wantedOf: 'isopentyl' })
    expect(advice('not-here')!.words).toContain('“isopentyl” is no substance of this plan: isopentyl acetate is taken')
    expect(fact('boils')).toBeCloseTo(at(isopentylAcetate, 'distil').fact('boils')!, 6)
    expect(at(isopentylAcetate, 'distil').advice('not-here')).toBeUndefined()
    expect(at(isopentylAcetate, 'distil', { wantedOf: 'isopentyl alcohol' }).advice('not-here')).toBeUndefined()
  })
  test('never to dryness, never too full, window not too narrow', () => {
    expect(at(fractionation, 'distil-light', { stopML: 0.5 }).advice('dryness')!.level).toBe('danger')
    expect(at(fractionation, 'distil-light', { potML: 50 }).advice('full')).toBeDefined()
    expect(at(fractionation, 'distil-light', { potML: 500 }).advice('empty')).toBeDefined()
    expect(at(fractionation, 'distil-light', { lowC: 80, highC: 81 }).advice('narrow')).toBeDefined()
    const unknown = at(fractionation, 'distil-light', { components: [{ name: 'moonshine', mmol: 5 }] })
    expect(unknown.advice('unknown')!.words).toContain('moonshine')
    expect(batchOf(unknown.context, unknown.filled)).toBeNull()
  })
  test.each([
    ['van Laar', { A12: 1, A21: 1 }],
    ['Wilson', { A12: 0.5, A21: 0.8 }],
    ['NRTL', { A12: 0.3, A21: 0.4 }],
  ])('%s constants reach the curve', (model, constants) => {
    const { context, filled } = at(fractionation, 'distil-light', { model, ...constants })
    expect(batchOf(context, filled)!.mixture.model.kind).toBe(model)
  })
  const octane = {
    id: 'octane',
    name: 'octane',
    formula: 'C8H18',
    density: { gPerML: 0.703, source: '' },
    boiling: { lowC: 125.7, highC: 125.7, source: '' },
  }
  const three: Plan = { ...fractionation, substances: [...fractionation.substances, octane] }
  const components = ['cyclohexane', 'toluene', 'octane'].map((name) => ({ name, mmol: 100 }))
  const constants = { A12: 0.9, A21: 0.8, A13: 0.7, A31: 0.6, A23: 1.1, A32: 1.2 }
  test('three components: each pair has its two constants, and the curve they give keeps the balance', () => {
    for (const model of ['Wilson', 'NRTL']) {
      const { context, filled } = at(three, 'distil-light', { components, model, ...constants })
      const { mixture, charge } = batchOf(context, filled)!
      const own = model === 'Wilson' ? 1 : 0
      expect(mixture.model).toMatchObject({
        kind: model,
        [model === 'Wilson' ? 'lambda' : 'tau']: [
          [own, 0.9, 0.7],
          [0.8, own, 1.1],
          [0.6, 1.2, own],
        ],
      })
      const { points, left, inColumn } = batchDistillation(mixture, { ...charge, points: 60 })
      points.at(-1)!.distilled.forEach((n, i) => expect((n + left[i]! + inColumn[i]!) / 100).toBeCloseTo(1, 9))
    }
  })
  test('three components over many stages are doubted, two are not', () => {
    const rows = ['cyclohexane', 'toluene', 'ethanol'].map((name) => ({ name, mmol: 100 }))
    const many = (stages: number, components: object[]) =>
      at(fractionation, 'distil-light', { components, stages }).advice('many-stages')
    expect(many(13, rows)!.level).toBe('doubt')
    expect([many(12, rows), many(13, rows.slice(0, 2))]).toEqual([undefined, undefined])
  })
  test('what the constants cannot say is taken as ideal, and said', () => {
    const laar = at(three, 'distil-light', { components, model: 'van Laar', A12: 1, A21: 1 })
    expect(laar.advice('van-laar')!.words).toContain('two components')
    expect(batchOf(laar.context, laar.filled)!.mixture.model).toEqual({ kind: 'ideal' })
    const wilson = at(three, 'distil-light', { components, model: 'Wilson', A31: -1 })
    expect(wilson.advice('wilson')).toBeDefined()
    expect(batchOf(wilson.context, wilson.filled)!.mixture.model).toEqual({ kind: 'ideal' })
    const four = at(three, 'distil-light', { components: [...components, components[0]!], model: 'NRTL', A12: 1 })
    expect(four.advice('four')).toBeDefined()
    expect(batchOf(four.context, four.filled)!.mixture.model).toEqual({ kind: 'ideal' })
    expect(at(three, 'distil-light', { components, model: 'Wilson' }).filled).toMatchObject({ A13: 1, A32: 1 })
  })
  const heads = {
    'distil-light': [
      { volumeML: 0, headC: 80.5 },
      { volumeML: 10, headC: 81 },
      { volumeML: 20, headC: 85 },
    ],
    'distil-middle': [{ volumeML: 6, headC: 106 }],
    'distil-heavy': [
      { volumeML: 0, headC: 107 },
      { volumeML: 18, headC: 110.2 },
    ],
  }
  const heavy = (last: number) => ({
    ...nothingMeasured,
    heads: { ...heads, 'distil-heavy': [...heads['distil-heavy'], { volumeML: last, headC: 110.4 }] },
  })
  test('at the bench: 50.0 mL less what every receiver holds, the boiling range, and what came inside the window', () => {
    const light = at(fractionation, 'distil-light', {}, defaultLab, { ...nothingMeasured, heads })
    expect(light.fact('left-now')).toBeCloseTo(30.0, 1)
    expect(light.report.facts.find(({ id }) => id === 'range')!.text).toBe('80.5–85.0 °C')
    // All of the first 10 mL, and of the next, from 81 to 85 °C, what lies below 84.
    expect(light.fact('inside')).toBeCloseTo(17.5, 6)
    expect(light.advice('outside-now')!.words).toContain('85.0 °C, above 78 to 84 °C')
    expect(at(fractionation, 'distil-heavy', {}, defaultLab, heavy(18)).fact('left-now')).toBeCloseTo(6.0, 1)
  })
  test('a later receiver takes what the first has left: the light part is mostly over, the flask is that of the plan', () => {
    const { filled, advice } = at(fractionation, 'distil-middle')
    const mmol = (name: string) => Number(filled.components.find((each) => each.name === name)?.mmol ?? 0)
    // 231 and 235 mmol were charged; the window of the light fraction takes most of the cyclohexane.
    expect(mmol('cyclohexane')).toBeLessThan(60)
    expect(mmol('toluene')).toBeGreaterThan(200)
    expect(filled.potML).toBe(100)
    expect(advice('empty')).toBeUndefined()
    expect(at(fractionation, 'distil-heavy').advice('empty')).toBeUndefined()
  })
  test('nobody is warned of a rest that nobody typed, however large the flask; of one that was typed, from both sides', () => {
    for (const potML of [5, 10, 25, 50, 100, 250, 1000, 20_000])
      expect(at(fractionation, 'distil-light', { potML }).advice('dryness')).toBeUndefined()
    expect(at(fractionation, 'distil-light', { potML: 500, stopML: 14.9 }).advice('dryness')).toBeDefined()
    expect(at(fractionation, 'distil-light', { potML: 500, stopML: 15.1 }).advice('dryness')).toBeUndefined()
  })
  test('a window that the group widened stands', () => {
    const windows = { 'distil-light': { lowC: 78, highC: 86 } }
    const wider = at(fractionation, 'distil-light', {}, defaultLab, { ...nothingMeasured, heads, windows })
    expect(wider.fact('inside')).toBeCloseTo(20, 6)
    expect(wider.advice('outside-now')).toBeUndefined()
  })
  test('it warns before the flask is dry, and then says stop', () => {
    expect(at(fractionation, 'distil-heavy', {}, defaultLab, heavy(18)).advice('stop-soon')!.level).toBe('doubt')
    expect(at(fractionation, 'distil-heavy', {}, defaultLab, heavy(21.5)).advice('stop-now')!.level).toBe('danger')
    expect(at(fractionation, 'distil-light', {}, defaultLab, { ...nothingMeasured, heads }).advice('stop-soon')).toBeUndefined()
  })
  test('at 100 mmHg cyclohexane boils at 25.5 °C, by its Antoine constants, and the glass is a danger', () => {
    const { fact, filled, advice, context } = at(fractionation, 'distil-light', { mmHg: 100 })
    // 1201.53/(6.8413 − 2) − 222.65
    expect(fact('boils')).toBeCloseTo(25.5, 1)
    expect(filled.lowC).toBe(23)
    expect(advice('reduced')!.level).toBe('danger')
    expect(batchOf(context, filled)!.mixture.mmHg).toBe(100)
    expect(at(fractionation, 'distil-light').advice('reduced')).toBeUndefined()
  })
  test('what boils above 180 °C is offered at 20 mmHg', () => {
    const heavy = {
      ...fractionation,
      substances: fractionation.substances.map((each) =>
        each.name === 'cyclohexane' ? { ...each, antoine: undefined, boiling: { lowC: 230, highC: 230, source: '' } } : each,
      ),
    } as Plan
    // From the boiling point alone: 503.15/(1 + 1.5798/5.337) − 273.15 = 115 °C, and what that is worth.
    expect(at(heavy, 'distil-light', { wantedOf: 'cyclohexane' }).advice('lower')!.words).toMatch(
      /about 115 °C, to within about \d K/,
    )
    const known = {
      ...heavy,
      substances: heavy.substances.map((each) =>
        // Naphthalene's: 2.0·10³/(7.01065 − 1.30103) − 201.859 = 101.8 °C at 20 mmHg
        each.name === 'cyclohexane'
          ? { ...each, antoine: { a: 7.01065, b: 1733.71, c: 201.859, fromC: 86, toC: 250, source: 'x' } }
          : each,
      ),
    } as Plan
    expect(at(known, 'distil-light', { wantedOf: 'cyclohexane' }).advice('lower')!.words).toContain('about 102 °C')
  })
  test('isopentyl acetate could come with steam, once it is known to part from water', () => {
    expect(at(isopentylAcetate, 'distil').advice('estimated')).toBeDefined()
    const ester = (part: object) =>
      ({
        ...isopentylAcetate,
        substances: isopentylAcetate.substances.map((each) =>
          each.id === 'isopentyl-acetate' ? { ...each, logP: undefined, ...part } : each,
        ),
      }) as Plan
    const logP = (value: number) => ({ logP: { value, source: 'x' } })
    expect(at(ester(logP(2.25)), 'distil').advice('steam')).toBeDefined()
    expect(at(ester({}), 'distil').advice('steam')).toBeUndefined()
    expect(at(ester(logP(0.99)), 'distil').advice('steam')).toBeUndefined()
    expect(at(ester(logP(1)), 'distil').advice('steam')).toBeDefined()
    // Benzoyl chloride's structure: water destroys it, however little it mixes.
    expect(at(ester({ ...logP(2.25), smiles: 'ClC(=O)c1ccccc1' }), 'distil').advice('steam')).toBeUndefined()
  })
})
