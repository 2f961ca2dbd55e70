/** The planners on the demo preparations, with figures worked by hand. */
import { asWords } from '../words/words'
import {
  acetanilide,
  benzil,
  benzoin,
  fractionation,
  isopentylAcetate,
  methylhexanol,
  methylNitrobenzoate,
  separation,
  trimyristin,
} from '@/test-support/plans'
import { defaultLab, type Lab } from '../lab/lab'
import { layerShaken } from './extract/flowOfPlan'
import { operationOf, operations, type OperationKey } from './registry'
import { addStep } from '../edit/addStep'
import { changeStep } from '../plan/editPlan'
import type { Line, Plan, Work } from '../plan/plan'
import type { Substance } from '../substance/substance'
import { reactionTable } from '../reaction/reactionTable'
import { scalePlan } from '../edit/scalePlan'
import { batchDistillation } from './distil/batch'
import { pairsJudged, solventsJudged } from './crystallise/solvents'
import { recoveryByVolume } from './crystallise/planner'
import { batchOf } from './distil/mixture'
import { recoveryByPortions, whereItIs } from './extract/whereItIs'
import type { Measured } from './planner'
import type { Filled } from './fields'
import { blanksOf, contextOf, fieldsHere, filledFor, planners, problemIn, reportFor } from './planners'
import { washesOf, type WashBlanks } from './wash/planner'
import { layersBelieved } from './extract/layersAdvice'
import type { ShakingBlanks } from './extract/blanks'
import type { DistilBlanks } from './distil/blanks'
import type { CrystalliseBlanks } from './crystallise/blanks'

/** A step of a plan with what was typed for it, and what its planner says. */
function at(plan: Plan, id: string, typed: Record<string, unknown> = {}, lab: Lab = defaultLab, measured?: Measured) {
  const step = plan.steps.find((each) => each.id === id)!
  const work = { ...step.work, ...typed, of: operationOf(step)! } as Work
  const changed: Plan =
    Object.keys(typed).length > 0
      ? { ...plan, steps: plan.steps.map((each) => (each.id === id ? { ...each, work } : each)) }
      : plan
  const context = contextOf(
    changed,
    reactionTable(changed),
    changed.steps.find((each) => each.id === id)!,
    lab,
    measured,
  )
  const filled = filledFor(context)
  const report = reportFor(context, filled)!
  return {
    context,
    // Which operation it is each test knows.
    filled: filled as unknown as Filled & ShakingBlanks & WashBlanks & DistilBlanks & CrystalliseBlanks,
    report,
    fact: (fact: string) => report.facts.find((each) => each.id === fact)?.value,
    advice: (advice: string) => report.advice.find((each) => each.id === advice),
  }
}

const nothingMeasured: Measured = { samples: {}, usedML: {}, temperatures: {}, weighings: {}, heads: {}, windows: {} }
const lowPressure: Lab = { ...defaultLab, pressure: { by: 'mmHg', value: 700 } }

describe('every planner', () => {
  const all = Object.entries(planners) as [OperationKey, NonNullable<(typeof planners)[OperationKey]>][]
  test('there is one for each operation that has figures', () => expect(all).toHaveLength(22))
  test.each(all)(
    '%s: every blank has a field, a value within its bounds, and a report, also on a step just added',
    (key, planner) => {
      for (const base of [acetanilide, separation]) {
        const { plan, id } = addStep(base, key, 'reflux')
        const context = contextOf(
          plan,
          reactionTable(plan),
          plan.steps.find((step) => step.id === id)!,
        )
        const filled = filledFor(context)
        const blanks = planner
          .sentences(filled)
          .flatMap((sentence) => [...sentence.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!))
        for (const name of blanks) expect(planner.fields.some((field) => field.key === name)).toBe(true)
        for (const field of planner.fields)
          if (filled[field.key] !== undefined) expect(problemIn(field, filled[field.key])).toBeUndefined()
        const report = reportFor(context, filled)!
        expect(new Set(report.facts.map((fact) => fact.id)).size).toBe(report.facts.length)
        for (const { value, text } of report.facts) {
          expect(Number.isFinite(value)).toBe(true)
          expect(text).not.toContain('NaN')
        }
      }
    },
  )
  test.each(all)('%s: what is typed outside a field’s bounds is refused in words', (_key, planner) => {
    for (const field of planner.fields) {
      if (field.kind === 'number') expect(problemIn(field, field.most + 1)).toContain('between')
      if (field.kind === 'number') expect(problemIn(field, 'much')).toContain('is a number')
      if (field.kind === 'rows') expect(problemIn(field, 'none')).toContain('is a list')
      if (field.kind === 'choice' && field.key !== 'instrument') expect(problemIn(field, 'something else')).toContain('is one of')
    }
  })
  test('a step without figures has none', () => {
    const step = acetanilide.steps.find(({ kind }) => kind === 'safety')!
    const context = contextOf(acetanilide, reactionTable(acetanilide), step)
    expect(reportFor(context)).toBeNull()
    expect(filledFor(context)).toEqual({})
    expect(() => contextOf(acetanilide, reactionTable(acetanilide), { ...step, id: 'other' })).toThrow('other')
  })
  test('a substance that was typed is held by its id, however the file names it; what is none of the plan’s stays as it was typed', () => {
    const typed = (name: string) =>
      at(isopentylAcetate, 'distil', { wantedOf: name, components: [{ name, mmol: 5 }] }).filled as Record<string, unknown>
    for (const said of ['isopentyl alcohol', 'isopentyl-alcohol'])
      expect(typed(said)).toMatchObject({ wantedOf: 'isopentyl-alcohol', components: [{ name: 'isopentyl-alcohol', mmol: 5 }] })
    expect(typed('isopentyl')).toMatchObject({ wantedOf: 'isopentyl', components: [{ name: 'isopentyl', mmol: 5 }] })
    // Words of a sample or of a layer are read as what they are.
    expect(at(separation, 'extract-acid', { into: 'fluorene' }).filled.into).toBe('fluorene')
  })
  test('what was typed for another operation does not count', () => {
    const step = { ...acetanilide.steps.find(({ id }) => id === 'cool')!, work: { of: 'melt', lowC: 5 } }
    const plan = { ...acetanilide, steps: acetanilide.steps.map((each) => (each.id === 'cool' ? step : each)) }
    expect(filledFor(contextOf(plan, reactionTable(plan), step))).not.toHaveProperty('lowC')
  })
})

