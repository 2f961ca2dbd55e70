import type { Thing } from './thing'

/** Where a part of a holding comes from: a line of the plan, a reaction in a step, or a reading of the run. */
export type Origin = `line ${string}` | `reaction ${string}` | `reading ${string}`

/** An amount of one thing in one phase. */
export interface Holding {
  thing: Thing
  /** mmol; grams of what has no formula. Null where nobody can say: it is there all the same. */
  amount: number | null
  from: readonly Origin[]
  /** False for what may still be there after something that nobody has said: it counts where two must not meet, and nowhere else. */
  certain: boolean
}

/** `watery`: water with what is in it, as ions and as what takes up or gives off protons. `organic`: any other liquid. */
export type PhaseKind = 'watery' | 'organic' | 'solid'

export interface Phase {
  kind: PhaseKind
  holds: readonly Holding[]
}

/** What a vessel is in the words of a plan's waste: a filtrate, a layer, a residue. */
export type Kept =
  'filtrate' | 'mother liquor' | 'aqueous layer' | 'organic layer' | 'distillate' | 'residue' | 'solid' | 'washings' | 'rest'

export interface Vessel {
  name: string
  /** As the plan names it; undefined where it does not. */
  kind?: 'round-bottom' | 'separating funnel' | 'conical' | 'vial'
  sizeML?: number
  /** What it was parted from the rest as. */
  kept?: Kept
  phases: readonly Phase[]
  atC: number
}

/** What a group has before or after a step. */
export interface Bench {
  vessels: readonly Vessel[]
  /** The vessel that the work goes on in. */
  at: string
  /** The flask of a distillation that may go on into another receiver. */
  still?: string
  /** Receivers that nobody has weighed yet, the first first. */
  receivers: readonly string[]
  /** The vessel that holds each sample. */
  samples: Readonly<Record<string, string>>
  /** What left as gas or vapour. */
  air: readonly Holding[]
  /** What stands in the waste containers, by their stream. */
  waste: Readonly<Record<string, readonly Holding[]>>
  /** What was expected less what was measured, with its sign. */
  unaccounted: readonly Holding[]
  /** Everything that ever came in: what there is now adds up to it. */
  brought: readonly Holding[]
}

export const emptyBench: Bench = {
  vessels: [{ name: 'vessel', phases: [], atC: 20 }],
  at: 'vessel',
  receivers: [],
  samples: {},
  air: [],
  waste: {},
  unaccounted: [],
  brought: [],
}

export const vesselNamed = (bench: Bench, name: string): Vessel | undefined => bench.vessels.find((each) => each.name === name)

/** The vessel that the work goes on in. @throws when the bench names one that it does not hold. */
export function vesselAt(bench: Bench): Vessel {
  const found = vesselNamed(bench, bench.at)
  if (!found) throw new Error(`The work goes on in “${bench.at}”, which stands nowhere.`)
  return found
}

/** The bench with a vessel put in the place of the one of that name, or beside the others. */
export function withVessel(bench: Bench, vessel: Vessel): Bench {
  const at = bench.vessels.findIndex(({ name }) => name === vessel.name)
  return { ...bench, vessels: at < 0 ? [...bench.vessels, vessel] : bench.vessels.with(at, vessel) }
}

export const withoutVessel = (bench: Bench, name: string): Bench => ({
  ...bench,
  vessels: bench.vessels.filter((each) => each.name !== name),
})

/** Everything in a vessel, whatever its phase. */
export const holdingsIn = (vessel: Vessel): Holding[] => vessel.phases.flatMap(({ holds }) => holds)

export const isEmpty = (vessel: Vessel): boolean => vessel.phases.every(({ holds }) => holds.length === 0)

export const gramsOf = ({ thing, amount }: Holding): number | null => (amount === null ? null : amount * thing.gPer)

/** Less than this of anything is nothing, mmol or g: rounding of floats, far below any balance. */
const nothing = 1e-12

