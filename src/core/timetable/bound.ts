import type { Task, Work } from './work'

/** No timetable ends before `minutes`, and what says so: one group's own work, or all that must pass a station. */
export interface Bound {
  minutes: number
  by: { group: number } | { station: number }
}

/** What a visit to a station has before it and after it within its group, minutes. */
interface Visit {
  head: number
  takes: number
  tail: number
}

const takes = ({ hands, wait }: Task) => hands.usual + wait.usual

/**
 * The earliest that a class can end with its usual minutes, whoever goes first (docs/chemistry.md has the proof):
 *
 * - a group needs its own tasks one after the other;
 * - of the visits to a station of which there are c, take any that have at least a minutes before them and b after. None begins before a, and b follow the last. The c of them need
 *   Σp/c at the least, and one of them serves ⌈n/c⌉ visits or more; c of the visits are the first at theirs and c the last, so that also
 *   (Σ of the c smallest heads + Σp + Σ of the c smallest tails)/c is needed.
 */
export function lowerBound({ stations, groups }: Work): Bound {
  let best: Bound = { minutes: 0, by: { group: 0 } }
  const visits: Visit[][] = stations.map(() => [])
  groups.forEach(({ tasks, startMin }, group) => {
    const { heads, tails, all } = headsAndTails(tasks)
    if (startMin + all > best.minutes) best = { minutes: startMin + all, by: { group } }
    tasks.forEach((task, index) => {
      if (task.station !== null)
        visits[task.station]!.push({ head: startMin + heads[index]!, takes: takes(task), tail: tails[index]! })
    })
  })
  stations.forEach(({ count }, station) => {
    const minutes = stationBound(visits[station]!, count)
    if (minutes > best.minutes) best = { minutes, by: { station } }
  })
  return best
}

/** Along one group alone: the least minutes before each task, after it, and in all. */
function headsAndTails(tasks: readonly Task[]): { heads: number[]; tails: number[]; all: number } {
  const heads: number[] = []
  let [free, all] = [0, 0]
  for (const task of tasks) {
    const begin = task.beside ? free : Math.max(free, all)
    heads.push(begin)
    free = begin + task.hands.usual
    all = Math.max(all, free + task.wait.usual)
  }
  const tails = tasks.map(() => 0)
  let [fromNext, fromNextMain] = [0, 0]
  for (let index = tasks.length - 1; index >= 0; index--) {
    const task = tasks[index]!
    tails[index] = fromNextMain
    const throughBeside = tasks[index + 1]?.beside ? task.hands.usual + fromNext : 0
    fromNext = Math.max(takes(task) + fromNextMain, throughBeside)
    if (!task.beside) fromNextMain = fromNext
  }
  return { heads, tails, all }
}

function stationBound(visits: readonly Visit[], count: number): number {
  let best = 0
  const firsts = [...new Set(visits.map(({ head }) => head))]
  const lasts = [...new Set(visits.map(({ tail }) => tail))]
  for (const first of firsts)
    for (const last of lasts) {
      const chosen = visits.filter(({ head, tail }) => head >= first && tail >= last)
      if (chosen.length === 0) continue
      const each = chosen.map((visit) => visit.takes).sort((a, b) => a - b)
      const sum = total(each)
      const served = first + total(each.slice(0, Math.ceil(chosen.length / count))) + last
      const shared =
        chosen.length < count
          ? first + each.at(-1)! + last
          : (smallest(
              chosen.map(({ head }) => head),
              count,
            ) +
              sum +
              smallest(
                chosen.map(({ tail }) => tail),
                count,
              )) /
            count
      best = Math.max(best, served, shared)
    }
  return best
}

const total = (numbers: readonly number[]) => numbers.reduce((sum, each) => sum + each, 0)
const smallest = (numbers: readonly number[], many: number) => total(numbers.toSorted((a, b) => a - b).slice(0, many))
