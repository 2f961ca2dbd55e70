/** Pairs that must not meet in one vessel, each by the records that ship: that it is asked, and what it says comes of it. */
import { asWords } from '@/core/words/words'
import { acetanilide } from '@/test-support/plans'
import type { Form, Line, Plan, Step } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'
import { queriesOf } from '@/core/query/queries'
import { cautionsOf } from '@/core/safety/cautionsOf'
import { reactionTable } from '@/core/reaction/reactionTable'
import { forPlan, substanceRecords } from './records'

const record = (id: string): Substance => forPlan(substanceRecords.find((each) => each.id === id)!)
const solid: Form = { kind: 'solid', purity: 1 }
const neat: Form = { kind: 'neat', purity: 1 }
const inWater = (molPerL: number): Form => ({ kind: 'solution', molPerL, gPerML: 1 })
const strong = (fraction: number, gPerML: number): Form => ({ kind: 'mass-fraction', fraction, gPerML, source: 'label' })

type Part = [id: string, form: Form]
const acid: Part = ['hydrochloric-acid', inWater(3)]
const vitriol: Part = ['sulfuric-acid', strong(0.96, 1.84)]
const nitric: Part = ['nitric-acid', strong(0.68, 1.4)]

/** A plan in which the parts go one after the other into one flask; `last` makes something else of the last step. */
function vesselWith(parts: Part[], last?: (step: Step) => Step): Plan {
  const lines = parts.map(([substance, form]): Line => ({
    id: substance,
    substance,
    role: 'reagent',
    coefficient: null,
    form,
    anchor:
      form.kind === 'solid'
        ? { of: 'mass', quantity: { value: 1, unit: 'g', decimals: 2 } }
        : { of: 'volume', quantity: { value: 5, unit: 'mL', decimals: 1 } },
  }))
  const steps = lines.map((line, index): Step => ({
    id: `s${index}`,
    title: asWords(`Step ${index}`),
    kind: 'act',
    verb: 'Add',
    text: asWords(`Put in {${line.id}}.`),
    handsOnMin: 1,
    waitMin: 0,
    ...(index === 0 ? { vessel: { kind: 'round-bottom' as const, sizeML: 100 } } : {}),
  }))
  const { mainProduct: _made, expectedYield: _yield, ...rest } = acetanilide
  return {
    ...rest,
    substances: parts.map(([id]) => record(id)),
    lines,
    reference: lines[0]!.id,
    recoveries: [{ sample: 'x', product: lines[0]!.id, of: lines[0]!.id, expected: { low: 0, high: 1 } }],
    steps: steps.map((step, index) => (last && index === steps.length - 1 ? last(step) : step)),
    answers: [],
  }
}
const asked = (plan: Plan) => queriesOf(plan).filter(({ id }) => id.startsWith('incompatible-'))

