import { isLiquid, millilitresOf } from './phase'
import { dissolvesInWater, mix, mixesWithWater } from './mixing'
import type { Holding } from './state'
import { isWater, type Thing } from './thing'

/** Which liquids stand in which layer; the first is the watery one where there is water. */
export interface Layers {
  /** Groups of liquids; one of them watery. */
  groups: { watery: boolean; liquids: Thing[]; mL: number; unknown: boolean }[]
  /** Liquids of which nobody can say whether they part from water. */
  untold: Thing[]
  /** A liquid that mixes with both layers and of which there is so much that nobody can say whether they are one. */
  bridge?: Thing
}

/** A liquid of which a seventh is water lets salts and acids fall apart in it; with less they stay whole. Judgement: concentrated sulfuric acid and the mixture of an esterification stand well below, dilute alcohol of a reaction in base above. */
const wateryFrom = 0.15
const isWatery = (waterML: number, allML: number) => waterML >= wateryFrom * allML

interface Liquid {
  thing: Thing
  /** 0 where nobody knows how much of it there is. */
  mL: number
  unknown: boolean
}

/**
 * The share of a cosolvent that makes one layer of water and as much of another liquid, by volume; of unequal amounts less does, along a parabola through the pure liquids. Judgement, from ternary diagrams: the field of two liquids ends at 0.25 (ethanol with
 * ethyl acetate) to 0.6 (acetic acid with toluene), at 0.3 to 0.45 for ethers and esters of five carbon atoms or more. Within that nobody can tell.
 */
const bridgesAt = 0.4
const bridgesNear = [0.25 / bridgesAt, 0.6 / bridgesAt] as const

/** How much of the cosolvent that is needed to make one layer of two there is: 1 is just enough. */
function bridging(waterML: number, apartML: number, bridgeML: number): number {
  const part = apartML / (apartML + waterML)
  const needed = 4 * bridgesAt * part * (1 - part)
  return bridgeML / (waterML + apartML + bridgeML) / needed
}

/**
 * Which layers liquids form: those that mix with water go with it, all others into one layer, or into more where they do not mix with each other. A liquid of which there is no more than water dissolves is dissolved in it. Where something that
 * mixes with both is enough to hold them together there is one layer.
 */
export function layersOf(holds: readonly Holding[]): Layers {
  const liquids: Liquid[] = holds
    .filter(({ thing, certain }) => certain && isLiquid(thing))
    .map((holding) => ({
      thing: holding.thing,
      mL: millilitresOf(holding, 'organic') ?? 0,
      unknown: holding.amount === null,
    }))
  const ofWater = liquids.find(({ thing }) => isWater(thing))
  const waterML = ofWater?.mL
  const others = liquids.filter(({ thing }) => !isWater(thing)).sort((a, b) => b.mL - a.mL)
  if (waterML === undefined) return { groups: organicGroups(others), untold: [] }
  const mixing = others.filter(({ thing }) => mixesWithWater(thing) === 'mix')
  const untold = others.filter(({ thing }) => mixesWithWater(thing) === 'cannot be told')
  const dissolved = others.filter((each) => mixesWithWater(each.thing) === 'part' && isDissolved(each, waterML))
  const parting = others.filter(({ thing }) => mixesWithWater(thing) === 'part').filter((each) => !dissolved.includes(each))
  // What cannot be told goes with the greater part: it is said, and never makes a layer of its own beside one that is sure.
  const apart = [...parting, ...untold.filter(({ mL }) => !isLittle(mL, waterML))]
  const bridgeML = sum(mixing)
  const apartML = sum(apart)
  const withWater = [...mixing, ...dissolved, ...untold.filter((each) => !apart.includes(each))]
  const waters = withWaterIn(ofWater!, withWater)
  if (apart.length === 0) return { groups: [waters], untold: untold.map(({ thing }) => thing) }
  const bridged = bridgeML > 0 && apartML > 0 && waterML > 0 ? bridging(waterML, apartML, bridgeML) : 0
  return {
    groups: bridged >= 1 ? [withWaterIn(ofWater!, others)] : [waters, ...organicGroups(apart)],
    untold: untold.map(({ thing }) => thing),
    ...(bridged >= bridgesNear[0] && bridged < bridgesNear[1] ? { bridge: mixing[0]!.thing } : {}),
  }
}

/** Water with the liquids that are in it; of an unknown amount it is water all the same. */
const withWaterIn = (own: Liquid, others: readonly Liquid[]): Layers['groups'][number] => ({
  watery: own.unknown || isWatery(own.mL, own.mL + sum(others)),
  liquids: [own.thing, ...others.map(({ thing }) => thing)],
  mL: own.mL + sum(others),
  unknown: own.unknown,
})

const sum = (liquids: readonly Liquid[]) => liquids.reduce((all, { mL }) => all + mL, 0)

/** Less than a twentieth of the water, of what nobody can say more of, is dissolved in it. */
const isLittle = (mL: number, waterML: number) => mL <= waterML / 20

/** No more of it than the water dissolves; of an unknown amount there is more. */
function isDissolved({ thing, mL, unknown }: Liquid, waterML: number): boolean {
  const limit = unknown ? null : dissolvesInWater(thing)
  return limit !== null && mL * (thing.substance.density?.gPerML ?? 0.9) <= (limit * waterML) / 100
}

/** Organic liquids, each with the first that it mixes with. */
function organicGroups(liquids: readonly Liquid[]): Layers['groups'] {
  const groups: Layers['groups'] = []
  for (const { thing, mL, unknown } of liquids) {
    const group = groups.find(({ liquids: [main] }) => mix(main!, thing) !== 'part')
    if (group) {
      group.liquids.push(thing)
      group.mL += mL
      group.unknown ||= unknown
    } else groups.push({ watery: false, liquids: [thing], mL, unknown })
  }
  return groups
}