/** Holdings with others put to them, each thing once; what is certain and what only may be there stand apart. */
export function together(...groups: readonly (readonly Holding[])[]): Holding[] {
  const all: Holding[] = []
  // A vessel holds few things: a search through them is faster than any index.
  for (const group of groups)
    for (const next of group) {
      let at = 0
      while (at < all.length && !(all[at]!.thing.id === next.thing.id && all[at]!.certain === next.certain)) at++
      const same = all[at]
      if (same === undefined) all.push(next)
      else
        all[at] = {
          thing: same.thing,
          amount: same.amount === null || next.amount === null ? null : same.amount + next.amount,
          from: originsOf(same.from, next.from),
          certain: same.certain,
        }
    }
  return all.some(isNothing) ? all.filter((each) => !isNothing(each)) : all
}

const isNothing = ({ amount }: Holding) => amount !== null && Math.abs(amount) <= nothing

const originsOf = (one: readonly Origin[], other: readonly Origin[]): readonly Origin[] =>
  other === one || other.every((each) => one.includes(each)) ? one : [...new Set([...one, ...other])]

/** A part of holdings, 0 to 1; of an unknown amount the part is unknown too, but nothing of it is nothing. */
export const partOf = (holds: readonly Holding[], part: number): Holding[] =>
  part <= 0 ? [] : holds.map((each) => ({ ...each, amount: each.amount === null ? null : each.amount * part }))

/** Holdings in two parts: what a function says goes, 0 to 1 of each, and what stays. */
export function divided(holds: readonly Holding[], goes: (holding: Holding) => number): { gone: Holding[]; stays: Holding[] } {
  const gone: Holding[] = []
  const stays: Holding[] = []
  for (const each of holds) {
    const part = Math.min(1, Math.max(0, goes(each)))
    if (part > 0) gone.push(part === 1 ? each : { ...each, amount: each.amount === null ? null : each.amount * part })
    if (part < 1) stays.push(part === 0 ? each : { ...each, amount: each.amount === null ? null : each.amount * (1 - part) })
  }
  return { gone, stays }
}

const sameHolds = (one: readonly Holding[], other: readonly Holding[]): boolean =>
  one === other ||
  (one.length === other.length &&
    one.every((each, at) => {
      const like = other[at]!
      return (
        each === like ||
        (each.thing === like.thing &&
          each.amount === like.amount &&
          each.certain === like.certain &&
          (each.from === like.from ||
            (each.from.length === like.from.length && each.from.every((from, i) => from === like.from[i]))))
      )
    }))

const sameVessel = (one: Vessel, other: Vessel): boolean =>
  one === other ||
  (one.name === other.name &&
    one.kind === other.kind &&
    one.sizeML === other.sizeML &&
    one.kept === other.kept &&
    one.atC === other.atC &&
    one.phases.length === other.phases.length &&
    one.phases.every(({ kind, holds }, at) => kind === other.phases[at]!.kind && sameHolds(holds, other.phases[at]!.holds)))

const sameRecord = <T>(one: Readonly<Record<string, T>>, other: Readonly<Record<string, T>>, same: (a: T, b: T) => boolean) => {
  const names = Object.keys(one)
  return names.length === Object.keys(other).length && names.every((name) => name in other && same(one[name]!, other[name]!))
}

/** Whether two benches are the same to the last digit: what was worked out for one then holds for the other. */
export const sameBench = (one: Bench, other: Bench): boolean =>
  one === other ||
  (one.at === other.at &&
    one.still === other.still &&
    one.vessels.length === other.vessels.length &&
    one.vessels.every((vessel, at) => sameVessel(vessel, other.vessels[at]!)) &&
    one.receivers.length === other.receivers.length &&
    one.receivers.every((name, at) => name === other.receivers[at]) &&
    sameRecord(one.samples, other.samples, Object.is) &&
    sameRecord(one.waste, other.waste, sameHolds) &&
    sameHolds(one.air, other.air) &&
    sameHolds(one.unaccounted, other.unaccounted) &&
    sameHolds(one.brought, other.brought))

/** Grams of holdings; null where the amount of one of them is unknown. */
export function massOf(holds: readonly Holding[]): number | null {
  let sum = 0
  for (const { thing, amount } of holds) {
    if (amount === null) return null
    sum += amount * thing.gPer
  }
  return sum
}
