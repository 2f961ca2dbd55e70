import fc from 'fast-check'
import { offBy, totalsOf } from '@/test-support/conserved'
import { everything } from '@/core/matter/verbs'
import { crossed, highest, likely, lowest, type Draw } from '@/core/matter/span'
import { walkOnce } from '@/core/matter/walk'
import { defaultLab } from '@/core/lab/lab'
import { effectOf } from '@/core/operations/effects'
import { operationKeys } from '@/core/operations/registry'
import { reactionTable } from '@/core/reaction/reactionTable'
import type { Plan } from '@/core/plan/plan'
import { often } from '@/test-support/often'
import * as demo from '@/test-support/plans'
import { shortPlan, type ShortLine, type ShortStep } from '@/test-support/matter'

/** What came onto the bench is on it, in the air, in the waste or unaccounted: grams, every element, charge. */
function conserved(plan: Plan, draw: Draw, samplesG: Record<string, number> = {}): void {
  const asked = { plan, table: reactionTable(plan), lab: defaultLab, effects: effectOf, readings: { samplesG, usedML: {} } }
  for (const { step, after } of walkOnce(asked, draw)) {
    const [brought, there] = [totalsOf(after.brought), totalsOf(everything(after))]
    if (there.unknown.size > 0 || brought.unknown.size > 0) continue
    const off = offBy(brought, there)
    if (!(off < 1e-9)) throw new Error(`${plan.title}, ${step.title}: off by ${off}`)
    for (const vessel of after.vessels)
      for (const { holds } of vessel.phases)
        for (const { thing, amount } of holds)
          if (amount !== null && !(amount > -1e-9)) throw new Error(`${step.title}: ${amount} of ${thing.name} in ${vessel.name}`)
  }
}

const plans = Object.values(demo).filter((each): each is Plan => typeof each === 'object' && 'steps' in each)

test('every plan of the demo, as it most likely goes and at its edges', () => {
  expect(plans.length).toBeGreaterThan(10)
  for (const plan of plans) for (const draw of [likely, lowest, highest, crossed]) conserved(plan, draw)
})

test('200 realisations of all that is not known for certain', () => {
  for (let seed = 1; seed <= often(200, 2000); seed++) {
    let state = seed * 48271
    const drawn = new Map<string, number>()
    const draw: Draw = (key, { low, high }) => {
      const known = drawn.get(key)
      if (known !== undefined) return known
      state = (state * 16807) % 2147483647
      const value = low + (high - low) * (state / 2147483647)
      drawn.set(key, value)
      return value
    }
    conserved(plans[seed % plans.length]!, draw)
  }
})

test('measured masses that are none of what was expected go to unaccounted, whatever they are', () => {
  for (const factor of [0.2, 1, 3])
    for (const plan of plans)
      conserved(plan, likely, { crude: 4 * factor, purified: 2.5 * factor, pure: factor, acid: factor, ester: factor })
})

