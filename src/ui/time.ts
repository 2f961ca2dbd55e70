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

/** The moment at which the laboratory's wall clock shows that day and time. In the hour that a clock change skips, the hour after. */
export function momentIn(zone: string, date: string, clock: string): Date {
  const asUtc = Date.parse(`${date}T${clock}:00Z`)
  const shown = (at: number) => {
    const parts = new Intl.DateTimeFormat('en-CA', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    }).formatToParts(at)
    const part = (type: string) => parts.find((candidate) => candidate.type === type)!.value
    return Date.parse(`${part('year')}-${part('month')}-${part('day')}T${part('hour')}:${part('minute')}:00Z`)
  }
  // The zone's offset is looked up twice, because the first guess may lie on the other side of a clock change.
  const guess = asUtc - (shown(asUtc) - asUtc)
  return new Date(guess - (shown(guess) - asUtc))
}

/** `Tuesday 17 November`. */
export function longDay(iso: string, zone: string): string {
  return formatIn(zone, { weekday: 'long', day: 'numeric', month: 'long' }).format(new Date(iso)).replace(',', '')
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
