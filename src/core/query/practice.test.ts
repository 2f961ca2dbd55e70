/** The mistakes of the teaching laboratory, each made on purpose in a sound plan. */
import { acetanilide, benzoin, isopentylAcetate } from '@/test-support/plans'
import { addLine, changeStep, removeStep } from '../plan/editPlan'
import { addStep } from '../edit/addStep'
import type { Line, Plan } from '../plan/plan'
import type { Substance } from '../substance/substance'
import { queriesOf } from './queries'

const found = (plan: Plan, id: string) => queriesOf(plan).find((query) => query.id.startsWith(id))
const settled = (plan: Plan, id: string) => found(found(plan, id)!.remedy!.apply(plan), id)
const withLine = (plan: Plan, id: string, part: Partial<Line>): Plan => ({
  ...plan,
  lines: plan.lines.map((line) => (line.id === id ? { ...line, ...part } : line)),
})
const withSubstance = (plan: Plan, id: string, part: Partial<Substance>): Plan => ({
  ...plan,
  substances: plan.substances.map((each) => (each.id === id ? { ...each, ...part } : each)),
})
const mL = (value: number): Line['anchor'] => ({ of: 'volume', quantity: { value, unit: 'mL', decimals: 1 } })
const g = (value: number): Line['anchor'] => ({ of: 'mass', quantity: { value, unit: 'g', decimals: 1 } })
/** The ester with one line more, charged in the words of a step. */
function esterWith(substance: Substance, part: Partial<Line>, step: string): Plan {
  const plan = withLine(addLine(isopentylAcetate, substance, 'work-up'), substance.id, part)
  const old = plan.steps.find(({ id }) => id === step)!
  return changeStep(plan, step, { text: `${old.text} Use {${substance.id}}.` })
}

describe('what is in the bottle', () => {
  test('hydrochloric acid taken as pure has no strength', () => {
    const plan = addLine(benzoin, { id: 'hcl', name: 'hydrochloric acid', formula: 'HCl' }, 'reagent')
    expect(found(plan, 'strength-hcl')!.title).toContain('How strong')
    expect(found(withLine(plan, 'hcl', { form: { kind: 'solution', molPerL: 3 } }), 'strength-hcl')).toBeUndefined()
  })

  test('a salt that stands on the shelf as its hydrate; one press says so', () => {
    const plan = addLine(benzoin, { id: 'copper', name: 'copper(II) sulfate', formula: 'CuSO4' }, 'reagent')
    expect(found(plan, 'hydrate-copper')!.remedy!.label).toBe('It is the 5-hydrate')
    expect(settled(plan, 'hydrate-copper')).toBeUndefined()
  })

  test('the density of the pure acid on a bottle of 37 %', () => {
    const acid = { id: 'acid-2', name: 'some acid', formula: 'C2H2O3', density: { gPerML: 1.3, source: 'x' } }
    const form = { kind: 'mass-fraction' as const, fraction: 0.37, gPerML: 1.3, source: 'x' }
    const plan = withLine(addLine(benzoin, acid, 'reagent'), 'acid-2', { form })
    expect(found(plan, 'density-acid-2')!.evidence).toContain('37 %')
    expect(found(withLine(plan, 'acid-2', { form: { ...form, gPerML: 1.18 } }), 'density-acid-2')).toBeUndefined()
  })
})

describe('amounts', () => {
  test('a decimal slip: 50 mL of anhydride instead of 5.0, by hand 519 mmol against 43.5', () => {
    const slip = withLine(acetanilide, 'anhydride', { anchor: mL(50) })
    expect(found(slip, 'excess-anhydride')!.title).toContain('12 times')
    // A note is read by people: only an answer says that it is meant.
    const noted = withLine(slip, 'anhydride', { note: 'the solvent too' })
    expect(found(noted, 'excess-anhydride')!.answer).toBeUndefined()
    const answered = { ...noted, answers: [{ query: 'excess-anhydride', reason: 'the solvent too' }] }
    expect(found(answered, 'excess-anhydride')!.answer).toBe('the solvent too')
  })

  test('a shortfall is asked about, whatever its note says', () => {
    const short = withLine(acetanilide, 'anhydride', { anchor: { of: 'ratio', ratio: 0.95, decimals: 2 } })
    expect(found(short, 'short-anhydride')!.evidence).toContain('95 %')
    expect(found(withLine(short, 'anhydride', { note: 'short on purpose' }), 'short-anhydride')!.answer).toBeUndefined()
    const enough = withLine(acetanilide, 'anhydride', { anchor: { of: 'ratio', ratio: 0.99, decimals: 2 } })
    expect(found(enough, 'short-anhydride')).toBeUndefined()
  })

  test('too little to measure: the recipe of a stock solution, and a scale that settles it', () => {
    const tiny = withLine(acetanilide, 'aniline', { anchor: mL(0.4) })
    // 20 × 0.40 mL = 8 mL in 100 mL
    expect(found(tiny, 'small-amount-aniline')!.evidence).toMatch(/8 mL made up to 100 mL/)
    expect(settled(tiny, 'small-amount-aniline')).toBeUndefined()
  })
})