describe('what cannot be known is not said', () => {
  const inFlask = (form: Line['form'], substance: Substance): Plan => ({
    ...acetanilide,
    substances: [...acetanilide.substances, { ...substance, id: 'main' }],
    lines: acetanilide.lines.map((line) =>
      line.id === 'acetic-acid'
        ? { ...line, substance: 'main', form, anchor: { of: 'volume', quantity: { value: 25, unit: 'mL', decimals: 1 } } }
        : line,
    ),
  })
  test.each([
    [
      'sulfuric acid that is taken as neat, without a density',
      inFlask(
        { kind: 'neat', purity: 0.96 },
        { id: '', name: 'sulfuric acid', formula: 'H2SO4', boiling: { lowC: 337, highC: 337, source: 'x' } },
      ),
    ],
    [
      'a liquid whose boiling point nobody has written',
      inFlask({ kind: 'neat', purity: 1 }, { id: '', name: 'an oil', formula: 'C9H12' }),
    ],
  ])('%s', (_what, plan) => {
    const { fact, advice, filled, report } = at(plan, 'reflux')
    expect([fact('boil'), filled.boilC, advice('bath'), advice('condenser')]).toEqual([undefined, 0, undefined, undefined])
    expect(advice('boil-unknown')!.words).toMatch(/is not known/)
    expect(JSON.stringify(report)).not.toMatch(/1388|1405|337|\b83\b/)
    // What is typed counts.
    expect(at(plan, 'reflux', { boilC: 101 }).advice('bath')).toBeDefined()
  })

  test('40 mmol of base to 100 of acid take 40 %, and no more; where the pH was typed nothing is said of how much goes over', () => {
    const base = separation.lines.find(({ id }) => id === 'base')!
    const [acid] = separation.lines.filter(({ role }) => role === 'component')
    const held = at(separation, 'extract-base').context.table.lines.find(({ line }) => line.id === acid!.id)!.amount!.value
    const with_ = (mmol: number): Plan => ({
      ...separation,
      lines: separation.lines.map((line) =>
        line.id === base.id
          ? {
              ...line,
              form: { kind: 'solution', molPerL: 1, gPerML: 1 },
              anchor: { of: 'volume', quantity: { value: mmol, unit: 'mL', decimals: 2 } },
            }
          : line,
      ),
    })
    const short = at(with_(held * 0.4), 'extract-base')
    expect(short.advice('too-little')).toMatchObject({ level: 'danger' })
    expect(short.fact('taken')).toBeCloseTo(40, 0)
    expect([short.fact('count'), short.fact('limit')]).toEqual([undefined, undefined])
    const typed = at(with_(held * 0.4), 'extract-base', { pH: 14 })
    expect([typed.fact('taken'), typed.fact('count'), typed.advice('where')]).toEqual([undefined, undefined, undefined])
    expect(typed.advice('too-little')!.words).toMatch(/not worked out/)
    expect(whereItIs(typed.context)).toBeNull()
    expect(recoveryByPortions(typed.context, typed.filled)).toEqual([])
    const enough = at(with_(held * 1.05), 'extract-base')
    expect(enough.advice('too-little')).toBeUndefined()
    expect(enough.fact('taken')).toBeGreaterThan(98)
  })
})

