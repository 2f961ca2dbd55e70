import { lastTwoAgree } from '../operations/dry/constantMass'
import { deviceOf, uncertaintyOf } from '../quantity/device'
import { written, type Figure } from '../quantity/figure'
import type { Step } from '../plan/plan'
import type { Slot } from '../measurements/reading'
import type { Entry } from './entry'

/** A net mass or volume from the readings of one step, in g or mL. */
export interface Net {
  dimension: 'mass' | 'volume'
  figure: Figure
  /** For a solid that is dried: each net mass in turn, and whether the last two agree. */
  series?: { massG: number; at: string }[]
  agreed?: boolean
  /** What is doubtful about how it was taken. */
  doubt?: string
}

/** The sum of the portions of hot solvent, once the solid has dissolved; each reading has its own uncertainty. */
function portions(standing: readonly Entry[], device: string): Net | null {
  const each = readingsIn(standing, 'portion')
  if (each.length === 0 || !standing.some((entry) => entry.kind === 'press' && entry.body.mark === 'dissolved')) return null
  const value = Number(each.reduce((sum, { body }) => sum + body.value, 0).toFixed(6))
  const record = deviceOf(device)
  const decimals = Math.min(...each.map(({ body }) => body.decimals))
  return {
    dimension: 'volume',
    figure: written(value, decimals, record && value > 0 ? uncertaintyOf(record, each.length) / value : 0),
  }
}

/** Every standing reading of a slot, in their order. */
export function readingsIn(standing: readonly Entry[], slot: Slot): Entry<'reading'>[] {
  return standing.filter((entry) => entry.kind === 'reading' && entry.body.slot === slot) as Entry<'reading'>[]
}

/** What ran out of the burette each time, mL, in their order: a reading before and the one after it. */
export function titresOf(standing: readonly Entry[]): number[] {
  const after = readingsIn(standing, 'burette after')
  return readingsIn(standing, 'burette before').flatMap(({ body }, index) => {
    const end = after[index]
    return end ? [Number((end.body.value - body.value).toFixed(6))] : []
  })
}

/** The standing reading of a slot; the last written where two tablets wrote one each. */
export function readingIn(standing: readonly Entry[], slot: Slot): Entry<'reading'> | undefined {
  return readingsIn(standing, slot).at(-1)
}

/**
 * The net result of a step's standing readings, or null while one is missing. A mass is always the difference of two readings: container with contents
 * minus container, or the tared reading. A volume is one reading, or the sum of the portions of a crystallisation. While drying, the result is the last weighing,
 * and `agreed` says whether it differs from the one before by no more than the step's agreement or twice the readability.
 */
export function netOf(step: Step, standing: readonly Entry[]): Net | null {
  if (step.kind === 'charge' && step.measure === 'volume') return single(readingIn(standing, 'volume'), step.device)
  if (step.kind === 'crystallise') return single(readingIn(standing, 'volume'), step.device) ?? portions(standing, step.device)
  if (step.kind === 'charge' || step.kind === 'weigh') {
    const tared = [readingIn(standing, 'tared'), readingIn(standing, 'net')]
    if (tared[0] && tared[1]) return difference(tared[1], tared[0], step.device)
    const pair = [readingIn(standing, 'full'), readingIn(standing, 'empty')]
    return pair[0] && pair[1] ? difference(pair[0], pair[1], step.device) : null
  }
  if (step.kind === 'dry') {
    const empty = readingIn(standing, 'empty')
    const weighings = readingsIn(standing, 'full')
    const last = weighings.at(-1)
    if (!empty || !last) return null
    const series = weighings.map((entry) => ({ massG: entry.body.value - empty.body.value, at: entry.at }))
    return {
      ...difference(last, empty, step.device),
      series,
      agreed: lastTwoAgree(
        series.map(({ massG }) => massG),
        step.agreement,
        readability(step.device),
      ),
    }
  }
  return null
}

/** Readability of a device in its unit; that of a balance where the device is not known. */
export function readability(id: string): number {
  return deviceOf(id)?.readability ?? 0.01
}

function single(reading: Entry<'reading'> | undefined, device: string): Net | null {
  if (!reading) return null
  const { value, decimals } = reading.body
  const record = deviceOf(device)
  return { dimension: 'volume', figure: written(value, decimals, record && value > 0 ? uncertaintyOf(record) / value : 0) }
}

function difference(full: Entry<'reading'>, empty: Entry<'reading'>, device: string): Net {
  const value = full.body.value - empty.body.value
  const decimals = Math.min(full.body.decimals, empty.body.decimals)
  const record = deviceOf(device)
  const figure = written(Number(value.toFixed(6)), decimals, record && value > 0 ? uncertaintyOf(record, 2) / value : 0)
  const [a, b] = [full.body.weighing?.closure, empty.body.weighing?.closure]
  return {
    dimension: 'mass',
    figure,
    ...(a && b && a !== b ? { doubt: `The container stood on the balance ${a}, then ${b}: its cap is in the difference.` } : {}),
  }
}
