import { alcoholSpread, dilutionSource, dilutionSpread, heatOfMixing, type Diluted, type InWater } from '../reaction/dilution'
import { equivalentsOf } from '../reaction/equivalents'
import { heats, heatSource, type Heat } from '../reaction/heatTable'
import type { ClassInVessel } from '../reaction/reactiveClasses'
import { pairsOf, partiesOf, type Parties, type Party } from './reactions/meets'
import { rows } from './reactions/row'
import { hydroxide, proton, weak } from './minerals'
import type { Span } from './span'
import type { Holding, Vessel } from './state'
import { isWater, type Thing } from './thing'

/** Heat that comes off where two meet. */
export interface Warms {
  what: string
  /** What meets. */
  from: readonly [Holding, Holding]
  /** Equivalents that react, mmol. */
  mmol: number
  /** For each of them, kJ/mol. */
  kJ: Span
  source: string
}

/** What gives off heat, what gives most first; and what meets of which no heat is on record. */
export interface HeatFound {
  parts: readonly Warms[]
  untold: readonly (readonly [Holding, Holding])[]
}

interface Met {
  heat: Heat
  one: Party
  other: Party
}

const likelyJ = ({ mmol, kJ }: Pick<Warms, 'mmol' | 'kJ'>) => mmol * kJ.likely
const spanOf = ([low, likely, high]: Heat['kJ']): Span => ({ low, likely, high })

const keyOf = ({ one, other }: Pick<Met, 'one' | 'other'>) =>
  [one, other]
    .map(({ holding, fresh }) => `${holding.thing.id} ${fresh}`)
    .sort()
    .join(' ')

/** Every two that a row fits and of which one at least is new. */
const fresh = (row: Parameters<typeof pairsOf>[0], parties: Parties) =>
  pairsOf(row, parties).filter(({ one, other }) => one.fresh || other.fresh)

/** Every pair that is known to give off heat. Where two rows fit one pair the first, which is the more special, counts. */
function pairs(has: Parties): Map<string, Met> {
  const best = new Map<string, Met>()
  for (const heat of heats) {
    const not = heat.otherIsNot ? has(heat.otherIsNot).map(({ holding }) => holding) : []
    for (const pair of fresh(heat, has))
      if (!best.has(keyOf(pair)) && !not.includes(pair.other.holding)) best.set(keyOf(pair), { heat, ...pair })
  }
  return best
}

/** Pairs that may run hot by how much nobody has on record: no other heat is theirs. */
const untold = (has: Parties, known: ReadonlyMap<string, Met>): HeatFound['untold'] =>
  rows
    // What depends on the order alone is the heat of dilution, which is known.
    .filter(({ kJ, grade, order }) => kJ === 'unknown' && !order && (grade === 'kills' || grade === 'injures'))
    .flatMap((row) => fresh(row, has))
    .filter((pair) => !known.has(keyOf(pair)))
    .map(({ one, other }) => [one.holding, other.holding])

/** Equivalents of a class that a holding has, mmol; null where its amount is unknown, endless of water. */
function equivalents(as: ClassInVessel, { holding: { thing, amount } }: Party): number | null {
  const each = equivalentsOf(as, thing.substance)
  return Number.isFinite(each) ? amount && amount * each : Infinity
}

/**
 * What gives off heat when something comes into a vessel, and how much: by the classes that meet, what gives most to the mole first, then each other with what is left of both; and what strong acids and lye give off as they are diluted. Empty where none is known,
 * which says nothing about there being none; null where an amount is unknown that it takes.
 */
export function warms(there: Vessel | undefined, comes: Vessel): HeatFound | null {
  const has = partiesOf(there, comes)
  const spent = new Map<Holding, number>()
  const left = (as: ClassInVessel, part: Party): number | null => {
    const all = equivalents(as, part)
    const gone = spent.get(part.holding) ?? 0
    return all === null ? null : Math.max(0, all - gone * equivalentsOf(as, part.holding.thing.substance))
  }
  const found: Warms[] = []
  const known = pairs(has)
  for (const { heat, one, other } of [...known.values()].sort((a, b) => b.heat.kJ[1] - a.heat.kJ[1])) {
    const [ofOne, ofOther] = [left(heat.one, one), left(heat.other, other)]
    if (ofOne === null || ofOther === null) return null
    const mmol = Math.min(ofOne, ofOther)
    if (!(mmol > 0) || !Number.isFinite(mmol)) continue
    for (const [as, part] of [[heat.one, one] as const, [heat.other, other] as const]) {
      const each = equivalentsOf(as, part.holding.thing.substance)
      if (Number.isFinite(each)) spent.set(part.holding, (spent.get(part.holding) ?? 0) + mmol / each)
    }
    found.push({ what: heat.what, from: [one.holding, other.holding], mmol, kJ: spanOf(heat.kJ), source: heatSource })
  }
  const diluted = dilutions(there, comes)
  return diluted && { parts: [...found, ...diluted].sort((a, b) => likelyJ(b) - likelyJ(a)), untold: untold(has, known) }
}

/** A substance that is diluted, as it stands in a vessel: how much, what of it is named, and the water and the alcohol that it stands in. */
interface Strong extends InWater {
  holding: Holding | undefined
  alcoholMmol: number
}

const sodium = 'ion Na^+'

const formulas: Readonly<Record<Diluted, string | null>> = {
  'sulfuric acid': 'H2SO4',
  'hydrochloric acid': 'HCl',
  'nitric acid': 'HNO3',
  'sodium hydroxide': null,
}

