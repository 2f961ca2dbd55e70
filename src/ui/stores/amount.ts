import { writeNumber } from '@/core/quantity/write'

/** An amount of the stores as it is read aloud: `48 mL`, `1.6 L`, `0.86 g`, `1.2 kg`. */
export function amountText(value: number, unit: 'g' | 'mL' | 'pieces'): string {
  if (unit === 'pieces') return String(value)
  const large = value >= 1000
  const shown = large ? value / 1000 : value
  const digits = shown >= 100 ? 0 : shown >= 10 ? 1 : shown >= 1 ? 2 : 3
  return `${Number(writeNumber(shown, digits).replace(/[^\d.-]/g, ''))} ${large ? (unit === 'g' ? 'kg' : 'L') : unit}`
}
