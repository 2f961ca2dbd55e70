import type { DistilBlanks } from './blanks'
import { mainSubstance, type WorkRow } from '../../plan/plan'
import { type Substance } from '../../substance/substance'
import { heldById } from '../../substance/heldById'
import { molarMass } from '../../substance/molarMass'
import { vapourConstants } from '../../substance/boilsAt'
import type { ActivityModel } from '../../matter/activity'
import type { BatchCharge } from './batch'
import { wilsonOf } from '../../matter/azeotropes'
import type { Component, Mixture } from '../../matter/equilibrium'
import { crudeComposition } from '../wash/impurities'
import { expectedProductG } from '../vessel/inVessel'
import { rough, type Context } from '../planner'

/** Up to three components that boil: those in the pot, the product and what is left beside it. */
export function inPot(context: Context): WorkRow[] {
  const { plan, table, now } = context
  const volatile = (substance: Substance) => substance.formula !== undefined && vapourConstants(substance) !== null
  const product = mainSubstance(plan)
  const direct = now.contents.filter(
    ({ line, substance }) => volatile(substance) && line.form.kind !== 'solid' && !plan.mainProduct,
  )
  const amountOf = (id: string) => table.lines.find(({ line }) => line.id === id)?.amount?.value ?? 0
  if (direct.length > 0)
    return direct.slice(0, 3).map(({ line, substance }) => ({ name: substance.id, mmol: rough(amountOf(line.id), 4) }))
  // A second distillation of a mixture that was charged whole.
  const charged = table.lines.filter(
    ({ line, substance, amount }) => amount && !plan.mainProduct && volatile(substance) && line.form.kind !== 'solid',
  )
  if (charged.length > 0)
    return charged.slice(0, 3).map(({ substance, amount }) => ({ name: substance.id, mmol: rough(amount!.value, 4) }))
  const made =
    product?.formula && volatile(product)
      ? [{ name: product.id, mmol: rough((1000 * expectedProductG(context)) / molarMass(product.formula)) }]
      : []
  const beside = crudeComposition(plan, table, plan.expectedYield?.high ?? 1)
    .filter(
      ({ substance, kind }) =>
        kind !== 'mineral acid' &&
        kind !== 'carboxylic acid' &&
        kind !== 'water-soluble' &&
        kind !== 'halogen' &&
        plan.substances.some((each) => each.id === substance && each.id !== product?.id && volatile(each)),
    )
    // Washing and drying leave about a tenth of what dissolves in the organic layer.
    .map(({ substance, mmol }) => ({ name: substance, mmol: rough(0.1 * mmol) }))
  return [...beside, ...made].slice(-3)
}

/** Wilson's Λ of up to three substances from what is on record of their pairs, 1 where a pair has none; null where no pair has any. */
export function modelOnRecord(substances: readonly Substance[]): number[][] | null {
  const components = substances.map((substance) => {
    const component = componentOf(substance)
    return component && { ...component, smiles: substance.smiles }
  })
  const known = components.flatMap((each) => each ?? [])
  if (known.length !== components.length || known.length < 2 || known.length > 3) return null
  const pairs = known.map((one) => known.map((other) => (one === other ? undefined : wilsonOf(one, other)?.[0])))
  return pairs.some((row) => row.some((value) => value !== undefined)) ? pairs.map((row) => row.map((value) => value ?? 1)) : null
}

const componentOf = (substance: Substance): Component | null => {
  const constants = vapourConstants(substance)
  return constants && substance.formula !== undefined
    ? {
        name: substance.name,
        a: constants.a,
        b: constants.b,
        c: constants.c,
        gPerMol: molarMass(substance.formula),
        gPerML: substance.density?.gPerML ?? 0.9,
      }
    : null
}

/** The batch that the blanks describe, for the curve; null where a component has no vapour pressure on record or nothing is in the pot. */
export function batchOf(
  context: Context,
  filled: DistilBlanks,
): { mixture: Mixture; charge: BatchCharge; wanted: number } | null {
  const rows = filled.components.filter(({ mmol }) => Number(mmol) > 0)
  const components = rows
    .map(({ name }) => heldById(context.plan.substances, name))
    .map((substance) => substance && componentOf(substance))
  if (rows.length === 0 || components.some((component) => !component)) return null
  const model = modelOf(filled, rows.length)
  const { substances } = context.plan
  const product = heldById(substances, filled.wantedOf) ?? mainSubstance(context.plan)
  const wanted = rows.findIndex(({ name }) => name === product?.id)
  const reflux = filled.reflux
  return {
    mixture: { components: components as Component[], model, mmHg: filled.mmHg },
    charge: {
      mmol: rows.map(({ mmol }) => Number(mmol)),
      stages: Math.round(filled.stages),
      reflux: reflux > 0 ? reflux : 0.001,
      holdUpML: filled.holdUpML,
      points: 400,
      stopML: filled.stopML,
    },
    wanted: Math.max(0, wanted),
  }
}

/** Pairs of a mixture of up to three, as their constants are numbered in the blanks. */
export const pairsOf = (count: number) => [
  [1, 2] as const,
  ...(count > 2
    ? ([
        [1, 3],
        [2, 3],
      ] as const)
    : []),
]

/** The constant of a pair, by the numbers of its components. */
const constantOf = (filled: DistilBlanks, i: number, j: number) => filled[`A${i}${j}` as 'A12']

/** Wilson's constants stand under a logarithm: only above 0 do they mean anything. */
export const wilsonHolds = (filled: DistilBlanks, count: number) =>
  filled.model !== 'Wilson' || pairsOf(count).every(([i, j]) => constantOf(filled, i, j) > 0 && constantOf(filled, j, i) > 0)

/** The activity model of the blanks: two constants for each pair of components. Van Laar's are for two; with more the liquid is taken as ideal. */
function modelOf(filled: DistilBlanks, count: number): ActivityModel {
  const kind = filled.model
  const most = kind === 'van Laar' ? 2 : 3
  if (count < 2 || count > most || kind === 'ideal' || !wilsonHolds(filled, count)) return { kind: 'ideal' }
  if (kind === 'van Laar') return { kind, A12: filled.A12, A21: filled.A21 }
  const matrix = (own: number, of: (i: number, j: number) => number) =>
    Array.from({ length: count }, (_, i) => Array.from({ length: count }, (_other, j) => (i === j ? own : of(i + 1, j + 1))))
  const of = (i: number, j: number) => constantOf(filled, i, j)
  return kind === 'Wilson'
    ? { kind, lambda: matrix(1, of) }
    : { kind: 'NRTL', tau: matrix(0, of), alpha: matrix(0, () => filled.alpha) }
}

/** Volume of what the blanks put into the pot, mL. */
export const volumeOf = (context: Context, filled: Pick<DistilBlanks, 'components'>) =>
  filled.components.reduce((sum, { name, mmol }) => {
    const substance = heldById(context.plan.substances, name)
    const component = substance && componentOf(substance)
    return component ? sum + (Number(mmol) * component.gPerMol) / component.gPerML / 1000 : sum
  }, 0)
