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
  const places = new Map<string, number>()
  for (const group of groups)
    for (const next of group) {
      const key = next.certain ? next.thing.id : `${next.thing.id} perhaps`
      const at = places.get(key)
      if (at === undefined) {
        places.set(key, all.length)
        all.push(next)
      } else {
        const same = all[at]!
        all[at] = {
          ...same,
          amount: same.amount === null || next.amount === null ? null : same.amount + next.amount,
          from: same.from === next.from ? same.from : [...new Set([...same.from, ...next.from])],
        }
      }
    }
  return all.filter(({ amount }) => amount === null || Math.abs(amount) > nothing)
}

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

/** Grams of holdings; null where the amount of one of them is unknown. */
export function massOf(holds: readonly Holding[]): number | null {
  let sum = 0
  for (const { thing, amount } of holds) {
    if (amount === null) return null
    sum += amount * thing.gPer
  }
  return sum
}
