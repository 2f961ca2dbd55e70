import { boilsAt } from '../substance/boilsAt'
import { boilsTogether, layerOf, vapourOver, type BoilingLayer, type BoilsAt } from './boiling'
import { wilsonOf } from './azeotropes'
import { acidBoilsAtC, acidTableK, boilsByTable } from './strongAcids'
import { massOf, type Phase } from './state'
import { isWater, type Thing } from './thing'

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
  const share = (anion.amount * anion.thing.gPer * gPer) / whole
  const atC = share < 0.02 ? null : acidBoilsAtC(formula, share)
  if (atC === null) return null
  const boils = { atC: atC - acidPerMMHg * (760 - mmHg), plusMinusK: acidTableK, main: anion.thing, volatile: [], raised: false }
  return { ...boils, by: 'table', share }
}

/** More of its mass than this as strong acid, and a liquid boils neither as water nor as what it dissolves. */
const mostAcid = 0.4

/** The strong acids of a liquid that is mostly them. */
function acidsIn({ holds }: Phase): Thing[] {
  const acids = holds.filter(({ thing }) => thing.id in byTable || boilsByTable(thing.substance.formula))
  const [own, whole] = [massOf(acids), massOf(holds)]
  return own !== null && whole !== null && own > mostAcid * whole ? acids.map(({ thing }) => thing) : []
}

/** What an estimate is worth, K: of one liquid, of a solution, of like liquids, of a pair with constants, of one that rests on a boiling point alone, of two layers, of unlike ones taken as ideal. */
const worthK = { one: 0.5, solution: 3, alike: 2, fitted: 2, estimated: 3, layers: 3, unlike: 8 } as const

/** A pair may be taken as ideal where both are of a kind: hydrocarbons and their halides and ethers among themselves, alcohols among themselves, and so on. */
function kindOf(thing: Thing): string {
  if (isWater(thing)) return 'water'
  const groups = thing.substance.groups ?? []
  if (groups.some((group) => group === 'alcohol' || group === 'phenol' || group === 'carboxylic acid'))
    return 'gives hydrogen bonds'
  return groups.some((group) => group === 'ketone' || group === 'ester' || group === 'aldehyde') ? 'takes them' : 'neither'
}

/** Less of the moles of a liquid than this is a trace: it is not named, and sets no worth. */
const trace = 0.01
/** The product of two mole fractions from which their pair counts. */
const leastPair = 0.002

function worthOf({ inside, x, free }: BoilingLayer): number {
  let worth: number = inside.length > 1 && free < 0.99 ? worthK.solution : worthK.one
  inside.forEach((one, i) =>
    inside.slice(0, i).forEach((other, j) => {
      if (x[i]! * x[j]! <= leastPair) return
      worth = Math.max(
        worth,
        wilsonOf(one, other) ? worthK.fitted : kindOf(one.thing) === kindOf(other.thing) ? worthK.alike : worthK.unlike,
      )
    }),
  )
  return worth
}

/** A single solid boils as its own melt. */
function asMelt(phases: readonly Phase[], mmHg: number): BoilsAt | null {
  const [only, ...more] = phases.flatMap(({ holds }) => holds)
  if (!only || more.length > 0 || only.thing.charge !== 0) return null
  const found = boilsAt(only.thing.substance, mmHg)
  return found && { ...found, by: 'melt', main: only.thing, volatile: [only.thing], raised: false }
}

/** Liquids that nobody knows how to boil, or none. */
export interface BoilsUnknown {
  unknown: readonly Thing[]
}

/**
 * Where what is in a vessel boils: a strong acid in water by its table; else where the vapour of all liquid phases together has the laboratory's pressure, with what is dissolved raising it by the share of the moles that it takes; a single solid as its melt. What
 * boils at no known temperature is named.
 */
export function boilsAtIn(phases: readonly Phase[], mmHg: number): BoilsAt | BoilsUnknown {
  const liquids = phases.filter(({ kind }) => kind !== 'solid')
  const acid = liquids.length === 1 ? asAcid(liquids[0]!, mmHg) : null
  if (acid) return acid
  // Strong acids together, or with much besides, boil at what no table has.
  const acids = liquids.flatMap(acidsIn)
  if (acids.length > 0) return { unknown: acids }
  const found = liquids.map(layerOf)
  const unknown = found.flatMap((each) => each.unknown)
  const layers = found.flatMap(({ layer }) => layer ?? [])
  if (unknown.length > 0) return { unknown }
  if (layers.length === 0) return (liquids.length === 0 && asMelt(phases, mmHg)) || { unknown: [] }
  return together(
    layers,
    mmHg,
    liquids.some(({ kind }) => kind === 'organic'),
  )
}

function together(layers: readonly BoilingLayer[], mmHg: number, organic: boolean): BoilsAt {
  const atC = boilsTogether(layers, mmHg)
  const vapour = vapourOver(layers, atC).sort((a, b) => b.mmHg - a.mmHg)
  const counts = new Set([
    ...layers.flatMap(({ inside, x }) => inside.filter((_, i) => x[i]! >= trace).map(({ thing }) => thing)),
    ...vapour.filter((each) => each.mmHg >= trace * mmHg).map(({ thing }) => thing),
  ])
  const all = layers.flatMap(({ inside }) => inside).filter(({ thing }) => counts.has(thing))
  const volatile = [...counts]
  const own = volatile.map(({ substance }) => boilsAt(substance, mmHg)?.plusMinusK ?? 0)
  const plusMinusK = Math.max(
    ...(layers.length > 1 ? [worthK.layers] : layers.map(worthOf)),
    volatile.length === 1 ? own[0]! : 0,
    own.some((each) => each > 2) ? worthK.estimated : 0,
  )
  const what = { main: vapour[0]!.thing, volatile, raised: layers.some(({ free }) => free < 0.999) }
  const acid = volatile.some((thing) => thing.acid.length > 0)
  const amine = volatile.some((thing) => thing.base !== null)
  if (!organic || volatile.length < 2 || !acid || !amine)
    return {
      ...what,
      atC,
      plusMinusK,
      by: layers.length > 1 ? 'two layers' : volatile.length > 1 ? 'bubble point' : 'vapour pressure',
    }
  // A salt of the two forms, which boils higher: the figure is where the lightest would begin.
  const lightest = Math.min(
    ...all.map((part) => boilsTogether([{ inside: [part], x: [1], model: { kind: 'ideal' }, free: 1 }], mmHg)),
  )
  return {
    ...what,
    atC: lightest,
    plusMinusK: Math.max(plusMinusK, 10, atC - lightest),
    orHigher: true,
    by: 'lightest of acid and amine',
  }
}
