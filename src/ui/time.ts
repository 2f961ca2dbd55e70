export { momentIn } from '@/core/quantity/momentIn'

const formats = new Map<string, Intl.DateTimeFormat>()

/** A format made once for each zone: making one costs more than a row of a table. */
function formatIn(zone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${zone} ${Object.keys(options).join()}`
  const known = formats.get(key) ?? new Intl.DateTimeFormat('en-GB', { timeZone: zone, ...options })
  formats.set(key, known)
  return known
}

/** Wall-clock time in the laboratory's zone, `14:20`. */
export function clockTime(iso: string, zone: string): string {
  return formatIn(zone, { hour: '2-digit', minute: '2-digit' }).format(new Date(iso))
}

/** True for a day of the calendar in a year that a laboratory can mean: a date that is half typed (0002-12-01) is none yet. */
export function isDay(date: string): boolean {
  const parts = /^(\d{4})-(\d{2})-(\d{2})$/.exec(date)
  if (!parts) return false
  const at = new Date(`${date}T12:00:00Z`)
  const year = Number(parts[1])
  return year >= 2000 && year < 2100 && !Number.isNaN(at.getTime()) && at.toISOString().startsWith(date)
}

/** True for an hour of a clock, `13:30`. */
export const isClock = (text: string): boolean => /^([01]\d|2[0-3]):[0-5]\d$/.test(text)

const yearIn = (at: Date, zone: string) => formatIn(zone, { year: 'numeric' }).format(at)

/** `Tuesday 17 November`; with its year where that is not the year of today, `Wednesday 17 November 2027`. */
export function longDay(iso: string, zone: string, today = new Date()): string {
  const at = new Date(iso)
  const day = formatIn(zone, { weekday: 'long', day: 'numeric', month: 'long' }).format(at).replace(',', '')
  const year = yearIn(at, zone)
  return year === yearIn(today, zone) ? day : `${day} ${year}`
}

/** `17 November 2027`, for a day that may lie in another year. */
export function fullDay(iso: string, zone: string): string {
  return formatIn(zone, { day: 'numeric', month: 'long', year: 'numeric' }).format(new Date(iso))
}

/** `12 min ago`, `2 h 5 min ago`, `3 days ago`. */
export function ago(iso: string, now: number): string {
  const minutes = Math.floor((now - Date.parse(iso)) / 60_000)
  if (minutes < 1) return 'just now'
  if (minutes < 60) return `${minutes} min ago`
  if (minutes < 24 * 60) return `${Math.floor(minutes / 60)} h ${minutes % 60} min ago`
  const days = Math.floor(minutes / (24 * 60))
  return days === 1 ? 'yesterday' : `${days} days ago`
}

/** A span on a running clock: `06:12`, or `+02:10` when it is over. */
export function span(ms: number): string {
  const seconds = Math.floor(Math.abs(ms) / 1000)
  const two = (value: number) => String(value).padStart(2, '0')
  const hours = Math.floor(seconds / 3600)
  const rest = `${two(Math.floor((seconds % 3600) / 60))}:${two(seconds % 60)}`
  return `${ms < 0 ? '+' : ''}${hours > 0 ? `${hours}:` : ''}${rest}`
}
