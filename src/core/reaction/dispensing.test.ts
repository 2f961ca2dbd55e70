import { asWords } from '../words/words'
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { newIsolation } from '../edit/newPlan'
import type { Anchor, Form, Line, Plan } from '../plan/plan'
import { stepTextPlain } from './stepText'
import { written } from '../quantity/figure'
import { queriesOf } from '../query/queries'
import { lossAccount } from '../result/lossAccount'
import { runResults } from '../result/runResults'
import { foldRun } from '../run/foldRun'
import { editLine, type Column } from '../edit/editLine'
import { computedLine, reactionTable } from './reactionTable'
import { scalePlan } from '../edit/scalePlan'
import { scaleFactor } from './scaleWays'
import { working } from './working'

/** Acetanilide with one more line, dispensed as said. */
function withLine(form: Form, anchor: Anchor | null, more: Partial<Line> = {}, formula = 'NaOH'): Plan {
  const line: Line = { id: 'extra', substance: 'extra', role: 'reagent', coefficient: null, form, anchor, ...more }
  return {
    ...acetanilide,
    substances: [...acetanilide.substances, { id: 'extra', name: 'extra', formula }],
    lines: [...acetanilide.lines, line],
  }
}
const quantity = (value: number, unit: 'g' | 'mL' | 'mmol') => ({ value, unit, decimals: 2 })
const extra = (plan: Plan) => computedLine(reactionTable(plan), 'extra')

describe('what is in the bottle, by hand', () => {
  test('10 % w/v sodium hydroxide: 20.00 mL hold 2.000 g, 2.000 ÷ 39.997 = 50.00 mmol', () => {
    const plan = withLine({ kind: 'mass-volume', gPer100ML: 10 }, { of: 'volume', quantity: quantity(20, 'mL') })
    expect(extra(plan).amount!.value).toBeCloseTo(50.004, 2)
    expect(extra(plan).mass).toBeNull()
  })

  test('with a density of 1.11 g/mL the same 20.00 mL weigh 22.2 g, and a mass leads back to the volume', () => {
    const form: Form = { kind: 'mass-volume', gPer100ML: 10, gPerML: 1.11 }
    expect(extra(withLine(form, { of: 'volume', quantity: quantity(20, 'mL') })).mass!.value).toBeCloseTo(22.2, 9)
    expect(extra(withLine(form, { of: 'mass', quantity: quantity(22.2, 'g') })).volume!.value).toBeCloseTo(20, 9)
  })

  test('the same of a solution by mol/L: 30.00 mL at 3 mol/L and 1.05 g/mL are 90 mmol and 31.5 g', () => {
    const { amount, mass } = extra(
      withLine({ kind: 'solution', molPerL: 3, gPerML: 1.05 }, { of: 'volume', quantity: quantity(30, 'mL') }),
    )
    expect([amount!.value, mass!.value]).toEqual([90, 31.5])
  })

  test('a pentahydrate in the bottle: 2.497 g ÷ 249.68 g/mol = 10.00 mmol of copper sulfate', () => {
    const plan = withLine({ kind: 'solid', purity: 1, water: 5 }, { of: 'mass', quantity: quantity(2.4968, 'g') }, {}, 'CuSO4')
    expect(extra(plan).amount!.value).toBeCloseTo(10, 2)
    const text = JSON.stringify(working(plan, reactionTable(plan), 'extra', 'amount'))
    expect(text).toContain('249.677 g/mol')
  })
})

