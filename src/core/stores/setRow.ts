import type { Batch } from './batch'
import type { Share } from './settingOut'

/** A bottle as it is named where something is taken from it: place, lot and what is left. */
export interface NamedBottle {
  id: string
  words: string
}

/** How a solution is made up, or why that cannot be said. */
export type SolutionRow = (Batch & { mixing: string }) | { why: string }

/** One thing to weigh, measure or make up, as the stores read it. */
export interface SetRow {
  item: string
  name: string
  strength: string
  unit: 'g' | 'mL'
  sum: number
  issue: number
  shares: Share[]
  madeIn: string | null
  /** Each with what is taken in the unit of the need, and how many of its own units the bottle gives for one of them. */
  from: (NamedBottle & { take: number; perUnit: number })[]
  not: (NamedBottle & { why: string[] })[]
  short: number
  unknown: boolean
  /** From the tap or the still: no bottle is looked for. */
  tap: boolean
  /** What is fetched in its place, where it is made up here; bottles and what is missing are then of that. */
  fetched: { name: string; unit: 'g' | 'mL' } | null
  solution: SolutionRow | null
}