/** mmol of each that is diluted, by what a liquid holds of ions: protons belong to sulfate first, two to each, then to nitrate and chloride. */
function strongIn(vessel: Vessel | undefined, of: Diluted): Strong | null {
  const all = vessel?.phases ?? []
  const sum: Strong = { mmol: 0, waterMmol: 0, alcoholMmol: 0, holding: undefined }
  for (const { kind, holds } of all) {
    const amount = (match: (thing: Thing) => boolean): { mmol: number | null; holding: Holding | undefined } => {
      const found = holds.filter(({ thing, certain }) => certain && match(thing))
      return {
        mmol: found.reduce<number | null>((mmol, each) => (mmol === null || each.amount === null ? null : mmol + each.amount), 0),
        holding: found[0],
      }
    }
    const named = (id: string) => amount((thing) => thing.id === id)
    const [protons, sulfate, nitrate, chloride] = [named(proton.id), named('ion SO4^2-'), named('ion NO3^-'), named('ion Cl^-')]
    const water = amount(isWater)
    const alcohol = amount(({ substance }) => substance.groups?.includes('alcohol') ?? false)
    const lye =
      kind === 'solid'
        ? amount(({ substance }) => substance.formula === 'NaOH' || substance.formula === 'HNaO')
        : holds.some(({ thing }) => weakAcids.has(thing)) || named(sodium).mmol === 0
          ? { mmol: 0, holding: undefined }
          : named(hydroxide.id)
    // A strong acid with little water has not fallen apart yet.
    const whole = amount(({ substance, charge }) => charge === 0 && substance.formula === formulas[of])
    const which = { 'sulfuric acid': sulfate, 'nitric acid': nitrate, 'hydrochloric acid': chloride, 'sodium hydroxide': lye }[of]
    if ([protons, sulfate, nitrate, chloride, lye, water, alcohol, whole].some(({ mmol }) => mmol === null)) {
      if (which.holding !== undefined || whole.holding !== undefined) return null
      continue
    }
    sum.waterMmol += water.mmol!
    sum.alcoholMmol += alcohol.mmol!
    const [h, s, n, c] = [protons.mmol!, sulfate.mmol!, nitrate.mmol!, chloride.mmol!]
    const mine = {
      'sulfuric acid': Math.min(s, h / 2),
      'nitric acid': Math.min(n, Math.max(0, h - 2 * s)),
      'hydrochloric acid': Math.min(c, Math.max(0, h - 2 * s - n)),
      'sodium hydroxide': lye.mmol!,
    }[of]
    sum.mmol += mine + whole.mmol!
    if (mine > 0) sum.holding ??= which.holding
    if (whole.mmol! > 0) sum.holding ??= whole.holding
  }
  return sum
}

const weakAcids: ReadonlySet<Thing> = new Set(Object.values(weak))
const acids = ['sulfuric acid', 'hydrochloric acid', 'nitric acid'] as const
/** More of what an acid stands in than this as alcohol, and the table of water tells it only roughly. */
const mostAlcohol = 0.2
/** Less heat of dilution than this is none, J. */
const leastJ = 20

/** What strong acids and lye give off as they are diluted; null where an amount is unknown. Where two strong acids share the water it may be less than either would give. */
function dilutions(there: Vessel | undefined, comes: Vessel): Warms[] | null {
  const found: Warms[] = []
  for (const of of [...acids, 'sodium hydroxide'] as const) {
    const [one, other] = [strongIn(there, of), strongIn(comes, of)]
    if (one === null || other === null) return null
    const mmol = one.mmol + other.mmol
    if (mmol <= 0) continue
    const alcohols = one.alcoholMmol + other.alcoholMmol
    const waters = one.waterMmol + other.waterMmol
    const within = (each: Strong) => ({ mmol: each.mmol, waterMmol: each.waterMmol + each.alcoholMmol })
    const joules = heatOfMixing(of, within(one), within(other))
    if (joules < leastJ) continue
    const shared = of !== 'sodium hydroxide' && acids.some((each) => each !== of && holdsAny(each, there, comes))
    const rough = alcohols > mostAlcohol * (alcohols + waters) || shared
    const kJ = joules / mmol
    const [least, most] = rough ? [shared ? 0 : 1 - alcoholSpread, 1 + dilutionSpread] : [1 - dilutionSpread, 1 + dilutionSpread]
    const waterOrAlcohol = (vessel: Vessel | undefined) =>
      vessel?.phases
        .flatMap(({ holds }) => holds)
        .find(({ thing }) => isWater(thing) || (thing.substance.groups?.includes('alcohol') ?? false))
    const partner = one.mmol > 0 ? (waterOrAlcohol(comes) ?? other.holding) : (waterOrAlcohol(there) ?? waterOrAlcohol(comes))
    const holding = one.holding ?? other.holding
    if (!holding || !partner) continue
    found.push({
      what: `dilution of ${of}`,
      from: [holding, partner],
      mmol,
      kJ: { low: kJ * least, likely: kJ, high: kJ * most },
      source: dilutionSource,
    })
  }
  return found
}

const holdsAny = (of: Diluted, ...vessels: readonly (Vessel | undefined)[]) =>
  vessels.some((each) => (strongIn(each, of)?.mmol ?? 0) > 0)

/** Joules that come off in all: least, likely, most. */
export const joulesOf = (all: readonly Warms[]): Span => ({
  low: all.reduce((sum, { mmol, kJ }) => sum + mmol * kJ.low, 0),
  likely: all.reduce((sum, each) => sum + likelyJ(each), 0),
  high: all.reduce((sum, { mmol, kJ }) => sum + mmol * kJ.high, 0),
})