describe('apparatus', () => {
  test('running water, the opening and chips are asked for, and one press adds them', () => {
    const bare = changeStep(acetanilide, 'set-up', { text: 'A flask.', checks: ['Flask clamped'], says: [] })
    expect(found(bare, 'checks-set-up')!.evidence).toMatch(/running.*bursts.*chips/)
    expect(settled(bare, 'checks-set-up')).toBeUndefined()
  })
})

describe('work-up', () => {
  // 8.5 mL × 1.049 ÷ 60.052 = 148.48 mmol of acetic acid, of which three quarters of 48.63 react; 1.0 mL × 1.84 × 0.96 ÷ 98.072 = 18.01 mmol of sulfuric acid: 148.48 − 36.47 + 36.02 = 148.03.
  test('bicarbonate alone cannot take it: 24 mmol against 148', () => {
    expect(found(isopentylAcetate, 'base-')).toBeUndefined()
    const dry = removeStep(isopentylAcetate, 'wash-water')
    expect(found(dry, 'base-wash-bicarbonate')!.evidence).toMatch(/148 mmol of acid.*24 mmol/)
  })

  // Two portions of 20 mL keep 0.034 mol/L of it each: (24 − 1.4) mmol × 24.06 L/mol.
  test('carbon dioxide in a funnel that nobody vents: 0.54 L of the 0.58 that 24 mmol are', () => {
    const silent = changeStep(removeStep(isopentylAcetate, 'wash-water'), 'wash-bicarbonate', {
      says: ['gas-comes'],
    })
    expect(found(silent, 'gas-wash-bicarbonate')!.evidence).toContain('0.54 L')
    expect(found(changeStep(silent, 'wash-bicarbonate', { says: ['vented'] }), 'gas-wash-bicarbonate')).toBeUndefined()
  })

  test('a wash of seven times the layer, 200 mL half at a time', () => {
    const plan = withLine(isopentylAcetate, 'wash-water', { anchor: mL(200) })
    expect(found(plan, 'large-wash-wash-water')!.evidence).toContain('100 mL against about 15 mL')
  })

  test('20 mL are shaken with a layer of 6 mL, for less hardly can be; 21 mL are far more than it needs', () => {
    const bicarbonate = (total: number) =>
      changeStep(withLine(isopentylAcetate, 'bicarbonate', { anchor: mL(total) }), 'wash-bicarbonate', {
        work: { of: 'wash', portions: 2 },
      })
    expect(found(bicarbonate(40), 'large-wash-wash-bicarbonate')).toBeUndefined()
    expect(found(bicarbonate(42), 'large-wash-wash-bicarbonate')).toBeDefined()
  })

  test('strong base on an ester', () => {
    const base = { id: 'alkali', name: 'sodium hydroxide', formula: 'NaOH' }
    const plan = esterWith(base, { form: { kind: 'solution', molPerL: 2 }, anchor: mL(5) }, 'wash-brine')
    expect(found(plan, 'wash-attacks-wash-brine')!.evidence).toContain('splits the ester')
    const acid = withSubstance(isopentylAcetate, 'isopentyl-acetate', { groups: ['carboxylic acid'] })
    expect(found(acid, 'wash-attacks-wash-bicarbonate')!.evidence).toContain('into the water')
  })

  test('a layer thrown away, and one that is not', () => {
    const thrown = changeStep(isopentylAcetate, 'wash-brine', { says: ['layer-discarded'] })
    expect(found(thrown, 'discard-wash-brine')).toBeDefined()
    const kept = changeStep(isopentylAcetate, 'wash-brine', { says: ['vented'] })
    expect(found(kept, 'discard-wash-brine')).toBeUndefined()
  })
})

describe('drying agents', () => {
  const agent = (formula: string, name: string): Plan => withSubstance(isopentylAcetate, 'sodium-sulfate', { formula, name })
  const product = (plan: Plan, group: 'alcohol' | 'carboxylic acid' | 'amine' | 'ester') =>
    withSubstance(plan, 'isopentyl-acetate', { groups: [group] })
  test.each([
    ['CaCl2', 'calcium chloride', 'alcohol', true],
    ['CaCl2', 'calcium chloride', 'amine', true],
    ['CaCl2', 'calcium chloride', 'ester', true],
    ['K2CO3', 'potassium carbonate', 'carboxylic acid', true],
    ['K2CO3', 'potassium carbonate', 'alcohol', false],
    ['Na2SO4', 'sodium sulfate', 'amine', false],
    ['MgSO4', 'magnesium sulfate', 'amine', false],
  ] as const)('%s on a product that is %s %s', (formula, name, group, wrong) =>
    expect(found(product(agent(formula, name), group), 'against-dry-ester') !== undefined).toBe(wrong),
  )
  test('a hydrate dries nothing', () =>
    expect(found(agent('MgSO4·7H2O', 'magnesium sulfate heptahydrate'), 'wet-agent')).toBeDefined())
})