describe('ways to dispense', () => {
  const solid: Form = { kind: 'solid', purity: 1 }
  test('5 mol % of 43.457 mmol aniline are 2.173 mmol', () => {
    const plan = withLine(solid, { of: 'mol-percent', percent: 5, decimals: 0 })
    expect(extra(plan).amount!.value).toBeCloseTo(2.1729, 3)
    expect(extra(scalePlan(plan, 2)).amount!.value).toBeCloseTo(4.3457, 3)
  })

  test('10 mL/g of 4.088 g aniline are 40.88 mL, whatever is charged of it', () => {
    const plan = withLine({ kind: 'neat', purity: 1 }, { of: 'per-gram', mLPerG: 10, decimals: 0 }, { role: 'solvent' })
    expect(extra(plan).volume!.value).toBeCloseTo(40.88, 6)
    expect(JSON.stringify(working(plan, reactionTable(plan), 'extra', 'volume'))).toContain('10 mL/g × 4.088 g')
  })

  test.each<[Column, string, Anchor | RegExp]>([
    ['ratio', '5 %', { of: 'mol-percent', percent: 5, decimals: 0 }],
    ['ratio', '2.5 mol%', { of: 'mol-percent', percent: 2.5, decimals: 1 }],
    ['ratio', '-5 %', /above 0/],
    ['volume', '10 mL/g', { of: 'per-gram', mLPerG: 10, decimals: 0 }],
    ['volume', '7.5 mL per g', { of: 'per-gram', mLPerG: 7.5, decimals: 1 }],
    ['volume', 'x mL/g', /for example 10 mL\/g/],
  ])('%s typed as %s', (column, text, wanted) => {
    const plan = withLine({ kind: 'solution', molPerL: 1 }, null)
    const read = editLine(plan, 'extra', column, text)
    if (wanted instanceof RegExp) expect(read).toMatchObject({ ok: false, problem: expect.stringMatching(wanted) as string })
    else expect(read.ok && read.value.lines.find(({ id }) => id === 'extra')!.anchor).toEqual(wanted)
  })

  test('a line in mole per cent keeps its amount when the reference moves to another reactant', () => {
    const plan = withLine(solid, { of: 'mol-percent', percent: 5, decimals: 0 })
    const moved = editLine(plan, 'aniline', 'ratio', '0.80')
    if (!moved.ok) throw new Error(moved.problem)
    expect(moved.value.reference).toBe('anhydride')
    expect(extra(moved.value).amount!.value).toBeCloseTo(2.1729, 3)
    expect(extra(moved.value).line.anchor!.of).toBe('amount')
  })

  test('what is counted from another line is as well known as its own figure, whatever that line is measured with', () => {
    // A last digit of 0.005 in 0.50: 0.01/√12/0.50 = 0.577 %.
    const ratio = extra(withLine(solid, { of: 'ratio', ratio: 0.5, decimals: 2 })).mass!
    const perGram = extra(withLine({ kind: 'neat', purity: 1 }, { of: 'per-gram', mLPerG: 0.5, decimals: 2 })).volume!
    expect([ratio.u, perGram.u]).toEqual([written(0.5, 2).u, written(0.5, 2).u])
  })

  test('a reactant is not counted per gram of itself, nor the reference in mole per cent', () => {
    expect(editLine(acetanilide, 'aniline', 'volume', '2 mL/g')).toMatchObject({ ok: false })
    expect(editLine(acetanilide, 'aniline', 'ratio', '5 %')).toMatchObject({ ok: false })
  })
})

describe('a divided charge', () => {
  const divided: Plan = {
    ...acetanilide,
    steps: acetanilide.steps.flatMap((step) =>
      step.id === 'charge-aniline' && step.kind === 'charge'
        ? [
            { ...step, portion: 0.1, text: asWords('First {aniline 10 %}.') },
            { ...step, id: 'rest', portion: 0.9, text: asWords('Then {aniline 90 %}.') },
          ]
        : [step],
    ),
  }

  test('its parts stand in the words, and together they raise no query', () => {
    const table = reactionTable(divided)
    expect(stepTextPlain(asWords('First {aniline 10 %}.'), table)).toBe('First 0.400 mL aniline.')
    expect(queriesOf(divided).filter(({ id }) => id.startsWith('twice'))).toEqual([])
    const short = { ...divided, steps: divided.steps.map((step) => (step.id === 'rest' ? { ...step, portion: 0.8 } : step)) }
    expect(queriesOf(short).find(({ id }) => id === 'twice-aniline')!.evidence).toContain('90 %')
  })

  test('what was charged counts when all parts are in', () => {
    const log = new TestLog()
    log.difference('charge-aniline', 20.409, 20)
    expect(foldRun(divided, 1, log.entries).charged).toEqual({})
    log.difference('rest', 23.68, 20)
    expect(foldRun(divided, 1, log.entries).charged.aniline!.figure.value).toBeCloseTo(4.089, 9)
  })
})

