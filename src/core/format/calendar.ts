import { createEvents, type EventAttributes } from 'ics'

/** A lab session as a calendar shows it. */
export interface CalendarSession {
  id: string
  title: string
  section: string
  course: string
  room: string
  startsAt: string
  endsAt: string
  cancelled: boolean
}

const parts = (iso: string): [number, number, number, number, number] => {
  const at = new Date(iso)
  return [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours(), at.getUTCMinutes()]
}

/**
 * Sessions as an iCalendar file (RFC 5545), in UTC, which every calendar shows by its own clock. It names no people. An entry keeps its uid, so that a session that is moved moves in the calendar too; one that is not held says so.
 * @throws Error where a session has no times that can be read
 */
export function calendarOf(sessions: readonly CalendarSession[], name: string): string {
  const events = sessions.map(({ id, title, section, course, room, startsAt, endsAt, cancelled }): EventAttributes => ({
    uid: `${id}@mozle`,
    title: `${title}, ${section}`,
    description: course,
    location: room,
    start: parts(startsAt),
    startInputType: 'utc',
    startOutputType: 'utc',
    end: parts(endsAt),
    endInputType: 'utc',
    endOutputType: 'utc',
    status: cancelled ? 'CANCELLED' : 'CONFIRMED',
  }))
  const { value, error } = createEvents(events, { productId: 'mozle', calName: name })
  if (error) throw error
  return value!
}
