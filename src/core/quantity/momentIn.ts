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
    return Date.parse(`${part('year').padStart(4, '0')}-${part('month')}-${part('day')}T${part('hour')}:${part('minute')}:00Z`)
  }
  // The zone's offset is looked up twice, because the first guess may lie on the other side of a clock change.
  const guess = asUtc - (shown(asUtc) - asUtc)
  return new Date(guess - (shown(guess) - asUtc))
}