describe('heating and cooling', () => {
  test('aniline in acetic acid boils where the acid does or higher; by Hass and Newton at 700 mmHg: 391.15/(1 + 0.0357/5.705) − 273.15 = 115.6 °C', () => {
    const { fact, filled } = at(acetanilide, 'reflux', {}, lowPressure)
    expect(fact('boil')).toBeCloseTo(115.6, 1)
    expect(at(acetanilide, 'reflux').fact('boil')).toBeCloseTo(118, 6)
    expect([filled.lowC, Number(filled.highC) > 125]).toEqual([111, true])
  })
  test('time inside the band is counted from the run’s readings', () => {
    const measured = { ...nothingMeasured, temperatures: { reflux: [0, 10, 20].map((atMin) => ({ atMin, celsius: 118 })) } }
    expect(at(acetanilide, 'reflux', {}, defaultLab, measured).fact('inside')).toBe(20)
    const cold = { ...nothingMeasured, temperatures: { reflux: [0, 20].map((atMin) => ({ atMin, celsius: 80 })) } }
    expect(at(acetanilide, 'reflux', {}, defaultLab, cold).advice('outside')!.words).toContain('0 of 20 min')
  })
  test('gas goes where the laboratory’s school sends it', () => {
    expect(at(acetanilide, 'reflux', { gas: 'acid' }).advice('gas')!.words).toContain('trap')
    expect(at(acetanilide, 'reflux', { gas: 'acid' }, { ...defaultLab, gas: 'hood' }).advice('gas')!.words).toContain('hood')
    expect(at(acetanilide, 'reflux', { moisture: 'yes' }).advice('tube')).toBeDefined()
    // Magnesium is kept from moist air; an anhydride under reflux for minutes need not be.
    expect(at(methylhexanol, 'reflux', {}).advice('tube')).toBeDefined()
    expect(at(acetanilide, 'reflux', {}).advice('tube')).toBeUndefined()
    expect(at(acetanilide, 'reflux', { lowC: 120, highC: 110 }).advice('band')).toBeDefined()
  })
  test('adding at the bench: near the ceiling the drops stop, above it the flask is cooled', () => {
    const shown = (celsius: number) =>
      at(methylNitrobenzoate, 'nitrate', { ceilingC: 15 }, defaultLab, {
        ...nothingMeasured,
        temperatures: {
          nitrate: [
            { atMin: 0, celsius: 6 },
            { atMin: 1, celsius },
          ],
        },
      })
    expect(shown(8).advice('near')).toBeUndefined()
    expect(shown(15).advice('near')!.level).toBe('doubt')
    expect(shown(18).advice('above')!.words).toContain('18 °C is above 15 °C: stop adding')
  })
  test('held in a warm-water bath: the band is that of the words, and time inside it is counted', () => {
    const { filled, advice, fact } = at(benzoin, 'warm')
    expect(filled).toMatchObject({ lowC: 60, highC: 65, bath: 'a warm-water bath' })
    expect(advice('boils-away')).toBeUndefined()
    expect(fact('least')).toBeCloseTo(0.8 * 60, 9)
    const temperatures = { warm: [0, 30, 60, 120].map((atMin) => ({ atMin, celsius: atMin < 60 ? 55 : 62 })) }
    const longer = changeStep(benzoin, 'warm', { holdMin: 120 })
    const cold = at(longer, 'warm', { closed: 'open or loosely stoppered' }, defaultLab, { ...nothingMeasured, temperatures })
    // From 55 to 62 °C in 30 min the line crosses 60 after 21.4 min: 8.6 min, and an hour.
    expect(cold.fact('inside')).toBeCloseTo(68.6, 1)
    expect(cold.advice('outside')!.words).toContain('69 of 120 min')
  })
  test('above its boil the ethanol goes, unless a condenser keeps it; a water bath ends at 100 °C', () => {
    expect(at(benzoin, 'warm', { highC: 85 }).advice('boils-away')!.words).toMatch(/ethanol first \(from 8\d °C\)/)
    expect(at(benzoin, 'warm', { highC: 85, closed: 'under a condenser' }).advice('boils-away')).toBeUndefined()
    // Nitric acid is in its flask as a solution, whose boiling point is not that of the pure acid.
    expect(at(benzil, 'heat').advice('boils-away')).toBeUndefined()
    expect(at(benzoin, 'warm', { lowC: 100, highC: 120 }).advice('too-cold')!.words).toContain('90 °C')
    expect(at(benzoin, 'warm', { lowC: 70 }).advice('band')).toBeDefined()
  })
  test('an acid gas is led away as the laboratory’s school says, and only where there is one', () => {
    expect(at(acetanilide, 'reflux').advice('gas')).toBeUndefined()
    const gas = (school: Lab['gas']) => at(acetanilide, 'reflux', { gas: 'acid' }, { ...defaultLab, gas: school }).advice('gas')!
    expect(gas('trap').words).toContain('through a trap')
    expect(gas('hood').words).toContain('Under the hood')
  })
  test('eight times the volume cools twice as long', () => {
    const tried = { minutes: 10, triedML: 94.1 / 8 }
    expect(at(acetanilide, 'cool', tried).fact('minutes')).toBeCloseTo(20, 6)
    expect(at(acetanilide, 'cool', { bath: 'cold water', toC: 5 }).advice('too-warm')!.words).toContain('colder one')
  })
})

