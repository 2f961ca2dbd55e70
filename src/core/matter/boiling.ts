import { vapourConstants } from '../substance/boilsAt'
import { activityCoefficients, type ActivityModel } from './activity'
import { wilsonOf } from './azeotropes'
import { isLiquid } from './phase'
import { boilsByTable } from './strongAcids'
import type { Holding, Phase } from './state'
import { isWater, type Thing } from './thing'

/** What a liquid has in its vapour. */
interface Volatile {
  holding: Holding
  thing: Thing
  mmol: number
  a: number
  b: number
  c: number
  name: string
  smiles: string | undefined
  gPerMol: number
  gPerML: number
}

/** A liquid phase as it boils: what is volatile in it by mole fraction among itself, and the share of its moles that is no solute. */
export interface BoilingLayer {
  inside: readonly Volatile[]
  x: readonly number[]
  model: ActivityModel
  free: number
}

/** What a boiling temperature rests on. */
export type BoilsBy = 'table' | 'vapour pressure' | 'melt' | 'bubble point' | 'two layers' | 'lightest of acid and amine'

export interface BoilsAt {
  atC: number
  /** How far it may be off, K. */
  plusMinusK: number
  /** True where it can only boil higher than that: acid and amine hold each other back. */
  orHigher?: true
  by: BoilsBy
  /** The thing that there is most of in the vapour. */
  main: Thing
  /** What boils, but for traces. */
  volatile: readonly Thing[]
  /** Something is dissolved in it that raises it. */
  raised: boolean
  /** Of a strong acid by its table: its share by mass. */
  share?: number
}

/** Less pressure than a thousandth of an atmosphere at 150 °C is none that a bench sees: what boils above some 300 °C stays behind. */
const staysAbove = 300

const remembered = new WeakMap<Thing, ReturnType<typeof vapourConstants> | undefined>()

/** Constants of a thing that goes into the vapour; null for ions, salts and what boils too high, undefined where nothing is on record of a liquid. */
function constantsOf(thing: Thing): ReturnType<typeof vapourConstants> | undefined {
  if (thing.charge !== 0 || (thing.atoms === null && thing.solid) || boilsByTable(thing.substance.formula)) return null
  if (remembered.has(thing)) return remembered.get(thing)
  const found = vapourConstants(thing.substance)
  const boils = thing.substance.boiling?.lowC
  const known = found ? ((boils ?? 0) > staysAbove ? null : found) : isLiquid(thing) ? undefined : null
  remembered.set(thing, known)
  return known
}

/** True for what goes into the vapour when its liquid boils. */
export const isVolatile = (thing: Thing): boolean => Boolean(constantsOf(thing))

const lambdas = new WeakMap<Thing, WeakMap<Thing, number>>()

/** Wilson's Λ of a pair, 1 where none is on record. */
function lambdaOf(one: Volatile, other: Volatile): number {
  const known = lambdas.get(one.thing) ?? new WeakMap<Thing, number>()
  lambdas.set(one.thing, known)
  let found = known.get(other.thing)
  if (found === undefined) {
    found = wilsonOf(one, other)?.[0] ?? 1
    known.set(other.thing, found)
  }
  return found
}

/** Between these shares of its moles as water a solvent is a mixed one. */
const mixed = { least: 0.1, most: 0.9 } as const

/** A phase as it boils, with the liquids whose vapour pressure or amount nobody knows; null where nothing in it is volatile or an amount is unknown. */
export function layerOf(phase: Phase): { layer: BoilingLayer | null; unknown: Thing[] } {
  const unknown: Thing[] = []
  const inside: Volatile[] = []
  let [dissolved, ions] = [0, 0]
  for (const holding of phase.holds) {
    const { thing, amount } = holding
    if (!holding.certain) continue
    const constants = constantsOf(thing)
    // How much there is of a liquid decides where a mixture boils.
    if (amount === null) {
      if (constants !== null || isLiquid(thing)) unknown.push(thing)
      continue
    }
    if (constants === undefined) unknown.push(thing)
    else if (constants === null && thing.charge !== 0) ions += Math.abs(amount)
    else if (constants === null) dissolved += thing.atoms === null ? 0 : Math.abs(amount)
    else
      inside.push({
        ...{ holding, thing, mmol: amount, name: thing.name, smiles: thing.substance.smiles },
        ...{ a: constants.a, b: constants.b, c: constants.c },
        ...{ gPerMol: thing.gPer * 1000, gPerML: thing.substance.density?.gPerML ?? 0.9 },
      })
  }
  const moles = inside.reduce((sum, { mmol }) => sum + mmol, 0)
  if (moles <= 0) return { layer: null, unknown }
  const x = inside.map(({ mmol }) => mmol / moles)
  const lambda = inside.map((one, i) => inside.map((other, j) => (i === j ? 1 : lambdaOf(one, other))))
  const ideal = lambda.every((row) => row.every((value) => value === 1))
  // A salt in a mixed solvent drives the organic part out about as much as it holds the water back: neither is counted.
  const water = x[inside.findIndex(({ thing }) => isWater(thing))] ?? 0
  if (water <= mixed.least || water >= mixed.most) dissolved += ions
  return {
    layer: { inside, x, model: ideal ? { kind: 'ideal' } : { kind: 'Wilson', lambda }, free: moles / (moles + dissolved) },
    unknown,
  }
}

const pressureOf = ({ a, b, c }: Volatile, atC: number) => 10 ** (a - b / (c + atC))

/** The pressure of each volatile part of layers that lie on each other, mmHg: both add up. */
export function vapourOver(layers: readonly BoilingLayer[], atC: number): { thing: Thing; mmHg: number }[] {
  return layers.flatMap(({ inside, x, model, free }) => {
    const gamma = model.kind === 'ideal' ? null : activityCoefficients(model, x)
    return inside.map((part, i) => ({ thing: part.thing, mmHg: free * (gamma ? gamma[i]! : 1) * x[i]! * pressureOf(part, atC) }))
  })
}

const nearK = 4

/** The temperature at which layers boil together: where their pressures add up to the laboratory's, by regula falsi on the logarithm between two that enclose it. */
export function boilsTogether(layers: readonly BoilingLayer[], mmHg: number, nearC?: number): number {
  const excess = (atC: number) => Math.log(vapourOver(layers, atC).reduce((sum, each) => sum + each.mmHg, 0) / mmHg)
  // Near a temperature that is known, a few kelvin on either side are looked at first.
  const isNear = nearC !== undefined && excess(nearC - nearK) < 0 && excess(nearC + nearK) > 0
  let [low, high] = isNear ? [nearC - nearK, nearC + nearK] : [-100, 450]
  for (let turn = 0; turn < (isNear ? 3 : 12); turn++) {
    const middle = (low + high) / 2
    if (excess(middle) < 0) low = middle
    else high = middle
  }
  let [lowValue, highValue] = [excess(low), excess(high)]
  for (let turn = 0; turn < 6; turn++) {
    const next = low - (lowValue * (high - low)) / (highValue - lowValue)
    const value = excess(next)
    if (Math.abs(value) < 1e-9) return next
    if (value < 0) [low, lowValue] = [next, value]
    else [high, highValue] = [next, value]
  }
  return (low + high) / 2
}