describe('an isolation', () => {
  const seed = { id: 'seed', name: 'ground seed' }
  const fat = { id: 'fat', name: 'fat', formula: 'C45H86O6', melting: { lowC: 56, highC: 57, source: 'test' } }
  const bare = newIsolation('Fat of a seed', seed, fat)
  const typed = editLine(bare, 'seed', 'mass', '5.00 g')
  const plan: Plan = {
    ...(typed.ok ? typed.value : bare),
    steps: [
      ...bare.steps,
      {
        id: 'charge',
        kind: 'charge',
        line: 'seed',
        measure: 'mass',
        container: 'boat',
        device: 'balance-0.01',
        title: asWords('Charge'),
        text: asWords('Weigh {seed}.'),
        handsOnMin: 1,
        waitMin: 0,
      },
      {
        id: 'dry',
        kind: 'dry',
        sample: 'purified',
        container: 'glass',
        device: 'balance-0.01',
        agreement: 0.005,
        title: asWords('Dry'),
        text: asWords(''),
        handsOnMin: 1,
        waitMin: 0,
      },
      {
        id: 'melt',
        kind: 'melt',
        sample: 'purified',
        device: 'melting-0.1',
        title: asWords('Melt'),
        text: asWords(''),
        handsOnMin: 1,
        waitMin: 0,
      },
    ],
  }

  test('makes nothing, and has neither moles nor ratios without a formula', () => {
    expect(bare).toMatchObject({ reference: 'seed', recoveries: [{ product: 'fat', of: 'seed' }] })
    expect(bare.mainProduct).toBeUndefined()
    expect(editLine(plan, 'seed', 'amount', '3 mmol')).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/no formula/) as string,
    })
    expect(computedLine(reactionTable(plan), 'seed')).toMatchObject({ molarMass: null, amount: null })
  })

  test('by hand: 0.80 g from 5.02 g is a recovery of 15.94 %, never a yield', () => {
    const log = new TestLog()
    log.difference('charge', 25.02, 20, 2)
    log.reading('dry', 'empty', 30)
    log.reading('dry', 'full', 30.8)
    log.reading('dry', 'full', 30.8)
    log.add('melt', 'melting', { onsetC: 55.2, clearC: 56.4, decimals: 1 })
    const run = foldRun(plan, 1, log.entries)
    const results = runResults(run)
    expect(results.result).toMatchObject({ kind: 'recovery', sample: 'purified', dry: true })
    expect(results.result!.figure.value).toBeCloseTo(0.15936, 4)
    expect(results).toMatchObject({ theoretical: null, limiting: [], notMeasured: [] })
    expect(results.recovered[0]).toMatchObject({ substance: 'fat', melting: { verdict: 'consistent with pure' } })
    expect(results.judgement.evidence).toMatch(/^Recovery 16 %/)
    expect(lossAccount(run, results)).toContain('Put in 5.02 g.')
  })

  test('is scaled by the product wanted at its recovery', () => {
    const way = { by: 'product' as const, quantity: quantity(1.5, 'g'), yield: 0.15 }
    expect(scaleFactor(plan, reactionTable(plan), way)).toBeCloseTo(2, 9)
  })

  test('a component is a share of the material: 33.3 % of 5.00 g', () => {
    const read = editLine(plan, 'fat', 'mass', '33.3 %')
    const shared = read.ok ? read.value : plan
    expect(computedLine(reactionTable(shared), 'fat').mass!.value).toBeCloseTo(1.665, 9)
    expect(JSON.stringify(working(shared, reactionTable(shared), 'fat', 'mass'))).toContain('33.3 % × 5.00 g ground seed')
  })
})