const bottles: ShortLine[] = [
  { of: 'water', mL: 30 },
  { of: 'diethyl ether', mL: 25 },
  { of: 'ethanol', mL: 10, form: { kind: 'neat', purity: 0.95 } },
  { of: 'hexane', mL: 15 },
  { of: 'ethyl acetate', mL: 20 },
  { of: 'acetic acid', mL: 5 },
  { of: 'acetic anhydride', mL: 4 },
  { of: 'aniline', mL: 2 },
  { of: 'benzoic acid', g: 2 },
  { of: 'naphthalene', g: 1 },
  { of: 'acetanilide', g: 2 },
  { of: 'sodium hydroxide', mL: 15, form: { kind: 'solution', molPerL: 2 } },
  { of: 'hydrochloric acid', mL: 10, form: { kind: 'solution', molPerL: 3 } },
  { of: 'sulfuric acid', mL: 2, form: { kind: 'mass-fraction', fraction: 0.96, gPerML: 1.84, source: 'label' } },
  { of: 'nitric acid', mL: 3, form: { kind: 'mass-fraction', fraction: 0.7, gPerML: 1.41, source: 'label' } },
  { of: 'sodium bicarbonate', mL: 30, form: { kind: 'solution', molPerL: 0.8 } },
  { of: 'sodium carbonate', g: 2 },
  { of: 'calcium carbonate', g: 1 },
  { of: 'calcium chloride', g: 1.5 },
  { of: 'magnesium sulfate', g: 2 },
  { of: 'sodium sulfate', g: 2 },
  { of: 'ammonium chloride', mL: 10, form: { kind: 'solution', molPerL: 4 } },
  { of: 'zinc dust', g: 0.5 },
  { of: 'magnesium turnings', g: 0.4 },
  { of: 'sodium borohydride', g: 0.3 },
  { of: 'sodium bisulfite', g: 2 },
  { of: 'sodium cyanide', g: 0.5 },
  { of: 'potassium permanganate', g: 1 },
  { of: 'iodine', g: 0.5 },
  { of: 'benzaldehyde', mL: 3 },
  { of: 'copper(II) sulfate pentahydrate', g: 1 },
  { of: 'acetyl chloride', mL: 2 },
  { of: 'triethylamine', mL: 3 },
  { of: 'phenol', g: 1 },
]

const operationsTried = [...operationKeys.filter((key) => key !== 'charge'), 'charge', 'none'] as const

const stepArbitrary = fc.record({
  op: fc.constantFrom(...operationsTried),
  lines: fc.subarray(
    bottles.map((_, at) => `l${at}`),
    { maxLength: 4 },
  ),
  part: fc.constantFrom(undefined, 50),
  typed: fc.constantFrom<Record<string, string | number>>(
    {},
    { portions: 3 },
    { toC: 5 },
    { highC: 120 },
    { highC: 80, lowC: 40 },
    { keep: 'solution' },
    { keep: 'solid', times: 2, rinseWith: 'water' },
    { into: 'A' },
    { flask: 'A' },
    { layer: 'A', into: 'B' },
    { coldC: 0, hotFiltration: 'yes' },
    { stages: 3, stopML: 1 },
    { salt: 'saturated' },
  ),
  vessel: fc.constantFrom<ShortStep['vessel']>(
    undefined,
    undefined,
    { kind: 'separating funnel', sizeML: 250 },
    { kind: 'round-bottom', sizeML: 100 },
  ),
  waste: fc.constantFrom(undefined, undefined, 'all that is left' as const, 'filtrate' as const, 'aqueous layer' as const),
  own: fc.constantFrom(undefined, 'stays' as const, 'only the product is left' as const),
})

test('all operations in any order with anything in them: nothing is lost, nothing comes of nothing, nothing is less than none', () => {
  const seen = new Set<string>()
  fc.assert(
    fc.property(fc.array(stepArbitrary, { minLength: 3, maxLength: 14 }), (steps) => {
      const lines = Object.fromEntries(bottles.map((bottle, at) => [`l${at}`, bottle]))
      const short = steps.map(({ op, lines: goes, part, typed, vessel, waste, own }): ShortStep => {
        seen.add(op)
        return {
          op,
          in: goes.map((id) => (part ? `{${id} ${part} %}` : `{${id}}`)).join(' '),
          typed,
          vessel,
          ...(op === 'none' && own ? { own: { name: 'Ours', effect: own } } : {}),
          more: {
            ...(waste ? { waste: [{ into: 'other organic', what: waste }] } : {}),
            ...(op === 'crystallise' ? { solvent: 'l0' } : {}),
          } as never,
        }
      })
      conserved(shortPlan(lines, short), likely, { crude: 1.2 })
    }),
    { numRuns: often(80, 3000), seed: 20261202 },
  )
  expect(seen.size).toBeGreaterThan(30)
})
