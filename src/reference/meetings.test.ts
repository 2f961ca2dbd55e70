/** Pairs that must not meet in one vessel, each by the records that ship: that it is asked, and what it says comes of it. */
import { asWords } from '@/core/words/words'
import { acetanilide } from '@/test-support/plans'
import type { Form, Line, Plan, Step } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'
import { queriesOf } from '@/core/query/queries'
import { meetings } from '@/core/reaction/meetings'
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

/** A part as it is written in the tables below: a name stands for the substance neat or solid, as its record is; `@` for water with that many mol/L, `%` for a strength. */
function part(text: string): Part {
  const [, id, how, value] = /^([\w-]+?)(?:([@%])([\d.]+))?$/.exec(text)!
  if (how === '@') return [id!, inWater(Number(value))]
  if (how === '%') return [id!, strong(Number(value) / 100, 1.4)]
  return [id!, solids.has(id!) ? solid : neat]
}
const solids = new Set(
  substanceRecords.filter(({ melting, boiling }) => (melting?.lowC ?? (boiling ? -1 : 100)) > 26).map(({ id }) => id),
)
for (const liquid of ['thionyl-chloride', 'acetyl-chloride', 'bromine', 'butyllithium']) solids.delete(liquid)
const partsOf = (text: string) => text.split(' + ').map(part)