describe('adding and quenching', () => {
  test('nitration: the acids take up little, so it becomes hot; the span of heat and capacity is said', () => {
    const { fact, advice, filled, report } = at(methylNitrobenzoate, 'nitrate')
    expect(fact('rate')).toBeCloseTo(8 / 15, 6)
    // 3.0 g of ester, 11 g of 96 % sulfuric acid and 4.2 g of nitric acid: about 1.8 J/(g K), not water's 4.18.
    expect(filled.cp).toBeGreaterThan(1.5)
    expect(filled.cp).toBeLessThan(2.2)
    expect(filled.heat).toBe(135)
    const { context } = at(methylNitrobenzoate, 'nitrate')
    const grams = context.now.contents.reduce((sum, { massG, volumeML }) => sum + (massG ?? volumeML ?? 0), 0)
    // n·(−ΔH)/(m·c)
    expect(fact('rise')).toBeCloseTo((Number(filled.mmol) * 135) / (grams * Number(filled.cp)), 6)
    expect(fact('rise')).toBeGreaterThan(70)
    expect(report.facts.find(({ id }) => id === 'rise')!.how).toMatch(/between \d+ and \d+ K$/)
    expect(advice('hot')!.level).toBe('danger')
    expect(at(methylNitrobenzoate, 'nitrate', { startC: 20 }).advice('start')).toBeDefined()
  })
  test('what the author writes stands above the record, without a span; where nothing is known nothing is said', () => {
    const typed = at(methylNitrobenzoate, 'nitrate', { heat: 150, cp: 1.5, mmol: 44.3 })
    const grams = typed.context.now.contents.reduce((sum, { massG, volumeML }) => sum + (massG ?? volumeML ?? 0), 0)
    expect(typed.fact('rise')).toBeCloseTo((44.3 * 150) / (grams * 1.5), 6)
    expect(typed.report.facts.find(({ id }) => id === 'rise')!.how).not.toMatch(/between/)
    const silent = at(methylNitrobenzoate, 'nitrate', { heat: 0 })
    expect(silent.fact('rise')).toBeUndefined()
    expect(silent.advice('hot')).toBeUndefined()
    expect(silent.advice('heat-unknown')!.words).toMatch(/heat of this reaction is not given/)
  })
  test('what must set itself off has its ladder', () => {
    expect(at(methylNitrobenzoate, 'nitrate', { initiates: 'yes' }).report.ladder!.rungs.length).toBeGreaterThan(4)
    expect(at(methylNitrobenzoate, 'nitrate').report.ladder).toBeUndefined()
  })
  test('separation: 45 mmol of base in flask B want 7.5 mL of 6 mol/L acid, to pH 4.36 − 2', () => {
    const { fact, advice } = at(separation, 'free-acid')
    expect(fact('needed')).toBeCloseTo(7.5, 2)
    expect(fact('pH')).toBeCloseTo(2.36, 2)
    expect(fact('turned')).toBeCloseTo(99.0, 1)
    expect(advice('enough')).toBeDefined()
    expect(at(separation, 'free-acid', { plannedML: 5 }).advice('short')!.words).toContain('15 mmol are left')
  })
  test('90 mmol of acid in flask A want 15 mL of 6 mol/L base, to pH 2.50 + 2', () => {
    const { fact } = at(separation, 'free-amine')
    expect(fact('needed')).toBeCloseTo(15, 2)
    expect(fact('pH')).toBeCloseTo(4.5, 2)
  })
  test('acid does not neutralise acid, and bicarbonate makes gas', () => {
    expect(at(separation, 'free-acid', { kind: 'acid' }).advice('same')!.level).toBe('danger')
    const gas = at(separation, 'free-acid', { kind: 'acid', mmol: 20, with: 'saturated sodium bicarbonate', plannedML: 20 })
    expect(gas.fact('gas')).toBeCloseTo(0.481, 2)
    expect(gas.advice('gas')).toBeDefined()
  })
})

describe('layers', () => {
  test('the separation ends with amine in A, acid in B, hydrocarbon in the ether', () => {
    const where = whereItIs(at(separation, 'extract-base').context)!
    const share = (layer: string, solute: string) =>
      where.layers.find(({ name }) => name === layer)!.share[where.solutes.indexOf(solute)]!
    // K = 10^1.86 = 72.4; D = 72.4/(1 + 10^(2.5 + 0.48)) = 0.0757; each portion leaves 0.0757·40/(0.0757·40 + 10) = 0.232, three 1.25 %.
    expect(share('A', 'ethyl 4-aminobenzoate')).toBeGreaterThan(0.985)
    expect(share('B', '4-methylbenzoic acid')).toBeGreaterThan(0.99)
    expect(share('tert-butyl methyl ether', 'fluorene')).toBeGreaterThan(0.99)
    for (const [index] of where.solutes.entries())
      expect(where.layers.reduce((sum, layer) => sum + layer.share[index]!, 0)).toBeCloseTo(1, 9)
  })
  test('ether lies on top; at the wrong pH little goes, and says so', () => {
    const { advice } = at(separation, 'extract-acid')
    expect(advice('on-top')!.words).toBe('The tert-butyl methyl ether layer lies on top.')
    expect(advice('where')!.level).toBe('good')
    const neutral = at(separation, 'extract-acid', { pH: 7 })
    expect(neutral.advice('never') ?? neutral.advice('more')).toBeDefined()
    expect(
      at(separation, 'extract-acid', {}, { ...defaultLab, layersOut: 'both through the tap' }).advice('out')!.words,
    ).toContain('Both layers')
  })
  test('what stands in each layer is said beforehand, the upper first, and is unknown where they weigh nearly the same', () => {
    const said = (plan: Plan) => {
      const { context, filled } = at(plan, 'extract-acid')
      return layersBelieved(context, filled)
    }
    const acid = { what: 'hydrochloric acid, 1.05 g/mL', why: 'density' }
    // 40 mL of 0.74 g/mL with 3 g in it: (29.6 + 3)/(40 + 0.8·3) = 0.77.
    expect(said(separation)).toEqual([{ what: 'tert-butyl methyl ether, 0.77 g/mL', why: 'density' }, acid])
    const heavy = (gPerML: number): Plan => ({
      ...separation,
      substances: separation.substances.map((each) =>
        each.name === 'tert-butyl methyl ether' ? { ...each, density: { ...each.density!, gPerML } } : each,
      ),
    })
    expect(said(heavy(1.33))).toEqual([acid, { what: 'tert-butyl methyl ether, 1.33 g/mL', why: 'density' }])
    // (40 + 3)/42.4 = 1.01, and 0.04 g/mL are no difference.
    const either = { what: 'tert-butyl methyl ether, 1.01 g/mL or hydrochloric acid, 1.05 g/mL', why: 'nobody knows' }
    expect(said(heavy(1.0))).toEqual([either, either])
    expect(layersBelieved(at(acetanilide, 'cool').context, {} as ShakingBlanks)).toBeNull()
  })
  test('a solvent that boils low presses the stopper out: it is vented more often', () => {
    const boils = (lowC: number) =>
      at(
        {
          ...separation,
          substances: separation.substances.map((each) =>
            each.name === 'tert-butyl methyl ether' ? { ...each, boiling: { lowC, highC: lowC, source: '' } } : each,
          ),
        },
        'extract-base',
      )
    expect(at(separation, 'extract-base').advice('vent')!.words).toContain('after every second shake at first')
    expect(boils(59).advice('vent')!.words).toContain('after every second shake')
    expect(boils(60).advice('vent')!.words).toContain('then now and then')
    // So does one that stands second in the layer.
    const high = {
      id: 'toluene',
      name: 'toluene',
      density: { gPerML: 0.867, source: '' },
      boiling: { lowC: 111, highC: 111, source: '' },
    }
    const line = { ...separation.lines.find(({ id }) => id === 'ether')!, id: 'toluene', substance: 'toluene' }
    const second = at(
      {
        ...separation,
        substances: [...separation.substances, high],
        lines: [line, ...separation.lines],
        steps: separation.steps.map((step) =>
          step.id === 'dissolve' ? { ...step, text: asWords('Dissolve it in {toluene} and {ether}.') } : step,
        ),
      },
      'extract-base',
    )
    expect(second.advice('on-top')!.words).toContain('toluene layer')
    expect(second.advice('vent')!.words).toContain('after every second shake')
  })
  test('shaken is the layer that the flow began with, else the one drawn off last, of the kind that parts from what is added', () => {
    const step = separation.steps.find(({ id }) => id === 'extract-acid')!
    const layers = [
      { name: 'ether', kind: 'organic' as const },
      { name: 'second ether', kind: 'organic' as const },
      { name: 'water', kind: 'watery' as const },
    ]
    const shaken = (start: string) => layerShaken(reactionTable(separation), step, layers, start)
    expect(shaken('ether')).toBe('ether')
    expect(shaken('second ether')).toBe('second ether')
    expect(shaken('water')).toBe('second ether')
    expect(layerShaken(reactionTable(separation), step, [layers[2]!], 'ether')).toBe('ether')
  })
  test('changing one substance changes what the later steps see', () => {
    const typed = [{ name: '4-methylbenzoic acid', mmol: 7, K: 10, acidPKa: 16 }]
    const { context } = at(separation, 'extract-acid', { solutes: typed })
    const later = contextOf(
      context.plan,
      context.table,
      context.plan.steps.find(({ id }) => id === 'extract-base')!,
    )
    expect(whereItIs(later)!.solutes).toEqual(['4-methylbenzoic acid'])
    expect(whereItIs(later)!.layers.find(({ name }) => name === 'B')!.share[0]).toBeLessThan(0.5)
    expect(recoveryByPortions(later, blanksOf<ShakingBlanks>(later))).toHaveLength(8)
  })
  test('a funnel too small is asked about', () =>
    expect(at(scalePlan(separation, 4), 'extract-acid').advice('funnel')!.level).toBe('doubt'))
})

