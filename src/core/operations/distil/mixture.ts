import type { DistilBlanks } from './blanks'
import { mainSubstance, type WorkRow } from '../../plan/plan'
import { type Substance } from '../../substance/substance'
import { heldById } from '../../substance/heldById'
import { molarMass } from '../../substance/molarMass'
import { boilsAt, vapourConstants } from '../../substance/boilsAt'
import type { ActivityModel } from '../../matter/activity'
import type { BatchCharge } from './batch'
import { wilsonOf } from '../../matter/azeotropes'
import type { Component, Mixture } from '../../matter/equilibrium'
import { pressureMmHg } from '../../lab/lab'
import { isWater } from '../../matter/thing'
import { vesselDuring } from '../vessel/stoodAt'
import { rough, type Context } from '../planner'

/** Less of the pot than this, by moles, is a trace that no thermometer shows. */
const trace = 0.005

/** How many components the curve is worked out for. */
const mostComponents = 3

const boilsAtC = ({ plan, lab }: Context, id: string): number =>
  boilsAt(heldById(plan.substances, id)!, pressureMmHg(lab))?.atC ?? 0

/** What boils of what is in the pot when everything has gone in, the most by moles: by the state of matter before the step. The lowest boiling comes first. Water that lies in a layer of its own is counted with the steam (advice.ts), and an amount that nobody knows is left to be typed. */
export function inPot(context: Context): WorkRow[] {
  const { plan } = context
  const liquids = vesselDuring(context)?.phases.filter(({ kind }) => kind !== 'solid') ?? []
  const steams = liquids.length > 1
  const found = liquids
    .flatMap(({ holds }) => holds)
    .flatMap(({ thing, amount, certain }) => {
      const substance = plan.substances.find(({ id, formula }) => id === thing.id || (isWater(thing) && formula === 'H2O'))
      const boils = substance?.formula !== undefined && vapourConstants(substance) !== null
      return !boils || !certain || thing.solid || thing.charge !== 0 || (steams && isWater(thing))
        ? []
        : [{ name: substance.id, mmol: amount }]
    })
  const mmolOf = (id: string) =>
    found.reduce<number | null>(
      (sum, { name, mmol }) => (name !== id ? sum : sum === null || mmol === null ? null : sum + mmol),
      0,
    )
  const all = [...new Set(found.map(({ name }) => name))].map((name) => ({ name, mmol: mmolOf(name) }))
  const known = all.filter((each): each is { name: string; mmol: number } => each.mmol !== null)
  const sum = known.reduce((total, { mmol }) => total + mmol, 0)
  return known
    .filter(({ mmol }) => mmol > trace * sum)
    .sort((one, other) => other.mmol - one.mmol)
    .slice(0, mostComponents)
    .sort((one, other) => boilsAtC(context, one.name) - boilsAtC(context, other.name))
    .map(({ name, mmol }) => ({ name, mmol: rough(mmol, 4) }))
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
