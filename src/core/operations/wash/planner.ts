import { pressureMmHg } from '../../lab/lab'
import { allThereIs, mainSubstance, type WorkRow } from '../../plan/plan'
import { partsUsed } from '../../plan/partsUsed'
import { baseCapacityOf, protonsOf } from '../../substance/acidBase'
import { writeNumber } from '../../quantity/write'
import { crudeComposition, type Impurity, type ImpurityKind } from './impurities'
import { afterWater, dissolvedFrom, measured as measuredWash, washPlan, washSolutions, type Wash } from './washPlan'
import { flowHere, suggestShaking } from '../extract/shakingHere'
import { layersAdvice } from '../extract/layersAdvice'
import { layersOf } from '../extract/whereItIs'
import { discarded } from '../extract/rules'
import { actsAs, harmBy } from './harms'
import { farLarger } from './rules'
import { shaking } from '../extract/blanks'
import { shakenWith } from '../extract/flowOfPlan'
import { isWatery } from '../vessel/watery'
import { liquids, organicLayer, productGroups } from '../vessel/inVessel'
import { fact, ofPlan, planner, rough, unknown, usual, when, type Advice, type Context } from '../planner'
import { heldById, nameOfHeld } from '../../substance/heldById'
import { blank, list, anySubstance, oneOf, type Blanks } from '../fields'

const kinds: readonly ImpurityKind[] = [
  'mineral acid',
  'carboxylic acid',
  'phenol',
  'amine',
  'aldehyde',
  'halogen',
  'water-soluble',
  'neutral',
]

const fields = [
  ...shaking,
  blank('layerML', 'volume of the layer', 'mL', 0.1, 20_000),
  blank('conversion', 'conversion', '%', 0, 100),
  list('impurities', 'impurities', {
    columns: [
      anySubstance('name', 'substance'),
      oneOf('kind', 'what it is', kinds),
      blank('mmol', 'mmol', '', 0, 1e6),
      blank('K', 'K', '', 0, 1e8),
    ],
    add: 'Add an impurity',
    fresh: { name: '', kind: 'neutral', mmol: 1 },
  }),
  list('washes', 'washes', {
    columns: [
      oneOf('solution', 'solution', washSolutions),
      blank('portionML', 'mL', '', 0.1, 5000),
      blank('times', 'times', '', 1, 10),
    ],
    add: 'Add a wash',
    fresh: { solution: 'water', portionML: 10, times: 1 },
  }),
] as const

export type WashBlanks = Blanks<typeof fields>

/** Volume of the layer that is washed: the solvents and the product, and what is dissolved in it before the first water. */
function layerOf(context: Context): number {
  const dissolved = liquids(context.now).filter((content) => !isWatery(content) && content.line.role === 'reactant')
  return Math.max(1, (organicLayer(context)?.volumeML ?? 0) + dissolved.reduce((sum, { volumeML }) => sum + volumeML!, 0))
}

const impuritiesOf = ({ plan }: Context, rows: readonly WorkRow[]): Impurity[] =>
  rows.map(({ name, kind, mmol, K }) => ({
    substance: String(name ?? ''),
    name: nameOfHeld(plan.substances, name),
    kind: kinds.find((each) => each === kind) ?? 'neutral',
    mmol: Number(mmol ?? 0),
    ...(typeof K === 'number' ? { K } : {}),
  }))

/** The washes as they stand, each with what it still has to meet when its turn comes. */
export function washesOf(context: Context, filled: WashBlanks): Wash[] {
  const groups = productGroups(context)
  const impurities = impuritiesOf(context, filled.impurities)
  let left = impurities
  return filled.washes.map(({ solution, portionML, times }) => {
    const planned = { solution: String(solution), portionML: Number(portionML ?? 0), times: Number(times ?? 1) }
    const wash = measuredWash(planned, left, groups, pressureMmHg(context.lab))
    // What follows has less to meet: what water has taken, and what this one has reacted with.
    const before = left
    if (planned.solution === 'water') {
      left = afterWater(before, filled.layerML, planned.portionML, planned.times)
      return { ...wash, dissolves: dissolvedFrom(before, left) }
    }
    left = before.map((each) =>
      wash.meets.includes(each.substance) && wash.needMmol
        ? { ...each, mmol: each.mmol * Math.max(0, 1 - (wash.capacityMmol ?? 0) / wash.needMmol) }
        : each,
    )
    return wash
  })
}