describe('washing isopentyl acetate', () => {
  test('water first, then bicarbonate for what it leaves; the water takes the acid as its K says', () => {
    const { context, filled, fact, advice } = at(isopentylAcetate, 'wash-bicarbonate')
    expect(washesOf(context, filled).map(({ solution }) => solution)).toEqual(['water', 'saturated sodium bicarbonate', 'brine'])
    // 40 mL × 0.60 mol/L; by hand, 18.6 mL with two of 20 mL of water keep (12.6/32.6)² = 15 % of 112 mmol
    expect(fact('own')).toBeCloseTo(24, 6)
    expect(advice('own-short')).toBeUndefined()
    expect(advice('all')).toBeDefined()
    expect(advice('vent')!.level).toBe('danger')
  })
  test('three of 10 mL of water on 18.6 mL: (18.6/(18.6 + 10/0.676))³ of the acetic acid stay, so 83 % go; of the alcohol 10 %', () => {
    const { context, filled } = at(isopentylAcetate, 'wash-bicarbonate')
    const { dissolves } = washesOf(context, filled)[0]!
    expect(dissolves!.map(({ name, fraction }) => [name, Math.round(100 * fraction)])).toEqual([
      ['isopentyl alcohol', 10],
      ['acetic acid', 83],
      ['sulfuric acid', 98],
    ])
  })
  test('one wash of 10 mL of water leaves too much acid for it', () =>
    expect(
      at(
        {
          ...isopentylAcetate,
          lines: isopentylAcetate.lines.map((line) =>
            line.id === 'wash-water'
              ? { ...line, anchor: { of: 'volume', quantity: { value: 10, unit: 'mL', decimals: 0 } } }
              : line,
          ),
        },
        'wash-bicarbonate',
      ).advice('own-short'),
    ).toBeDefined())
  test('washes of one’s own: order matters, harm is said, what nothing takes is said', () => {
    const own = at(isopentylAcetate, 'wash-water', { washes: [{ solution: '5 % sodium hydroxide', portionML: 60, times: 1 }] })
    expect(own.advice('harm-0')!.words).toContain('splits the ester')
    expect(own.advice('large-0')).toBeDefined()
    expect(own.advice('left')!.words).toContain('acetic acid')
    const after = at(isopentylAcetate, 'wash-water', {
      washes: [
        { solution: 'water', portionML: 9, times: 3 },
        { solution: 'saturated sodium bicarbonate', portionML: 20, times: 1 },
      ],
    })
    const direct = at(isopentylAcetate, 'wash-water', {
      washes: [{ solution: 'saturated sodium bicarbonate', portionML: 20, times: 1 }],
    })
    expect(washesOf(after.context, after.filled)[1]!.needMmol).toBeLessThan(
      washesOf(direct.context, direct.filled)[0]!.needMmol! / 2,
    )
    expect(direct.advice('short-0')).toBeDefined()
  })
})

