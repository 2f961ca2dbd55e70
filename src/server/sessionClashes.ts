import type { SaidBefore } from '@/views/sessions'
import { thisMoment } from './clock'
import { Op, QueryTypes, type Transaction } from 'sequelize'
import { days, lengthOf, writeMinutes } from '@/core/plan/duration'
import type { Plan } from '@/core/plan/plan'
import { database } from '@/data/connect'
import { Approval, Course, LabSession, Preparation, Revision, Run, RunDay } from '@/data/models'
import { takeTurnOfCollege } from '@/data/turns'
import { planOfRevision } from './documents'
import { Refusal } from './refusal'

/** One day of a session as it is wanted. */
export interface WantedDay {
  startsAt: string
  endsAt: string
  room: string
}

interface Taken {
  id: string
  room: string
  section: string
  sectionName: string
  title: string
  startsAt: Date | string
  endsAt: Date | string
}

const clock = (zone: string, at: Date) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }).format(at)

const sameRoom = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()

/** Sessions of the whole college that overlap a span and are in its room, or of its section. */
function overlapping(
  { startsAt, endsAt, room }: WantedDay,
  section: string,
  except: readonly string[],
  transaction: Transaction | undefined,
): Promise<Taken[]> {
  return database().query<Taken>(
    `SELECT l.id, l.room, l.section, s.name AS sectionName, r.title, l.starts_at AS startsAt, l.ends_at AS endsAt
     FROM lab_session l JOIN section s ON s.id = l.section JOIN revision r ON r.id = l.revision
     WHERE l.cancelled_at IS NULL AND l.starts_at < :endsAt AND l.ends_at > :startsAt AND (l.room = :room OR l.section = :section)
       AND l.id NOT IN (:except)`,
    {
      replacements: {
        startsAt: new Date(startsAt),
        endsAt: new Date(endsAt),
        room,
        section,
        except: except.length > 0 ? [...except] : [''],
      },
      type: QueryTypes.SELECT,
      ...(transaction ? { transaction } : {}),
    },
  )
}

/** What stands against the days of a session: a room or a section that is taken, an hour that is past, days that overlap, hours that the plan's usual minutes do not fit. */
export async function saidBefore(
  plan: Plan | null,
  {
    section,
    zone,
    wanted,
    except = [],
    rooms = [],
    transaction,
  }: {
    section: string
    zone: string
    wanted: readonly WantedDay[]
    except?: readonly string[]
    /** The rooms of the laboratory, where it has named any. */
    rooms?: readonly string[]
    /** That of a session that is being set: what it reads is then what nobody else is setting. */
    transaction?: Transaction
  },
  now = thisMoment(),
): Promise<SaidBefore[]> {
  const said: SaidBefore[] = []
  const against = (day: number | null, words: string, level: SaidBefore['level'] = 'danger') => said.push({ level, day, words })
  const parts = plan ? days(plan) : []
  for (const [day, each] of wanted.entries()) {
    const [from, to] = [new Date(each.startsAt), new Date(each.endsAt)]
    if (to <= from) against(day, 'It ends before it begins. Give an end later than the start.')
    if (to < now) against(day, 'This day is past. Choose one that is to come.')
    const before = wanted[day - 1]
    if (before && from < new Date(before.endsAt)) against(day, 'It begins before the day before has ended. Choose a later day.')
    for (const other of await overlapping(each, section, except, transaction)) {
      const when = `${clock(zone, new Date(other.startsAt))}–${clock(zone, new Date(other.endsAt))}`
      if (other.section === section) against(day, `${other.sectionName} has ${other.title} then, ${when}. Choose another hour.`)
      else against(day, `${each.room} is taken then, ${when}: ${other.title}, ${other.sectionName}. Choose another room or hour.`)
    }
    if (rooms.length > 0 && !rooms.some((room) => sameRoom(room, each.room)))
      against(
        day,
        `“${each.room.trim()}” is not a room of the laboratory (${rooms.join(', ')}), so its stations and waste containers are not known. Is it meant?`,
        'doubt',
      )
    const part = parts[day]
    if (part) {
      const usual = lengthOf(part.steps).usual
      const there = (to.getTime() - from.getTime()) / 60_000
      if (usual > there)
        against(
          day,
          `The plan takes ${writeMinutes(usual)} ${parts.length > 1 ? `on its day ${day + 1}` : ''} as usual, and there are ${writeMinutes(there)}.`.replace(
            '  ',
            ' ',
          ),
          'doubt',
        )
    }
  }
  if (plan && parts.length > wanted.length && wanted.length > 0)
    against(
      null,
      `The plan goes on over ${parts.length} days, and ${wanted.length === 1 ? 'one is' : `${wanted.length} are`} set: the rest can be set later.`,
      'doubt',
    )
  return said
}

/** Takes the turn at setting sessions, since rooms are the whole college's, and refuses what cannot be so. @throws Refusal 409 */
export async function refuseClashes(
  ...asked: [Parameters<typeof saidBefore>[0], Parameters<typeof saidBefore>[1] & { transaction: Transaction }, Date]
): Promise<void> {
  await takeTurnOfCollege(asked[1].transaction)
  const against = (await saidBefore(...asked)).filter(({ level }) => level === 'danger')
  if (against.length > 0)
    throw new Refusal(
      409,
      against
        .map(({ words, day }) => (asked[1].wanted.length > 1 && day !== null ? `Day ${day + 1}: ${words}` : words))
        .join(' '),
      {
        said: against,
      },
    )
}

/** A published plan of a course that a session may be set with. @throws Refusal 400 */
export async function settable(revision: string, course: string): Promise<Plan> {
  const found = await Revision.findByPk(revision)
  const preparation = found && (await Preparation.findByPk(found.preparation))
  if (!found || preparation?.course !== course) throw new Refusal(400, 'Choose a preparation of this course.')
  if (found.state !== 'published')
    throw new Refusal(400, 'Only a published plan can be run. Publish it first, or choose its published revision.')
  const { approval } = await Course.findByPk(course, { rejectOnEmpty: true })
  if (approval && !(await Approval.findByPk(revision)))
    throw new Refusal(
      400,
      'In this course a second person approves a plan before a session of it is set. Ask one to approve it, on its safety sheet.',
    )
  return planOfRevision(revision)
}

/** Whether nothing of a session has begun: its first hour is ahead and no bench has written. */
export async function hasBegun(session: LabSession, now = thisMoment()): Promise<boolean> {
  if (session.startsAt <= now) return true
  const later = await RunDay.findAll({ where: { session: session.id } })
  // Runs that go on here have written on the days before.
  if (session.goesOnFrom !== null && later.length > 0) return false
  return (await Run.count({ where: { session: session.id, lastSeq: { [Op.gt]: 0 } } })) > 0
}
