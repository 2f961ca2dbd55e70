import { clockTime } from '../time'

/** The laboratory’s clock so many minutes after a session began. */
export const clockAt = (startsAt: string, minutes: number, zone: string): string =>
  clockTime(new Date(Date.parse(startsAt) + Math.round(minutes) * 60_000).toISOString(), zone)
