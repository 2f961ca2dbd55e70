import { decimalsOf, written, type Figure } from '../quantity/figure'
import { deviceOf, uncertaintyOf } from '../quantity/device'
import type { NumberDue } from './due'
import { ofKind, type Net, type Standing } from './measurement'

/** What a reading says: one number from one device. */
export interface NumberBody {
  slot: string
  value: number
  unit: 'g' | 'mL' | '°C' | 'mmHg' | ''
  decimals: number
  weighing?: { method: 'tare' | 'difference'; closure?: 'with cap' | 'without cap' }
  asked?: string
}

export type NumberEntry = Standing & { body: NumberBody }

/** Every standing reading of a slot, in their order. */
export const readingsIn = (standing: readonly Standing[], slot: string): NumberEntry[] =>
  ofKind<NumberBody>(standing, 'reading').filter(({ body }) => body.slot === slot)

/** The standing reading of a slot; the last written where two tablets wrote one each. */
export const readingIn = (standing: readonly Standing[], slot: string): NumberEntry | undefined =>
  readingsIn(standing, slot).at(-1)

/** Readability of a device in its unit; that of a balance where the device is not known. */
export const readability = (device: string): number => deviceOf(device)?.readability ?? 0.01

/** A reading that is due, with as many digits as its device shows. */
export const numberDue = (
  slot: string,
  said: { label: string; hint: string },
  unit: NumberDue['unit'],
  device: string,
): NumberDue => ({ kind: 'reading', slot, ...said, unit, decimals: decimalsOf(readability(device)) })

/** A figure from readings of one device, each with its uncertainty. */
export function read(value: number, decimals: number, device: string, readings = 1): Figure {
  const record = deviceOf(device)
  return written(Number(value.toFixed(6)), decimals, record && value > 0 ? uncertaintyOf(record, readings) / value : 0)
}

/** A volume from one reading. */
export const volumeOf = (reading: NumberEntry | undefined, device: string): Net | null =>
  reading ? { dimension: 'volume', figure: read(reading.body.value, reading.body.decimals, device) } : null
