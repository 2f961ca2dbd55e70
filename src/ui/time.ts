/** Wall-clock time in the laboratory's zone, `14:20`. */
export function clockTime(iso: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }).format(new Date(iso))
}

/** `Tuesday 17 November`. */
export function longDay(iso: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'long', day: 'numeric', month: 'long' })
    .format(new Date(iso))
    .replace(',', '')
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