describe('drying, filtering, evaporating', () => {
  test('the neutral in the ether decides which agent: sodium sulfate for fluorene', () => {
    expect(at(separation, 'dry-solution').advice('agent')!.words).toBe('sodium sulfate will do for fluorene.')
    expect(at(isopentylAcetate, 'dry-ester', { agent: 'potassium carbonate' }).advice('against')).toBeUndefined()
    expect(at(isopentylAcetate, 'dry-ester', { dropletsML: 5 }).advice('little')).toBeDefined()
  })
  test('the rinse of acetanilide: 4 mL at 5 °C, 0.246 g in 100 mL', () => {
    const { fact, filled } = at(acetanilide, 'filter-crystals')
    expect(filled.solubility).toBeCloseTo(0.246, 3)
    expect(fact('loss')).toBeCloseTo((4 * 0.246) / 100, 6)
    expect(at(acetanilide, 'filter', { rinseML: 100, solubility: 5 }).advice('rinse')).toBeDefined()
    expect(at(trimyristin, 'filter').advice('way')!.words).toContain('fluted paper')
  })
  test('ether is taken off without a flame, into a flask that was weighed', () => {
    const { advice } = at(trimyristin, 'evaporate')
    expect(advice('flame')!.level).toBe('danger')
    expect(at(trimyristin, 'evaporate', { tared: 'no' }).advice('tare')).toBeDefined()
    expect(at(trimyristin, 'evaporate', { bathC: 90 }).advice('room')).toBeDefined()
  })
})

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

