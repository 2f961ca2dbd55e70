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
  /** When another day of the same work would have begun that is cancelled. */
  otherDayCancelled?: string | null
}

const parts = (iso: string): [number, number, number, number, number] => {
  const at = new Date(iso)
  return [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours(), at.getUTCMinutes()]
}

/** One entry of a calendar; `uid` stays, so that what is moved moves there too. */
export interface CalendarEntry {
  uid: string
  title: string
  description: string
  location: string
  startsAt: string
  endsAt: string
  cancelled?: boolean
}

/**
 * Sessions as an iCalendar file. It names no people. An entry keeps its uid, so that a session that is moved moves in the calendar too; one that is not held says so.
 * @throws Error where a session has no times that can be read
 */
export const calendarOf = (sessions: readonly CalendarSession[], name: string): string =>
  entriesCalendar(
    sessions.map(({ id, title, section, course, room, otherDayCancelled, ...when }) => ({
      ...when,
      uid: id,
      title: `${title}, ${section}`,
      description: otherDayCancelled
        ? `${course}. Another day of this work, ${otherDayCancelled.slice(0, 10)}, is cancelled.`
        : course,
      location: room,
    })),
    name,
  )

/** Entries as an iCalendar file (RFC 5545), in UTC, which every calendar shows by its own clock. @throws Error where one has no times that can be read */
export function entriesCalendar(entries: readonly CalendarEntry[], name: string): string {
  const events = entries.map(({ uid, title, description, location, startsAt, endsAt, cancelled }): EventAttributes => ({
    uid: `${uid}@mozle`,
    title,
    description,
    location,
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
