import { readFigure, type Reading } from '@/core/quantity/readQuantity'

/** A number from the pad as a reading of a device: not negative, in the unit of the place, with the digits as typed. Another unit of the same kind is converted. */
export function readingOf(text: string, unit: string, decimals: number): Reading<{ value: number; decimals: number }> {
  const example = `${(27.4831).toFixed(decimals)} ${unit}`.trim()
  if (text.trim() === '') return { ok: false, problem: `Nothing is entered. Type what the device shows, for example ${example}.` }
  const read = readFigure(text, unit)
  if (!read.ok) return { ok: false, problem: `${read.problem} Type digits and a point, for example ${example}.` }
  if (read.value.value < 0 && unit !== '°C')
    return { ok: false, problem: 'A reading below zero: was the balance tared with something on it? Tare again.' }
  return { ok: true, value: { value: read.value.value, decimals: Math.min(6, read.value.decimals) } }
}