describe('crystallising acetanilide', () => {
  test('98 mL keep 0.45 g; 10 % too much 91 %, 300 % too much 66 %', () => {
    const { fact } = at(acetanilide, 'crystallise')
    expect(fact('loss')).toBeCloseTo(0.4508, 4)
    // 1 − 1.1·0.46/5.37
    expect(fact('ten')).toBeCloseTo(90.6, 1)
    expect(fact('four')).toBeCloseTo(65.7, 1)
  })
  test('the volume in the sentence is that of the way beside it: the table’s 98 mL, the curve’s 117, what was typed', () => {
    const said = (typed: object, lab = defaultLab, plan = acetanilide) => {
      const { filled, advice } = at(plan, 'crystallise', typed as Record<string, unknown>, lab)
      return [filled.way, filled.volumeML, advice('school')?.words, advice('table')?.words]
    }
    // 100·4.49/5.37 = 83.6, and 40 % more where it is filtered hot: 117.
    const byCurve = /By the curve it would be 117 mL, and 98 mL stand here/
    const inTable = /The table sets 98 mL of water out, and 117 mL stand here/
    expect(said({})).toEqual(['table', 98, expect.stringMatching(byCurve), undefined])
    expect(said({ way: 'curve' })).toEqual(['curve', 117, undefined, expect.stringMatching(inTable)])
    // 98 ÷ 4.49 = 21.8 mL to the gram, and 21.8 × 4.49 again.
    expect(said({ way: 'factor' })).toEqual(['factor', 97.9, undefined, undefined])
    expect(said({ way: 'factor', perG: 30 }).slice(0, 3)).toEqual(['factor', 135, undefined])
    // In portions it takes what it takes; the table is what is set out for it.
    expect(said({ way: 'portions' })).toEqual(['portions', 98, undefined, undefined])
    expect(said({}, { ...defaultLab, crystallisationVolume: 'factor' })).toEqual(['table', 98, undefined, undefined])
    // Twice the crude takes twice the solvent, where the curve is asked.
    expect(said({ way: 'curve', soluteG: 8.98 })[1]).toBe(234)
    // Five hundredths apart: 103.1 less 98 are 4.95 %, 103.2 less 98 are 5.04 %.
    expect(said({ volumeML: 103.1 })).toEqual(['own', 103.1, expect.any(String), undefined])
    expect(said({ volumeML: 103.2 })[3]).toBe(
      'The table sets 98 mL of water out, and 103 mL stand here: let the same stand in both.',
    )
    const noVolume = {
      ...acetanilide,
      lines: acetanilide.lines.map((line) => (line.id === 'hot-water' ? { ...line, anchor: null } : line)),
    }
    expect(said({}, defaultLab, noVolume as Plan).slice(0, 2)).toEqual(['curve', 117])
    // Nothing on record and nothing in the table: ten millilitres to the gram, and no factor is made up.
    const unknown = at(
      { ...(noVolume as Plan), substances: noVolume.substances.map((each) => ({ ...each, solubility: undefined })) },
      'crystallise',
    )
    expect(unknown.filled).toMatchObject({ way: 'portions', volumeML: 44.9, perG: 0 })
    expect(unknown.fact('factor')).toBeUndefined()
  })
  test('at the bench the volume really used and the crude really weighed give the prediction again', () => {
    const measured = { ...nothingMeasured, samples: { crude: 4.71 }, usedML: { crystallise: 420 } }
    const { filled, fact, advice } = at(acetanilide, 'crystallise', {}, defaultLab, measured)
    expect(filled).toMatchObject({ soluteG: 4.71, volumeML: 420, way: 'portions' })
    expect(fact('loss')).toBeCloseTo(1.932, 3)
    // 100·4.71·0.1/0.46
    expect(advice('much')!.words).toContain('Boil down to 102 mL')
  })
  test('the cold end decides what stays: ice keeps less than the room', () => {
    const [ice, room] = [5, 20].map((coldC) => at(acetanilide, 'crystallise', { coldC }))
    expect(room!.filled.coldS).toBeCloseTo(0.46, 6)
    expect(Number(ice!.filled.coldS)).toBeLessThan(0.46)
    expect(ice!.fact('loss')!).toBeCloseTo((98 * Number(ice!.filled.coldS)) / 100, 6)
    // Saturated at 93 °C it separates above the 83 °C at which it melts under water; in twice the water only below.
    expect(at(acetanilide, 'crystallise').advice('oil')!.words).toMatch(
      /separate at about 93 °C, and under water it is liquid above 83 °C/,
    )
    expect(at(acetanilide, 'crystallise', { volumeML: 112 }).advice('oil')!.words).toMatch(/above 83/)
    expect(at(acetanilide, 'crystallise', { volumeML: 130 }).advice('oil')).toBeUndefined()
    // Where nobody has measured it: ten degrees below its melting point, 113 °C.
    const unmeasured = {
      ...acetanilide,
      substances: acetanilide.substances.map((each) =>
        each.id === 'acetanilide'
          ? { ...each, solubility: each.solubility!.map(({ oilsAboveC: _oils, ...rest }) => rest) }
          : each,
      ),
    }
    expect(at(unmeasured, 'crystallise', { hotC: 104, volumeML: 40 }).advice('oil')!.words).toMatch(/above about 103 °C/)
    expect(at(unmeasured, 'crystallise', { hotC: 102, volumeML: 40 }).advice('oil')).toBeUndefined()
  })
  test('it is never boiled down to less than holds it hot, and a damp crude is an upper bound', () => {
    // 4.6 g need 100·4.6/5.5 = 84 mL hot: for 90 % it would have to be 100·4.6·0.1/1.2 = 38 mL, which do not hold it.
    const poor = at(acetanilide, 'crystallise', { coldS: 1.2, volumeML: 200 }).advice('much')!.words
    expect(poor).toMatch(/Boil down to \d+ mL and no further, which just hold it hot/)
    expect(at(acetanilide, 'crystallise', { coldS: 2, volumeML: 84 }).advice('much')!.words).toMatch(/cannot be boiled down/)
    expect(at(acetanilide, 'crystallise').advice('damp')!.words).toMatch(/upper bound/)
    const dry = changeStep(acetanilide, 'weigh-crude', { dry: true })
    expect(at(dry, 'crystallise').advice('damp')).toBeUndefined()
  })
  test('too little, oil, impurity, antisolvent, unknown', () => {
    expect(at(acetanilide, 'crystallise', { volumeML: 40 }).advice('little')).toBeDefined()
    expect(at(acetanilide, 'crystallise', { hotC: 110 }).advice('oil')).toBeDefined()
    expect(at(acetanilide, 'crystallise', { impurityPercent: 10, impurityS: 0.1 }).advice('impurity')!.level).toBe('doubt')
    expect(at(acetanilide, 'crystallise', { impurityPercent: 1, impurityS: 2 }).advice('impurity')!.level).toBe('good')
    expect(at(acetanilide, 'crystallise', { antiML: 50, antiS: 0.01 }).fact('anti')).toBeGreaterThan(4)
    expect(at(methylNitrobenzoate, 'crystallise').advice('unknown')).toBeDefined()
    expect(at(acetanilide, 'crystallise', { hotS: 1 }).advice('ratio')).toBeDefined()
  })
  test('the curve falls, and water is the solvent on record', () => {
    const { context, filled } = at(acetanilide, 'crystallise')
    const points = recoveryByVolume(filled)
    for (let i = 1; i < points.length; i++) expect(points[i]!.percent).toBeLessThan(points[i - 1]!.percent)
    expect(solventsJudged(context, filled)[0]).toMatchObject({ solvent: 'water' })
  })
  const usual = ['ethanol', 'heptane'].map((name, index) => ({
    id: name,
    name,
    boiling: { lowC: [78.3, 98.4][index]!, highC: [78.3, 98.4][index]!, source: '' },
  }))
  const withUsual = (tried: Record<string, unknown>[]) => {
    const { context, filled } = at(acetanilide, 'crystallise', tried.length > 0 ? { tried } : {})
    return [{ ...context, solvents: usual }, filled] as const
  }
  test('the usual solvents stand below those that are known, without figures', () => {
    const judged = solventsJudged(...withUsual([]))
    expect(judged.map(({ solvent, tried }) => [solvent, tried !== null])).toEqual(
      expect.arrayContaining([
        ['water', true],
        ['ethanol', false],
        ['heptane', false],
      ]),
    )
    expect(pairsJudged(...withUsual([]))).toEqual([])
  })
  test('what was tried in a tube is compared, and makes pairs: ethanol holds 20 g cold, 46 g a degree below its boil', () => {
    const here = withUsual([{ solvent: 'ethanol', cold: 20, hot: 46 }])
    const ethanol = solventsJudged(...here).find(({ solvent }) => solvent === 'ethanol')!
    expect(ethanol.tried!.ratio).toBeCloseTo(2.3, 6)
    expect(ethanol.against).toContain('hot dissolves only 2.3 times what cold does')
    expect(pairsJudged(...here).map(({ solvents }) => solvents)).toEqual([['ethanol', 'water']])
    // A row without figures says nothing, and what was tried stands instead of the record.
    expect(pairsJudged(...withUsual([{ solvent: '', cold: 0, hot: 0 }]))).toEqual([])
    const stranger = at(acetanilide, 'crystallise', { tried: [{ solvent: 'moonshine', cold: 1, hot: 9 }] })
    expect(stranger.advice('stranger')!.words).toContain('“moonshine”')
    expect(at(acetanilide, 'crystallise', { tried: [{ solvent: '', cold: 0, hot: 0 }] }).advice('stranger')).toBeUndefined()
    const again = withUsual([{ solvent: 'water', cold: 0.5, hot: 5 }])
    expect(pairsJudged(...again)).toEqual([])
    expect(solventsJudged(...again)[0]!.tried!.coldGPer100ML).toBeCloseTo(0.5, 9)
  })
})

