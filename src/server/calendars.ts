import { thisMoment } from './clock'
import { randomBytes } from 'node:crypto'
import { QueryTypes } from 'sequelize'
import { calendarOf, type CalendarSession } from '@/core/format/calendar'
import { database, transacted } from '@/data/connect'
import { Feed, User } from '@/data/models'
import { hashOf } from './invitations'
import { Refusal } from './refusal'
import { otherDayCancelled } from './sessions'

/** Sessions longer past than this are in no calendar, ms: a year. */
const oldestMs = 365 * 24 * 60 * 60 * 1000

async function sessions(where: string, replacements: Record<string, unknown>, now: Date): Promise<CalendarSession[]> {
  const rows = await database().query<
    Omit<CalendarSession, 'startsAt' | 'endsAt' | 'cancelled' | 'otherDayCancelled'> & {
      otherDayCancelled: Date | string | null
      startsAt: Date | string
      endsAt: Date | string
      cancelledAt: unknown
    }
  >(
    `SELECT l.id, r.title, s.name AS section, c.title AS course, l.room, l.starts_at AS startsAt, l.ends_at AS endsAt, l.cancelled_at AS cancelledAt, ${otherDayCancelled} AS otherDayCancelled
     FROM lab_session l JOIN section s ON s.id = l.section JOIN course c ON c.id = s.course JOIN revision r ON r.id = l.revision
     WHERE l.ends_at > :oldest AND ${where} ORDER BY l.starts_at`,
    { replacements: { ...replacements, oldest: new Date(now.getTime() - oldestMs) }, type: QueryTypes.SELECT },
  )
  return rows.map(({ startsAt, endsAt, cancelledAt, otherDayCancelled: other, ...row }) => ({
    ...row,
    otherDayCancelled: other && new Date(other).toISOString(),
    startsAt: new Date(startsAt).toISOString(),
    endsAt: new Date(endsAt).toISOString(),
    cancelled: cancelledAt !== null,
  }))
}

/** The sessions of a course as a calendar file. */
export async function calendarOfCourse(course: string, now = thisMoment()): Promise<string> {
  return calendarOf(await sessions('c.id = :course', { course }, now), 'Mozle')
}

/** Makes the secret address of a person's calendar; an older one ends. */
export async function newFeed(user: string): Promise<{ token: string }> {
  const token = randomBytes(24).toString('base64url')
  await transacted(async (transaction) => {
    await Feed.destroy({ where: { user }, transaction })
    await Feed.create({ user, tokenHash: hashOf(token) }, { transaction })
  })
  return { token }
}

/** The calendar behind a secret address: the sessions of the courses in which its person may see them. @throws Refusal 404 */
export async function calendarOfFeed(token: string, now = thisMoment()): Promise<string> {
  const feed = await Feed.findOne({ where: { tokenHash: hashOf(token) } })
  const person = feed && (await User.findOne({ where: { id: feed.user, withdrawnAt: null } }))
  if (!person) throw new Refusal(404, 'There is no such calendar.')
  const where = "c.id IN (SELECT m.course FROM membership m WHERE m.user = :user AND m.role <> 'reader')"
  return calendarOf(await sessions(where, { user: person.id }, now), 'Mozle')
}

/** An answer that a calendar program takes. */
export const asCalendar = (text: string): Response =>
  new Response(text, {
    headers: { 'content-type': 'text/calendar; charset=utf-8', 'content-disposition': 'attachment; filename="sessions.ics"' },
  })