test.each([
  // Poison.
  ['sodium-cyanide + hydrochloric-acid@3', /hydrogen cyanide/],
  ['sodium-cyanide + acetic-acid', /hydrogen cyanide/],
  ['sodium-cyanide + ammonium-chloride@2', /hydrogen cyanide/],
  ['sodium-azide + hydrochloric-acid@1', /hydrazoic acid/],
  ['sodium-sulfide-nonahydrate + acetic-acid', /hydrogen sulfide/],
  ['formic-acid + sulfuric-acid%96', /carbon monoxide/],
  ['oxalic-acid-dihydrate + sulfuric-acid%96', /carbon monoxide/],
  ['sodium-hypochlorite@0.7 + hydrochloric-acid@3', /chlorine comes off/],
  ['sodium-hypochlorite@0.7 + acetic-acid', /chlorine comes off/],
  ['sodium-hypochlorite@0.7 + ammonia@2', /chloramines/],
  ['sodium-hypochlorite@0.7 + aniline', /chloramines/],
  ['sodium-hypochlorite@0.7 + ammonium-chloride@1', /chloramines|nitrogen trichloride/],
  ['potassium-permanganate + hydrochloric-acid@3', /chlorine comes off/],
  ['potassium-dichromate + hydrochloric-acid@3', /chlorine comes off/],
  ['manganese-dioxide + hydrochloric-acid@3', /chlorine comes off/],
  ['sodium-bisulfite@1 + hydrochloric-acid@3', /sulfur dioxide/],
  ['sodium-dithionite + hydrochloric-acid@3', /sulfur dioxide/],
  ['sodium-thiosulfate-pentahydrate@0.5 + hydrochloric-acid@3', /sulfur dioxide/],
  ['sodium-nitrite@1 + acetic-acid', /nitrogen oxides/],
  ['sodium-nitrite@1 + ammonium-chloride@1', /ammonium nitrite/],
  ['sodium-chloride + sulfuric-acid%96', /hydrogen chloride/],
  ['sodium-bromide + sulfuric-acid%96', /hydrogen bromide/],
  ['potassium-iodide + sulfuric-acid%96', /hydrogen sulfide/],
  // Explosion.
  ['sodium-azide + dichloromethane', /azides of the solvent/],
  ['sodium-azide + silver-nitrate@0.1', /heavy metal azide/],
  ['potassium-permanganate + sulfuric-acid%96', /manganese heptoxide/],
  ['potassium-iodate + sulfuric-acid%96', /chlorine dioxide/],
  ['perchloric-acid%70 + ethanol', /explodes/],
  ['perchloric-acid%70 + acetic-anhydride', /explodes/],
  ['nitric-acid%68 + acetic-anhydride', /acyl nitrates/],
  ['nitric-acid%68 + ethanol', /run away/],
  ['nitric-acid%68 + acetone', /run away/],
  ['nitric-acid%68 + toluene', /run away/],
  ['nitric-acid%68 + phenol', /nitrates by itself/],
  ['nitric-acid%68 + zinc', /nitrogen dioxide/],
  ['nitric-acid%68 + potassium-iodide', /iodine/],
  ['nitric-acid%68 + phenylhydrazine', /catches fire/],
  ['hydrogen-peroxide%10 + acetone', /ketone peroxides/],
  ['hydrogen-peroxide%30 + manganese-dioxide', /oxygen/],
  ['meta-chloroperoxybenzoic-acid + n-n-dimethylaniline', /go off/],
  ['bromine + ammonia@2', /runs away/],
  ['iodine + ammonia@2', /nitrogen triiodide/],
  ['silver-nitrate@0.1 + ammonia@2', /fulminating silver/],
  ['silver-nitrate@0.1 + phenylacetylene', /acetylide/],
  ['sodium + dichloromethane', /explodes/],
  ['sodium + 1-bromobutane', /run away/],
  ['chloroform + acetone + potassium-hydroxide@5', /may explode/],
  ['magnesium + dichloromethane', /explode/],
  // Fire, and what runs away.
  ['chromium-trioxide + ethanol', /catches fire/],
  ['chromium-trioxide + acetone', /catches fire/],
  ['chromium-trioxide + toluene', /catches fire/],
  ['potassium-permanganate + ethanol', /lights/],
  ['bromine + acetone', /run away/],
  ['bromine + methanol', /run away/],
  ['bromine + aluminium', /fire/],
  ['potassium-tert-butoxide + chloroform', /with fire/],
  ['sodium-hydroxide + chloroform', /run away/],
  ['lithium-aluminium-hydride + methanol', /hydrogen/],
  ['lithium-aluminium-hydride + water', /hydrogen/],
  ['sodium + ethanol', /hydrogen/],
  ['sodium + water', /burns/],
  ['sodium-hydride + dimethylformamide', /run away/],
  ['sodium-hydride + dimethyl-sulfoxide', /explode/],
  ['sodium-hydride + dichloromethane', /explode/],
  ['sodium-borohydride + hydrochloric-acid@3', /hydrogen/],
  ['butyllithium + water', /fire/],
  ['sodium-ethoxide + water', /hot/],
  ['acetyl-chloride + dimethyl-sulfoxide', /runs away/],
  ['benzoyl-chloride + dimethyl-sulfoxide', /runs away/],
  ['thionyl-chloride + water', /acid gas/],
  ['aluminium-chloride + water', /acid gas/],
  ['acetyl-chloride + water', /acid gas/],
  ['aluminium + sodium-hydroxide@2', /hydrogen/],
  ['styrene + sulfuric-acid%96', /polymerises/],
  ['palladium + ethanol', /lights/],
  ['potassium-nitrate + charcoal', /powder/],
] as [string, RegExp][])('%s', (written, happens) => {
  const parts = partsOf(written)
  for (const order of [parts, [...parts].reverse()]) {
    const queries = asked(vesselWith(order))
    expect(queries.map(({ evidence }) => evidence).join(' ')).toMatch(happens)
    expect(queries[0]!.about).toBe(`s${parts.length - 1}`)
  }
})