describe('drying and melting the product', () => {
  const weighings = [5.2, 4.8, 4.6].map((massG, index) => ({ atMin: 10 * index, massG }))
  test('three weighings that halve their differences tend to 4.40 g', () => {
    const measured = { ...nothingMeasured, weighings: { dry: weighings } }
    const { fact, advice } = at(acetanilide, 'dry', {}, defaultLab, measured)
    expect(fact('end')).toBeCloseTo(4.4, 3)
    expect(advice('left')!.words).toContain('min more')
  })
  test('the same typed at the Desk; two that agree are dry; too hot is said', () => {
    expect(at(acetanilide, 'dry', { weighings }).fact('end')).toBeCloseTo(4.4, 3)
    expect(at(acetanilide, 'dry', { weighings: weighings.slice(0, 2) }).advice('more')).toBeDefined()
    expect(
      at(acetanilide, 'dry', {
        weighings: [
          { atMin: 0, massG: 4.4 },
          { atMin: 10, massG: 4.4 },
        ],
      }).advice('dry')!.level,
    ).toBe('good')
    expect(
      at(acetanilide, 'dry', { weighings: [...weighings].reverse().map(({ massG }, index) => ({ atMin: index, massG })) }).advice(
        'no-trend',
      ),
    ).toBeDefined()
    expect(at(acetanilide, 'dry', { ovenC: 110 }).advice('hot')!.level).toBe('danger')
  })
  const lab: Lab = {
    ...defaultLab,
    instruments: [
      {
        id: 'two',
        name: 'Two',
        checkedOn: '2026-09-14',
        standards: [
          { name: 'a', trueC: 80, readC: 88 },
          { name: 'b', trueC: 160, readC: 168 },
        ],
      },
    ],
  }
  test('an apparatus eight degrees high shows 123 for 115, and puts the reading right', () => {
    const { fact, advice } = at(acetanilide, 'melt', { onsetC: 121, clearC: 123, crudeOnset: 110, crudeClear: 118 }, lab)
    expect(fact('at')).toBeCloseTo(123, 6)
    expect(advice('reading')).toMatchObject({ level: 'good', words: '113.0–115.0 °C against 113–115 °C: consistent with pure.' })
    expect(advice('gain')!.words).toContain('6.0 °C sharper')
    expect(fieldsHere(planners.melt!, lab).find(({ key }) => key === 'instrument')).toMatchObject({
      ways: [{ value: 'two' }, { value: '' }],
    })
  })
  test('without standards, too fast, outside, mixed, impurity', () => {
    expect(at(acetanilide, 'melt').advice('uncalibrated')).toBeDefined()
    expect(at(acetanilide, 'melt', { perMin: 10 }).advice('fast')!.words).toContain('5.0 °C ahead')
    expect(at(acetanilide, 'melt', { lowC: 200, highC: 202 }, lab).advice('outside')).toBeDefined()
    expect(
      at(acetanilide, 'melt', { onsetC: 113, clearC: 115, mixedOnset: 100, mixedClear: 108 }).advice('mixed')!.words,
    ).toContain('another substance')
    expect(at(acetanilide, 'melt', { onsetC: 115, clearC: 113 }).advice('order')).toBeDefined()
    expect(at(acetanilide, 'melt', { onsetC: 108, clearC: 112, fusion: 20 }).fact('impurity')).toBeGreaterThan(0)
  })
})

test('tests and samples', () => {
  const { plan, id } = addStep(acetanilide, 'test', 'melt')
  const panel = at(plan, id, { tubes: [{ holds: 'sample', what: 'acetanilide', expect: 'negative' }] })
  expect(panel.report.advice.filter(({ id: each }) => each.startsWith('lacks'))).toHaveLength(2)
  expect(at(fractionation, 'send').fact('all')).toBe(16)
  expect(at(fractionation, 'send', { groups: 30 }).advice('slots')!.words).toContain('second tray')
})

test('operations know their planners by name', () => {
  for (const key of Object.keys(planners)) expect(operations).toHaveProperty(key)
})

describe('salting out', () => {
  test('saturated sodium chloride raises K by 10^(0.195·5.4) = 11.3; 3 × 20 mL of water take 22 g', () => {
    const typed = { salt: 'saturated', portions: 3, portionML: 20, pH: 7 }
    const [plain, salted] = [at(separation, 'extract-acid', { ...typed, salt: 'none' }), at(separation, 'extract-acid', typed)]
    expect(salted.fact('salting')).toBeCloseTo(11.3, 1)
    expect(salted.fact('salt')).toBeCloseTo(0.359 * 60, 6)
    expect(salted.fact('D')! / plain.fact('D')!).toBeCloseTo(11.3, 1)
    // What should stay in the ether stays there more: the watery portions take less.
    expect(salted.fact('taken')!).toBeLessThan(plain.fact('taken')!)
    expect(plain.fact('salt')).toBeUndefined()
  })
})