/** mmol of acid that the bases named at a step can meet. */
function baseOf({ table, step }: Context): number {
  return partsUsed(step).reduce((sum, { line: id, part }) => {
    const found = table.lines.find(({ line }) => line.id === id)
    return sum + (found?.amount ? found.amount.value * part * baseCapacityOf(found.substance) : 0)
  }, 0)
}

/** mmol of acid that the layer still holds when a step begins, from the flow of the layers. */
function acidInLayer({ plan }: Context, { flow, shaken }: NonNullable<ReturnType<typeof flowHere>>): number {
  return flow.solutes.reduce((sum, { id }) => {
    const substance = heldById(plan.substances, id)
    return sum + (substance ? (shaken.holds[id] ?? 0) * protonsOf(substance) : 0)
  }, 0)
}

/** What the liquids of this very step would do to the product. */
function attacked(context: Context): Advice[] {
  const harms = context.now.contents.flatMap(({ substance }) => {
    const acts = actsAs(substance)
    const harm = acts && harmBy(acts, productGroups(context))
    return harm ? [`${substance.name}: ${harm}`] : []
  })
  return when(harms.length > 0, 'wash-attacks', 'doubt', `${harms.join('; ')}.`)
}

/** Washing: from what the crude product holds, which solutions, in which order, how much, and what each takes and does. */
export const washing = planner({
  of: 'wash',
  title: 'Washing',
  sentences: (say) => [
    say`The layer is ${'layerML'}; ${'conversion'} of the limiting reagent has reacted. This step: ${'portions'} × ${'portionML'}, pH ${'pH'}, drawn into ${'into'}.`,
    say`It holds beside the product: ${'impurities'}`,
    say`Washes, in this order: ${'washes'}`,
  ],
  fields,
  doubts: {
    'on-top': 'Either layer may lie on top',
    'wash-attacks': 'This wash takes the product with it',
  },
  rules: [discarded, farLarger],
  suggest: (context, typed) => {
    const { plan, table, lab } = context
    const { low, high } = plan.expectedYield ?? allThereIs
    const expected = (low + high) / 2
    const conversion = typed.conversion === undefined ? expected : typed.conversion / 100
    const layerML = rough(layerOf(context))
    const crude = crudeComposition(plan, table, conversion).map(({ substance, kind, mmol, K }) => ({
      name: substance,
      kind,
      mmol: rough(mmol),
      ...(K === undefined ? {} : { K: rough(K) }),
    }))
    const impurities = impuritiesOf(context, typed.impurities ?? crude)
    const proposed = washPlan(impurities, typed.layerML ?? layerML, productGroups(context), pressureMmHg(lab))
    return {
      ...suggestShaking(context, typed),
      layerML: ofPlan(layerML, 'the solvents and the product, and what is dissolved before the first water'),
      conversion: plan.expectedYield
        ? ofPlan(rough(100 * expected), 'the middle of the expected yield')
        : unknown(rough(100 * expected), 'nobody has said what to expect, so all of it'),
      impurities: ofPlan(crude, 'what is in excess, and what forms beside the product'),
      washes: usual(
        proposed.map(({ solution, portionML, times }) => ({ solution, portionML, times })),
        'each impurity meets one, a third of the layer at a time, brine last',
      ),
    }
  },
  tables: (context, filled) => ({ washes: washesOf(context, filled), ...layersOf(context) }),
  report: (context, filled) => {
    const washes = washesOf(context, filled)
    const layerML = filled.layerML
    const impurities = impuritiesOf(context, filled.impurities)
    const met = new Set(washes.flatMap(({ meets }) => meets))
    const left = impurities.filter(({ substance, kind }) => kind !== 'neutral' && !met.has(substance))
    const advice: Advice[] = washes.flatMap(
      ({ solution, portionML, times, needMmol, capacityMmol, gasL, harm }, index): Advice[] => [
        ...(harm ? [{ id: `harm-${index}`, level: 'doubt' as const, words: `${solution}: ${harm}.` }] : []),
        ...(needMmol !== null && capacityMmol !== null && capacityMmol < needMmol
          ? [
              {
                id: `short-${index}`,
                level: 'doubt' as const,
                words: `${solution}: ${times} × ${portionML} mL meet ${writeNumber(capacityMmol, 0)} of ${writeNumber(needMmol, 0)} mmol.`,
              },
            ]
          : []),
        ...when(
          gasL > 0.02,
          `gas-${index}`,
          'danger',
          `${solution}: about ${writeNumber(gasL, 2)} L of gas. Swirl open until it slows, then shake and vent.`,
        ),
        ...when(
          portionML > layerML,
          `large-${index}`,
          'doubt',
          `${solution}: ${portionML} mL is more than the layer itself; a tenth to a half of it is usual.`,
        ),
      ],
    )
    const here = flowHere(context)
    const goes = shakenWith(context.table, context.step)
    const own = goes ? baseOf(context) : 0
    const acid = here ? acidInLayer(context, here) : 0
    const product = mainSubstance(context.plan)?.id
    const lost =
      here && product && context.plan.mainProduct !== undefined && here.flow.solutes.some(({ id }) => id === product)
        ? here.state.layers.filter(({ kind }) => kind === 'watery').reduce((sum, { holds }) => sum + (holds[product] ?? 0), 0) /
          (here.flow.solutes.find(({ id }) => id === product)?.mmol || 1)
        : null
    return {
      facts: [
        ...washes.flatMap(({ solution, needMmol, capacityMmol }, index) =>
          needMmol === null || capacityMmol === null
            ? []
            : [
                fact(`capacity-${index}`, `${solution} can meet`, capacityMmol, 'mmol', 0, {
                  how: `of ${writeNumber(needMmol, 0)} mmol that are there`,
                }),
              ],
        ),
        ...(goes && own > 0
          ? [
              fact('own', `this step’s ${goes.substance.name} can meet`, own, 'mmol', 0, {
                how: `about ${writeNumber(acid, 0)} mmol of acid are still in the layer, from the washes before and K`,
                atBench: true,
              }),
            ]
          : []),
        fact(
          'gas',
          'gas in all',
          washes.reduce((sum, { gasL }) => sum + gasL, 0),
          'L',
          2,
          { atBench: washes.some(({ gasL }) => gasL > 0.02) },
        ),
        ...(lost === null
          ? []
          : [
              fact('lost', `${product} in the watery layers so far`, 100 * lost, '%', 1, {
                how: 'from its K and the volumes of every wash up to here',
                atBench: true,
              }),
            ]),
      ],
      advice: [
        ...advice,
        ...attacked(context),
        ...(goes && own > 0 && acid > own
          ? [
              {
                id: 'own-short',
                level: 'doubt' as const,
                words: `This step’s ${goes.substance.name} meets ${writeNumber(own, 0)} mmol, and about ${writeNumber(acid, 0)} mmol of acid are still in the layer: more of it, or more water first.`,
              },
            ]
          : []),
        ...(left.length > 0
          ? [{ id: 'left', level: 'doubt' as const, words: `Nothing here takes out ${left.map(({ name }) => name).join(', ')}.` }]
          : [{ id: 'all', level: 'good' as const, words: 'Every impurity that a wash can take meets one.' }]),
        ...layersAdvice(context, {
          shaken: { name: '', kind: 'organic', pH: 7, holds: here?.shaken.holds ?? {}, volumeML: layerML },
          filled,
        }),
      ],
    }
  },
})