test.each([
  'sodium-cyanide + ethanol',
  'sodium-cyanide + sodium-hydroxide@2',
  'sodium-azide + dimethylformamide',
  'sodium-azide + sodium-bicarbonate@1',
  'sodium-hypochlorite@0.7 + water',
  'sodium-hypochlorite@0.7 + sodium-hydroxide@2',
  'silver-nitrate@0.1 + nitric-acid%68',
  'silver-nitrate@0.1 + sodium-chloride@1',
  // Dilute acids do not do what concentrated ones do.
  'potassium-permanganate + sulfuric-acid@1',
  'nitric-acid@2 + ethanol',
  'sodium-chloride + sulfuric-acid@1',
  'sodium-bromide@1 + sulfuric-acid@3',
  'formic-acid + hydrochloric-acid@3',
  'sodium-borohydride + methanol',
  'sodium-borohydride + sodium-hydroxide@1',
  'chloroform + acetone',
  'acetone + potassium-hydroxide@5',
  'sodium-hydroxide@2 + chloroform',
  'acetic-anhydride + aniline',
  'acetic-acid + zinc',
  'acetic-acid + aniline',
  'isopentyl-alcohol + acetic-acid + sulfuric-acid%96',
  'sodium-bicarbonate@1 + acetic-acid',
  'sodium-carbonate + hydrochloric-acid@3',
  'magnesium + diethyl-ether',
  'magnesium + 1-bromobutane + diethyl-ether',
  'benzaldehyde + ethanol',
  'bromine + dichloromethane',
  'bromine + sodium-thiosulfate-pentahydrate@1',
  'iodine + sodium-bisulfite@1',
  'sodium-nitrite@1 + sodium-hydroxide@1',
  'hydrogen-peroxide%10 + ethanol',
  'hydrogen-peroxide%10 + sodium-bisulfite@1',
  'sodium-hydride + tetrahydrofuran',
  'lithium-aluminium-hydride + diethyl-ether',
  'sodium + toluene',
  'palladium + water',
  'acetyl-chloride + triethylamine',
  'benzoyl-chloride + sodium-hydroxide + toluene',
  'thionyl-chloride + toluene',
  'ammonium-chloride@2 + sodium-hydroxide@2',
  'sodium-sulfate + diethyl-ether',
  'calcium-chloride + ethanol',
  'phenol + sodium-hydroxide@2',
  'potassium-iodide + hydrochloric-acid@3',
  'salicylic-acid + acetic-anhydride + phosphoric-acid%85',
])('%s is no such pair', (written) => expect(asked(vesselWith(partsOf(written)))).toEqual([]))

test('at least sixty pairs of classes are known, no pair twice in the same company', () => {
  const names = meetings
    .filter(({ order }) => !order)
    .map(({ one, other, with: third }) => [[one, other].sort().join(' + '), third].join(' '))
  expect(names.length).toBeGreaterThanOrEqual(60)
  expect(new Set(names).size).toBe(names.length)
  for (const { happens, instead } of meetings) {
    expect(happens.length).toBeGreaterThan(10)
    expect(instead).toMatch(/\.$/)
  }
})

test('a material does what it holds does', () => {
  const plan = vesselWith([part('glucose'), part('sodium-hypochlorite@0.7')])
  const [line] = plan.lines
  const component: Line = {
    ...line!,
    id: 'held',
    substance: 'aniline',
    role: 'component',
    anchor: { of: 'share', line: line!.id, percent: 10, decimals: 0 },
  }
  const holding = { ...plan, substances: [...plan.substances, record('aniline')], lines: [...plan.lines, component] }
  expect(asked(plan)).toEqual([])
  expect(asked(holding).map(({ title }) => title)).toEqual(['sodium hypochlorite meets aniline'])
})

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
  '%j, where the step is there for it, gives the measure, and no doubt but of what may kill',
  (parts, operation, measure) => {
    const plan = vesselWith(parts, (step) => ({ ...step, operation }) as Step)
    // What may kill is asked about all the same.
    expect(asked(plan).filter(({ evidence }) => !evidence.includes('It may kill'))).toEqual([])
    const mayKill = asked(vesselWith(parts)).some(({ evidence }) => evidence.includes('It may kill'))
    expect(asked(plan).length > 0).toBe(mayKill)
    const step = plan.steps.at(-1)!
    expect(cautionsOf(plan, reactionTable(plan), step)[0]).toMatch(measure)
    // The same meeting in a step that is for something else is asked about.
    expect(asked(vesselWith(parts))).not.toEqual([])
  },
)
