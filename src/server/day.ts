/** The date that the laboratory's wall calendar shows, `2026-11-23`. */
export function dayIn(zone: string, at: Date): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(at)
}

/** Whether a session goes on at a moment. */
export function isOn({ startsAt, endsAt }: { startsAt: Date; endsAt: Date }, now: Date): boolean {
  return startsAt <= now && now <= endsAt
}
