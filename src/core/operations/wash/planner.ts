import { pressureMmHg } from '../../lab/lab'
import { mainSubstance, type WorkRow } from '../../plan/plan'
import { partsUsed } from '../../plan/partsUsed'
import { writeNumber } from '../../quantity/write'
import { vesselNamed, type Vessel } from '../../matter/state'
import { baseOf } from './baseOf'
import { impuritiesIn, type Impurity } from './impurities'
import { afterWater, dissolvedFrom, measured as measuredWash, washPlan, washSolutions, type Wash } from './washPlan'
import { suggestShaking } from '../extract/shakingHere'
import { amountOf, layersHere, type LayersHere } from '../extract/layersHere'
import { layersAdvice } from '../extract/layersAdvice'
import { layersOf } from '../extract/whereItIs'
import { discarded } from '../extract/rules'
import { actsAs, harmBy } from './harms'
import { farLarger } from './rules'
import { shaking } from '../extract/blanks'
import { shakenWith } from '../extract/shakenWith'
import { gasHere, litresOf } from '../vessel/gasesIn'
import { liquidMLIn, stoodAt } from '../vessel/stoodAt'
import { productGroups } from '../vessel/productGroups'
import { fact, planner, usual, when, type Advice, type Context } from '../planner'
import { blank, list, oneOf, type Blanks } from '../fields'

const fields = [
  ...shaking,
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

/** The layer that is washed as it stands before the step, with what it holds besides the product. */
function layerHere(context: Context): { mL: number; impurities: Impurity[] } {
  const { step } = context
  const before = stoodAt(context)?.before
  const named = step.kind === 'act' && typeof step.work?.layer === 'string' ? step.work.layer : undefined
  const vessel: Vessel | undefined = before && ((named && vesselNamed(before, named)) || vesselNamed(before, before.at))
  return { mL: Math.max(1, liquidMLIn(vessel)), impurities: impuritiesIn(context, vessel) }
}

/** The washes as they stand, each with what it still has to meet when its turn comes. */
export function washesOf(context: Context, { washes }: { washes: readonly WorkRow[] }): Wash[] {
  const groups = productGroups(context)
  const { mL, impurities } = layerHere(context)
  let left = impurities
  return washes.map(({ solution, portionML, times }) => {
    const planned = { solution: String(solution), portionML: Number(portionML ?? 0), times: Number(times ?? 1) }
    const wash = measuredWash(planned, left, groups, pressureMmHg(context.lab))
    // What follows has less to meet: what water has taken, and what this one has reacted with.
    const before = left
    if (planned.solution === 'water') {
      left = afterWater(before, mL, planned.portionML, planned.times)
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

/** Kinds of impurities that a carbonate meets. */
const acids: ReadonlySet<string> = new Set(['mineral acid', 'carboxylic acid'])

/** What the liquids of this very step would do to the product. */
function attacked(context: Context): Advice[] {
  const harms = partsUsed(context.step).flatMap(({ line }) => {
    const substance = context.table.lines.find((each) => each.line.id === line)?.substance
    const acts = substance && actsAs(substance)
    const harm = acts && harmBy(acts, productGroups(context))
    return harm ? [`${substance.name}: ${harm}`] : []
  })
  return when(harms.length > 0, 'wash-attacks', 'doubt', `${harms.join('; ')}.`)
}

/** The part of the product that the watery layers hold; null where nobody can say. */
function lostIn({ plan }: Context, { layers, followed }: LayersHere): number | null {
  const product = plan.mainProduct === undefined ? undefined : mainSubstance(plan)
  const thing = followed.find(({ substance }) => substance === product)
  if (!thing) return null
  const amounts = layers.map(({ kind, holds }) => ({ kind, mmol: amountOf(holds, thing) }))
  if (amounts.some(({ mmol }) => mmol === null)) return null
  const sum = (of: typeof amounts) => of.reduce((all, { mmol }) => all + mmol!, 0)
  const total = sum(amounts)
  return total > 0 ? sum(amounts.filter(({ kind }) => kind === 'watery')) / total : null
}

/** Less gas than this nobody needs a word about, L. */
const leastL = 0.02

/** Washing: from what the layer holds, which solutions, in which order, how much, and what each takes and does. */
export const washing = planner({
  of: 'wash',
  title: 'Washing',
  sentences: (say) => [
    say`This step: ${'portions'} × ${'portionML'}, drawn into ${'into'}. ${'solutes'}`,
    say`Washes that would clean this layer, in this order: ${'washes'}`,
  ],
  fields,
  doubts: {
    'on-top': 'Either layer may lie on top',
    'wash-attacks': 'This wash takes the product with it',
  },
  rules: [discarded, farLarger],
  suggest: (context, typed) => {
    const { mL, impurities } = layerHere(context)
    const proposed = washPlan(impurities, mL, productGroups(context), pressureMmHg(context.lab))
    return {
      ...suggestShaking(context, typed),
      washes: usual(
        proposed.map(({ solution, portionML, times }) => ({ solution, portionML, times })),
        'each impurity that is in the layer by now meets one, a third of the layer at a time, brine last',
      ),
    }
  },
  tables: (context, filled) => ({ washes: washesOf(context, filled), ...layersOf(context) }),
  report: (context, filled) => {
    const washes = washesOf(context, filled)
    const { mL, impurities } = layerHere(context)
    const met = new Set(washes.flatMap(({ meets }) => meets))
    const left = impurities.filter(({ substance, kind }) => kind !== 'neutral' && !met.has(substance))
    const advice: Advice[] = washes.flatMap(({ solution, portionML, times, needMmol, capacityMmol, harm }, index): Advice[] => [
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
        portionML > mL,
        `large-${index}`,
        'doubt',
        `${solution}: ${portionML} mL is more than the layer itself; a tenth to a half of it is usual.`,
      ),
    ])
    const here = layersHere(context)
    const goes = shakenWith(context.table, context.step)
    const own = goes ? baseOf(context.table, context.step) : 0
    const acid = impurities.reduce((sum, { kind, mmol }) => (acids.has(kind) ? sum + mmol : sum), 0)
    const gas = gasHere(context)
    const gasL = litresOf(gas)
    const gasNames = gas.map((each) => each.gas).join(', ')
    const lost = here && lostIn(context, here)
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
                how: `about ${writeNumber(acid, 0)} mmol of acid are in the layer by now`,
                atBench: true,
              }),
            ]
          : []),
        ...(gasL !== null && gasL > 0
          ? [
              fact('gas', `gas in this step: ${gasNames}`, gasL, 'L', 2, {
                how: 'from what meets in the funnel by now, at the most',
                atBench: gasL > leastL,
              }),
            ]
          : []),
        ...(lost === null
          ? []
          : [
              fact('lost', `${mainSubstance(context.plan)!.name} in the watery layers so far`, 100 * lost, '%', 1, {
                how: 'from its K and the volumes of every wash up to here',
                atBench: true,
              }),
            ]),
      ],
      advice: [
        ...advice,
        ...attacked(context),
        ...when(
          gasL === null || gasL > leastL,
          'gas',
          'danger',
          `${gasL === null ? 'An unknown amount' : `Up to ${writeNumber(gasL, 2)} L`} of ${gasNames} in this step. Swirl open until it slows, then shake and vent.`,
        ),
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
        ...(here ? layersAdvice(context, here, filled) : []),
      ],
    }
  },
})
