import type { Step } from '../plan/plan'
import { z95 } from './simulate'
import type { Logged } from './stepMinutes'
import { stationOf } from './tasksOf'

/** What one group did on one day, as its log has it: when each step ended, ms, and which it was in when the log stopped. */
export interface GroupTimes {
  beganAt: number
  ended: Readonly<Record<string, number>>
  /** The last moment that is known of it. */
  lastAt: number
}

/** A class with what there was of each station in its room. */
export interface ClassTimes {
  groups: readonly GroupTimes[]
  counts: Readonly<Record<string, number>>
}

/** How long one group took for one step, minutes; `more` where it stopped in it. */
interface Took {
  step: string
  group: number
  minutes: number
  more: boolean
}

export interface LoggedClasses {
  steps: Record<string, Logged>
  /** How far a group that is slow in one step is slow in all: the share of the variance of the logarithms that lies between groups, 0 to 1. */
  together: number
  groups: number
}

/** What took longer began on another day, or the tablet lay aside. */
const longestMin = 6 * 60
/** Times are written in minutes: what is shorter than half of one took half of one. */
const shortestMin = 0.5
/** What is taken of the variance between groups where it cannot be had from the log; judgement. */
export const usualTogether = 0.4

/**
 * How long steps took in earlier classes. From the end of the step before, or from when the station was free where it was taken until then: those who stood in the queue are not slow.
 * A group that stopped in a step counts as *at least* (a right-censored log-normal fit).
 */
export function loggedTimes(steps: readonly Step[], classes: readonly ClassTimes[]): LoggedClasses {
  const took: Took[] = []
  let groups = 0
  for (const each of classes) {
    took.push(...tookIn(steps, each).map((one) => ({ ...one, group: one.group + groups })))
    groups += each.groups.length
  }
  const fits = new Map<string, { mean: number; deviation: number }>()
  const found: Record<string, Logged> = {}
  for (const { id } of steps) {
    const of = took.filter(({ step }) => step === id)
    const ended = of.filter(({ more }) => !more).length
    if (ended < 2) continue
    const fit = censoredFit(of.map(({ minutes, more }) => ({ log: Math.log(minutes), more })))
    fits.set(id, fit)
    const at = (z: number) => Math.exp(fit.mean + z * fit.deviation)
    found[id] = { least: at(-z95), median: at(0), most: at(z95), ended, stopped: of.length - ended }
  }
  return { steps: found, together: togetherOf(took, fits), groups }
}

function tookIn(steps: readonly Step[], { groups, counts }: ClassTimes): Took[] {
  const visits = groups.flatMap(({ beganAt, ended, lastAt }, group) => {
    let before = beganAt
    const own: { step: Step; group: number; from: number; to: number; more: boolean }[] = []
    for (const step of steps) {
      const end = ended[step.id]
      if (end === undefined) {
        own.push({ step, group, from: before, to: lastAt, more: true })
        break
      }
      own.push({ step, group, from: before, to: end, more: false })
      before = Math.max(before, end)
    }
    return own
  })
  // When each visit to a station ended, in order: with c of it, who comes begins when the c-th last before has gone.
  const gone = new Map<string, number[]>()
  for (const { step, to, more } of visits.toSorted((a, b) => a.to - b.to)) {
    const station = stationOf(step)
    if (station !== undefined && !more) gone.set(station, [...(gone.get(station) ?? []), to])
  }
  return visits.flatMap(({ step, group, from, to, more }) => {
    const station = stationOf(step)
    const count = station === undefined ? undefined : counts[station]
    const before = station === undefined ? [] : (gone.get(station) ?? []).filter((each) => each < to)
    const freed = count === undefined ? undefined : before.at(-count)
    const minutes = (to - Math.max(from, freed ?? from)) / 60_000
    return minutes < 0 || minutes > longestMin || (more && minutes < shortestMin)
      ? []
      : [{ step: step.id, group, minutes: Math.max(shortestMin, minutes), more }]
  })
}

/**
 * Mean and standard deviation of a normal distribution of which some values are only known to be exceeded, by expectation and maximisation (A. P. Dempster, N. M. Laird, D. B. Rubin, J. R. Stat. Soc. B 39 (1977) 1).
 */
export function censoredFit(values: readonly { log: number; more: boolean }[]): { mean: number; deviation: number } {
  const many = values.length
  let mean = values.reduce((sum, { log }) => sum + log, 0) / many
  let variance = Math.max(leastVariance, values.reduce((sum, { log }) => sum + (log - mean) ** 2, 0) / Math.max(1, many - 1))
  for (let round = 0; round < 200; round++) {
    const deviation = Math.sqrt(variance)
    let [sum, squares] = [0, 0]
    for (const { log, more } of values) {
      if (!more) {
        sum += log
        squares += log * log
        continue
      }
      const hazard = inverseMills((log - mean) / deviation)
      sum += mean + deviation * hazard
      squares += mean * mean + variance + deviation * (log + mean) * hazard
    }
    const next = sum / many
    const nextVariance = Math.max(leastVariance, squares / many - next * next)
    const still = Math.abs(next - mean) < 1e-9 && Math.abs(nextVariance - variance) < 1e-9
    mean = next
    variance = nextVariance
    if (still) break
  }
  return { mean, deviation: Math.sqrt(variance) }
}

/** No step takes every group the same: at the least a twentieth more or less. */
const leastVariance = 0.05 ** 2

/** φ(x)/(1 − Φ(x)), by the continued fraction of Laplace where x is large and Abramowitz and Stegun 26.2.17 where not. */
function inverseMills(x: number): number {
  if (x > 5) return x + 1 / (x + 2 / (x + 3 / (x + 4 / x)))
  const density = Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)
  const t = 1 / (1 + 0.2316419 * Math.abs(x))
  const tail = density * t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return density / (x >= 0 ? tail : 1 - tail)
}

/** The intraclass correlation of the standardised logarithms, one-way (R. A. Fisher), held within 0 and 0.9. */
function togetherOf(took: readonly Took[], fits: ReadonlyMap<string, { mean: number; deviation: number }>): number {
  const byGroup = new Map<number, number[]>()
  for (const { step, group, minutes, more } of took) {
    const fit = fits.get(step)
    if (!fit || more) continue
    byGroup.set(group, [...(byGroup.get(group) ?? []), (Math.log(minutes) - fit.mean) / fit.deviation])
  }
  const rows = [...byGroup.values()].filter((row) => row.length > 1)
  const all = rows.flat()
  if (rows.length < 3) return usualTogether
  const mean = all.reduce((sum, each) => sum + each, 0) / all.length
  const means = rows.map((row) => row.reduce((sum, each) => sum + each, 0) / row.length)
  const between = rows.reduce((sum, row, at) => sum + row.length * (means[at]! - mean) ** 2, 0) / (rows.length - 1)
  const within =
    rows.reduce((sum, row, at) => sum + row.reduce((part, each) => part + (each - means[at]!) ** 2, 0), 0) /
    (all.length - rows.length)
  const each = all.length / rows.length
  const correlation = (between - within) / (between + (each - 1) * within)
  return Number.isFinite(correlation) ? Math.min(0.9, Math.max(0, correlation)) : usualTogether
}
