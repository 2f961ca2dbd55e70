import { array, object, string } from 'yup'
import { clockTime, isClock, isDay, momentIn } from '../time'

/** One day of a session as it is typed: by the laboratory's calendar and clock. */
export interface SessionDay {
  date: string
  from: string
  to: string
  room: string
}

const time = string().test('clock', 'Give a time such as 13:30.', (text) => isClock(text ?? ''))

export const daySchema = object({
  date: string()
    .required('Give the day of the session.')
    .test('day', 'Give the day of the session, with a year such as 2026.', (text) => isDay(text ?? '')),
  from: time.required('Give a time such as 13:30.'),
  to: time
    .required('Give a time such as 13:30.')
    .test('later', 'The session ends before it begins. Give a later time.', function (value) {
      return !value || value > (this.parent as { from: string }).from
    }),
  room: string().trim().required('Say which room.'),
})

export const daysSchema = array(daySchema.required()).required()

/** The day so many days later by the calendar. */
export function daysLater(date: string, days: number): string {
  const at = new Date(`${date}T12:00:00Z`)
  at.setUTCDate(at.getUTCDate() + days)
  return Number.isNaN(at.getTime()) ? date : at.toISOString().slice(0, 10)
}

/** A chain of days a week apart, at the same hour in the same room. */
export const chainOf = (count: number, first: SessionDay): SessionDay[] =>
  Array.from({ length: count }, (_, index) => ({ ...first, date: daysLater(first.date, 7 * index) }))

/** As the server takes it. */
export const wantedDay = ({ date, from, to, room }: SessionDay, zone: string) => ({
  startsAt: momentIn(zone, date, from).toISOString(),
  endsAt: momentIn(zone, date, to).toISOString(),
  room: room.trim(),
})

/** As it is typed. */
export const typedDay = (
  { startsAt, endsAt, room }: { startsAt: string; endsAt: string; room: string },
  zone: string,
): SessionDay => ({
  date: new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(
    new Date(startsAt),
  ),
  from: clockTime(startsAt, zone),
  to: clockTime(endsAt, zone),
  room,
})
