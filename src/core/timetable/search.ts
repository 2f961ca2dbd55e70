import { lowerBound, type Bound } from './bound'
import { compiled, usualMinutes, type Compiled } from './compiled'
import { Player, slotsOf } from './play'
import type { Slot, Work } from './work'

export interface Found {
  minutes: number
  bound: Bound
  slots: Slot[]
}

/** How many visits to stations the search may play in all: some tenths of a second on one core. */
const effort = 200_000
const mostTries = 1_500

/**
 * A timetable that ends early: who goes first where several wait at a station is searched, the rest follows. It begins with the rules that a room can follow (who came first,
 * who has most left to do, who has least, the lower bench) and goes on from the best of them by small changes to how much each visit and each group counts.
 * It stops where the lower bound is met, which nothing can beat. `random` gives numbers from 0 up to 1.
 */
export function bestTimetable(work: Work, random: () => number): Found {
  const flat = compiled(work)
  const bound = lowerBound(work)
  const player = new Player(flat)
  const [hands, wait] = [usualMinutes(flat.hands), usualMinutes(flat.wait)]
  const lastOf = (rank: Float64Array) => player.play(hands, wait, rank).lastMin
  const met = (minutes: number) => minutes <= bound.minutes + 1e-6

  let best: Float64Array = new Float64Array(flat.station.length)
  let minutes = lastOf(best)
  for (const rule of rules) {
    if (met(minutes)) break
    const rank = rule(flat)
    const last = lastOf(rank)
    if (last < minutes) [best, minutes] = [rank, last]
  }
  const visits = flat.station.filter((station) => station >= 0).length
  const tries = Math.min(mostTries, Math.floor(effort / Math.max(1, visits)))
  let kept = best
  let keptMinutes = minutes
  for (let each = 0; each < tries && !met(minutes); each++) {
    // Now and then from the best again, so that it does not wander off.
    if (each % 250 === 0) [kept, keptMinutes] = [best, minutes]
    const changed = changedRank(flat, kept, random)
    const last = lastOf(changed)
    if (last <= keptMinutes) [kept, keptMinutes] = [changed, last]
    if (last < minutes) [best, minutes] = [changed, last]
  }
  return { minutes, bound, slots: slotsOf(flat, player.play(hands, wait, best)) }
}

type Rule = (work: Compiled) => Float64Array

/** A rank of every task, by how many come before it in its group and how many are left. */
const ranked =
  (rank: (group: number, left: number) => number): Rule =>
  ({ from, groups, station }) => {
    const all = new Float64Array(station.length)
    for (let group = 0; group < groups; group++)
      for (let task = from[group]!; task < from[group + 1]!; task++) all[task] = rank(group, from[group + 1]! - task)
    return all
  }

const rules: readonly Rule[] = [
  ranked((_group, left) => left),
  ranked((_group, left) => -left),
  ranked((group) => -group),
  ranked((group, left) => left - group),
  ranked((group, left) => -left - group),
]

/** The same ranks with one visit of all groups, or one group in all its visits, or a single visit, lifted or lowered. */
function changedRank(flat: Compiled, rank: Float64Array, random: () => number): Float64Array {
  const changed = rank.slice()
  const group = Math.floor(random() * flat.groups)
  const first = flat.from[group]!
  const task = Math.floor(random() * (flat.from[group + 1]! - first))
  const by = (random() - 0.5) * 2 * flat.groups
  const kind = random()
  if (kind < 0.4) {
    for (let each = 0; each < flat.groups; each++) {
      const at = flat.from[each]! + task
      if (at < flat.from[each + 1]!) changed[at]! += by
    }
  } else if (kind < 0.7) {
    for (let at = first; at < flat.from[group + 1]!; at++) changed[at]! += by
  } else changed[first + task]! += by
  return changed
}