describe('distillation', () => {
  const distil = (lowC: number, highC: number, says: string[] = []) =>
    changeStep(isopentylAcetate, 'distil', { work: { of: 'distil', lowC, highC }, says })
  test.each([
    [141, 142, 'narrow-distil'],
    [100, 110, 'window-distil'],
    [135, 143, 'to-dryness-distil'],
  ])('a window of %d to %d °C raises %s', (lowC, highC, id) => expect(found(distil(lowC, highC), id)).toBeDefined())
  test('three degrees are wide enough, and the edge of the window meets what boils there', () => {
    expect(found(distil(140, 143), 'narrow-distil')).toBeUndefined()
    expect(found(distil(140, 142.9), 'narrow-distil')).toBeDefined()
    expect(found(distil(130, 142), 'window-distil')).toBeUndefined()
  })
  test('the window of the plan is wide enough, meets the product, and the end is said', () => {
    for (const id of ['narrow', 'window', 'to-dryness']) expect(found(isopentylAcetate, id)).toBeUndefined()
    expect(settled(distil(135, 143), 'to-dryness-distil')).toBeUndefined()
  })
})

describe('solids', () => {
  test('straight into ice', () => {
    const fast = changeStep(acetanilide, 'crystallise', {
      says: [],
    })
    expect(settled(fast, 'fast-cooling-crystallise')).toBeUndefined()
  })
  test('ten times too much solvent where no solubility is known', () => {
    const plan = withLine(benzoin, 'hot-ethanol', { anchor: mL(800) })
    expect(found(plan, 'much-solvent-crystallise')!.evidence).toContain('mL to the gram')
    expect(found(benzoin, 'much-solvent')).toBeUndefined()
  })
  test('a solid called dry that nobody dried', () => {
    const plan = changeStep(removeStep(acetanilide, 'dry'), 'weigh-crude', { dry: true, sample: 'purified' })
    expect(found(plan, 'weighed-wet-weigh-crude')).toBeDefined()
    expect(settled(plan, 'weighed-wet-weigh-crude')).toBeUndefined()
  })
  test('a melting point without its rate, and crystals straight to the capillary', () => {
    const plan = changeStep(acetanilide, 'melt', { says: [] })
    expect(settled(plan, 'melt-rate-melt')).toBeUndefined()
    const rest = acetanilide.steps.filter(({ id }) => !['cool-crystals', 'filter-crystals', 'dry'].includes(id))
    expect(found({ ...acetanilide, steps: rest }, 'undried-crystallise')!.about).toBe('melt')
  })
})

describe('what is written down', () => {
  test('the limiting reagent that no step measures', () => {
    const told = changeStep(removeStep(acetanilide, 'charge-aniline'), 'charge-acid', {
      text: 'Add {aniline} and {acetic-acid}.',
    })
    expect(found(told, 'not-measured-aniline')).toBeDefined()
  })
  test('a sample without its slot', () => {
    const { plan, id } = addStep(acetanilide, 'send')
    const silent = changeStep(plan, id, { says: [] })
    expect(settled(silent, `slot-${id}`)).toBeUndefined()
  })
  test('a waste of its own that no step names', () => {
    const plan = withSubstance(acetanilide, 'zinc', { waste: 'oxidiser' })
    expect(found(changeStep(plan, 'dispose', { waste: ['heavy metal'] }), 'waste-oxidiser')!.evidence).toContain('zinc')
  })
  test.each([
    ['cyanide, alkaline, by itself', 'waste-cyanide-alkaline-by-itself'],
    ['quenched first, by itself', 'waste-quenched-first-by-itself'],
  ] as const)('%s is asked about, wherever it is said to go', (waste, id) => {
    const plan = changeStep(withSubstance(acetanilide, 'zinc', { waste }), 'dispose', { waste: [waste] })
    expect(found(plan, id)!.evidence).toContain('zinc')
    expect(found(acetanilide, id)).toBeUndefined()
  })
})

test('an empty weight of the rules: a plan with nothing but amounts is asked about nothing that it does not do', () => {
  const bare = {
    ...acetanilide,
    steps: acetanilide.steps.slice(0, 1),
    lines: acetanilide.lines.map((line) => (line.id === 'zinc' ? { ...line, anchor: g(1) } : line)),
  }
  expect(queriesOf(bare).map(({ id }) => id)).toEqual([])
})