test.each([
  [[['sodium-cyanide', solid], acid], /hydrogen cyanide/],
  [
    [
      ['sodium-cyanide', solid],
      ['acetic-acid', neat],
    ],
    /hydrogen cyanide/,
  ],
  [[['sodium-hypochlorite', inWater(0.7)], acid], /chlorine comes off/],
  [
    [
      ['sodium-hypochlorite', inWater(0.7)],
      ['acetic-acid', neat],
    ],
    /chlorine comes off/,
  ],
  [
    [
      ['sodium-hypochlorite', inWater(0.7)],
      ['ammonia', inWater(2)],
    ],
    /chloramines/,
  ],
  [
    [
      ['sodium-hypochlorite', inWater(0.7)],
      ['aniline', neat],
    ],
    /chloramines/,
  ],
  [[['potassium-permanganate', solid], vitriol], /manganese heptoxide/],
  [[['potassium-permanganate', solid], acid], /chlorine comes off/],
  [
    [
      ['chromium-trioxide', solid],
      ['ethanol', neat],
    ],
    /catches fire/,
  ],
  [
    [
      ['chromium-trioxide', solid],
      ['acetone', neat],
    ],
    /catches fire/,
  ],
  [
    [
      ['chromium-trioxide', solid],
      ['toluene', neat],
    ],
    /catches fire/,
  ],
  [[nitric, ['ethanol', neat]], /run away/],
  [[nitric, ['acetone', neat]], /run away/],
  [[nitric, ['toluene', neat]], /run away/],
  [[nitric, ['acetic-anhydride', neat]], /acyl nitrates/],
  [
    [
      ['hydrogen-peroxide', strong(0.3, 1.11)],
      ['acetone', neat],
    ],
    /ketone peroxides/,
  ],
  [
    [
      ['bromine', neat],
      ['acetone', neat],
    ],
    /run away/,
  ],
  [
    [
      ['bromine', neat],
      ['ammonia', inWater(2)],
    ],
    /runs away/,
  ],
  [
    [
      ['chloroform', neat],
      ['acetone', neat],
      ['potassium-hydroxide', inWater(5)],
    ],
    /may explode/,
  ],
  [
    [
      ['lithium-aluminium-hydride', solid],
      ['methanol', neat],
    ],
    /hydrogen/,
  ],
  [
    [
      ['lithium-aluminium-hydride', solid],
      ['water', neat],
    ],
    /hydrogen/,
  ],
  [
    [
      ['sodium', solid],
      ['ethanol', neat],
    ],
    /hydrogen/,
  ],
  [
    [
      ['sodium', solid],
      ['dichloromethane', neat],
    ],
    /explodes/,
  ],
  [
    [
      ['sodium', solid],
      ['water', neat],
    ],
    /burns/,
  ],
  [
    [
      ['sodium-hydride', solid],
      ['dimethylformamide', neat],
    ],
    /run away/,
  ],
  [
    [
      ['sodium-hydride', solid],
      ['dimethyl-sulfoxide', neat],
    ],
    /explode/,
  ],
  [
    [
      ['acetyl-chloride', neat],
      ['dimethyl-sulfoxide', neat],
    ],
    /runs away/,
  ],
  [
    [
      ['benzoyl-chloride', neat],
      ['dimethyl-sulfoxide', neat],
    ],
    /runs away/,
  ],
  [
    [
      ['potassium-tert-butoxide', solid],
      ['chloroform', neat],
    ],
    /with fire/,
  ],
  [
    [
      ['iodine', solid],
      ['ammonia', inWater(2)],
    ],
    /nitrogen triiodide/,
  ],
  [
    [
      ['silver-nitrate', inWater(0.1)],
      ['ammonia', inWater(2)],
    ],
    /fulminating silver/,
  ],
  [[['sodium-borohydride', solid], acid], /hydrogen/],
  [[['sodium-bisulfite', inWater(1)], acid], /sulfur dioxide/],
  [[['sodium-dithionite', solid], acid], /sulfur dioxide/],
  [[['formic-acid', neat], vitriol], /carbon monoxide/],
  [
    [
      ['thionyl-chloride', neat],
      ['water', neat],
    ],
    /acid gas/,
  ],
  [
    [
      ['aluminium-chloride', solid],
      ['water', neat],
    ],
    /acid gas/,
  ],
  [
    [
      ['acetyl-chloride', neat],
      ['water', neat],
    ],
    /acid gas/,
  ],
] as [Part[], RegExp][])('%j', (parts, happens) => {
  for (const order of [parts, [...parts].reverse()]) {
    const queries = asked(vesselWith(order))
    expect(queries.map(({ evidence }) => evidence).join(' ')).toMatch(happens)
    expect(queries[0]!.about).toBe(`s${parts.length - 1}`)
  }
})

test.each([
  [
    [
      ['sodium-cyanide', solid],
      ['ethanol', neat],
    ],
  ],
  [
    [
      ['sodium-hypochlorite', inWater(0.7)],
      ['water', neat],
    ],
  ],
  [[['silver-nitrate', inWater(0.1)], nitric]],
  // Dilute acids do not do what concentrated ones do.
  [
    [
      ['potassium-permanganate', solid],
      ['sulfuric-acid', inWater(1)],
    ],
  ],
  [
    [
      ['nitric-acid', inWater(2)],
      ['ethanol', neat],
    ],
  ],
  [
    [
      ['sodium-borohydride', solid],
      ['methanol', neat],
    ],
  ],
  [
    [
      ['chloroform', neat],
      ['acetone', neat],
    ],
  ],
  [
    [
      ['acetone', neat],
      ['potassium-hydroxide', inWater(5)],
    ],
  ],
  [
    [
      ['sodium-hydroxide', inWater(2)],
      ['chloroform', neat],
    ],
  ],
] as [Part[]][])('%j is no such pair', (parts) => expect(asked(vesselWith(parts))).toEqual([]))

test.each([
  [
    [
      ['silver-nitrate', inWater(0.1)],
      ['ammonia', inWater(2)],
    ],
    'test',
    /never kept/,
  ],
  [[['sodium-borohydride', solid], acid], 'quench', /Hydrogen comes off/],
  [
    [
      ['lithium-aluminium-hydride', solid],
      ['water', neat],
    ],
    'quench',
    /Hydrogen comes off/,
  ],
  [
    [
      ['acetyl-chloride', neat],
      ['water', neat],
    ],
    'quench',
    /reacts with water/,
  ],
] as [Part[], string, RegExp][])(
  '%j, where the step is there for it, gives the measure and no doubt',
  (parts, operation, measure) => {
    const plan = vesselWith(parts, (step) => ({ ...step, operation }) as Step)
    expect(asked(plan)).toEqual([])
    const step = plan.steps.at(-1)!
    expect(cautionsOf(plan, reactionTable(plan), step)[0]).toMatch(measure)
    // The same meeting in a step that is for something else is asked about.
    expect(asked(vesselWith(parts))).not.toEqual([])
  },
)
