import { boilsAt, vapourConstants } from '../substance/boilsAt'
import { activityCoefficients, type ActivityModel } from './activity'
import { wilsonOf } from './azeotropes'
import { isLiquid } from './phase'
import { acidBoilsAtC, acidTableK, boilsByTable } from './strongAcids'
import { massOf, type Holding, type Phase } from './state'
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

export interface BoilsAt {
  atC: number
  plusMinusK: number
  /** True where it can only boil higher than that: acid and amine hold each other back. */
  orHigher?: true
  /** The thing that there is most of in the vapour. */
  main: Thing
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

/** A phase as it boils, with the names of liquids whose vapour pressure nobody knows; null where nothing in it is volatile or an amount is unknown. */
export function layerOf(phase: Phase): { layer: BoilingLayer | null; unknown: Thing[] } {
  const unknown: Thing[] = []
  const inside: Volatile[] = []
  let dissolved = 0
  for (const holding of phase.holds) {
    const { thing, amount } = holding
    if (amount === null || !holding.certain) continue
    const constants = constantsOf(thing)
    if (constants === undefined) unknown.push(thing)
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

/** Water boils 0.045 K higher for each mmHg near 760; a strong acid about so. */
const acidPerMMHg = 0.045

/** Anions of the strong acids that have a table, with the formula it stands under and the protons that belong to it. */
const byTable: Readonly<Record<string, { formula: string; gPer: number }>> = {
  'ion SO4^2-': { formula: 'H2SO4', gPer: 98.079 / 96.064 },
  'ion NO3^-': { formula: 'HNO3', gPer: 63.013 / 62.005 },
  'ion Cl^-': { formula: 'HCl', gPer: 36.461 / 35.453 },
  'ion Br^-': { formula: 'HBr', gPer: 80.912 / 79.904 },
}

/** A water that is a strong acid, by its table; null where it is none, where salts are in it besides, or it is no more than a tenth of it. */
function asAcid({ kind, holds }: Phase, mmHg: number): BoilsAt | null {
  if (kind !== 'watery') return null
  const anions = holds.filter(({ thing }) => thing.id in byTable)
  const [anion] = anions
  if (!anion || anions.length > 1 || anion.amount === null) return null
  // A solid that is dissolved in it moves it little; another liquid or salt does.
  const others = holds.filter(
    ({ thing }) => thing !== anion.thing && !isWater(thing) && thing.id !== 'ion H^+' && !(thing.solid && thing.charge === 0),
  )
  const whole = massOf(holds)
  const more = massOf(others)
  if (whole === null || more === null || more > 0.1 * whole) return null
  const { formula, gPer } = byTable[anion.thing.id]!
  const fraction = (anion.amount * anion.thing.gPer * gPer) / whole
  const atC = fraction < 0.02 ? null : acidBoilsAtC(formula, fraction)
  return atC === null ? null : { atC: atC - acidPerMMHg * (760 - mmHg), plusMinusK: acidTableK, main: anion.thing }
}

/** More of its mass than this as strong acid, and a liquid boils neither as water nor as what it dissolves. */
const mostAcid = 0.4

/** The strong acids of a liquid that is mostly them. */
function acidsIn({ holds }: Phase): Thing[] {
  const acids = holds.filter(({ thing }) => thing.id in byTable || boilsByTable(thing.substance.formula))
  const [own, whole] = [massOf(acids), massOf(holds)]
  return own !== null && whole !== null && own > mostAcid * whole ? acids.map(({ thing }) => thing) : []
}

/** Where what is in a vessel boils: a strong acid in water by its table, else where the vapour of all liquid phases together has the laboratory's pressure. */
export function boilsAtIn(phases: readonly Phase[], mmHg: number): BoilsAt | { unknown: Thing[] } {
  const liquids = phases.filter(({ kind }) => kind !== 'solid')
  const acid = liquids.length === 1 ? asAcid(liquids[0]!, mmHg) : null
  if (acid) return acid
  // Strong acids together, or with much besides, boil at what no table has.
  const mixed = liquids.flatMap(acidsIn)
  if (mixed.length > 0) return { unknown: mixed }
  const found = liquids.map(layerOf)
  const unknown = found.flatMap((each) => each.unknown)
  const layers = found.flatMap(({ layer }) => layer ?? [])
  if (unknown.length > 0 || layers.length === 0) return { unknown }
  const atC = boilsTogether(layers, mmHg)
  const [main] = vapourOver(layers, atC).sort((a, b) => b.mmHg - a.mmHg)
  const all = layers.flatMap(({ inside }) => inside)
  const alone = all.length === 1 ? boilsAt(all[0]!.thing.substance, mmHg)?.plusMinusK : undefined
  const holdsBack =
    liquids.some(({ kind }) => kind === 'organic') &&
    all.some(({ thing }) => thing.acid.length > 0) &&
    all.some(({ thing }) => thing.base !== null)
  if (holdsBack) {
    const lightest = Math.min(
      ...all.map((part) => boilsTogether([{ inside: [part], x: [1], model: { kind: 'ideal' }, free: 1 }], mmHg)),
    )
    return { atC: lightest, plusMinusK: Math.max(10, atC - lightest), orHigher: true, main: main!.thing }
  }
  return { atC, plusMinusK: alone ?? (all.length > 1 ? 2 : 1), main: main!.thing }
}
