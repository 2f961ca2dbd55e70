import { thisMoment } from './clock'
import { Op, type Transaction } from 'sequelize'
import { ulid } from 'ulid'
import { days } from '@/core/plan/duration'
import type { Plan } from '@/core/plan/plan'
import { transacted } from '@/data/connect'
import { Course, LabSession, Run, RunDay, Section, StudentGroup } from '@/data/models'
import { newCode, newReadCode } from './codes'
import { planOfRevision } from './documents'
import { labFrom } from './laboratory'
import { recheck } from './live'
import { Refusal } from './refusal'
import { hasBegun, refuseClashes, saidBefore, settable, type WantedDay } from './sessionClashes'
import type { SaidBefore } from '@/views/sessions'
import { takeMembers } from './students'

export interface NewSession {
  section: string
  revision: string
  /** A day, or a chain of them for a plan whose work goes on another day. */
  days: WantedDay[]
  groups: { group: string; scale: number }[]
}

async function courseOfSection(id: string): Promise<Course> {
  const section = await Section.findByPk(id)
  if (!section) throw new Refusal(404, 'There is no such section.')
  return Course.findByPk(section.course, { rejectOnEmpty: true })
}

/** What is to be said about a session before it is set. @throws Refusal 400, 404 */
export async function checkSession({
  section,
  revision,
  days: wanted,
}: Pick<NewSession, 'section' | 'revision' | 'days'>): Promise<SaidBefore[]> {
  const { id, zone, lab } = await courseOfSection(section)
  const rooms = labFrom(lab).rooms.map(({ name }) => name)
  return saidBefore(await settable(revision, id), { section, zone, wanted, rooms })
}

const moments = ({ startsAt, endsAt, room }: WantedDay) => ({ startsAt: new Date(startsAt), endsAt: new Date(endsAt), room })

async function addRuns(
  session: string,
  section: string,
  wanted: NewSession['groups'],
  transaction: Transaction,
): Promise<{ id: string; group: string }[]> {
  if (new Set(wanted.map(({ group }) => group)).size < wanted.length) throw new Refusal(400, 'A group was named twice.')
  const groups = await StudentGroup.findAll({
    where: { section, leftAt: null, id: wanted.map(({ group }) => group) },
    transaction,
  })
  if (groups.length !== wanted.length) throw new Refusal(400, 'A group was named that is not in this section.')
  const runs = wanted.map(({ group, scale }) => {
    const { bench, members } = groups.find((candidate) => candidate.id === group)!
    return { id: ulid(), session, studentGroup: group, bench, members, scale, code: newCode(), readCode: newReadCode() }
  })
  await Run.bulkCreate(runs, { transaction })
  const made = runs.map(({ id, studentGroup }) => ({ id, group: studentGroup }))
  await takeMembers(made, transaction)
  return made
}

/** Sets a lab session, over as many days as are given: each group gets a run at its own scale, a bench code for each day, and a code that only reads. @throws Refusal 400, 409 */
export async function createSession(wanted: NewSession, now = thisMoment()): Promise<{ id: string }> {
  const course = await courseOfSection(wanted.section)
  const plan = await settable(wanted.revision, course.id)
  const id = ulid()
  await transacted(async (transaction) => {
    await refuseClashes(plan, { section: wanted.section, zone: course.zone, wanted: wanted.days, transaction }, now)
    const common = { section: wanted.section, revision: wanted.revision }
    await LabSession.create({ id, ...common, ...moments(wanted.days[0]!) }, { transaction })
    const runs = await addRuns(id, wanted.section, wanted.groups, transaction)
    const parts = days(plan)
    for (const [index, day] of wanted.days.slice(1).entries())
      await addDay(
        { ...common, first: id, day, beginsAtStep: parts[index + 1]?.steps[0]?.id ?? null, runs: runs.map((run) => run.id) },
        transaction,
      )
  })
  return { id }
}

interface FurtherDay {
  first: string
  section: string
  revision: string
  day: WantedDay
  beginsAtStep: string | null
  runs: readonly string[]
}

async function addDay({ first, day, runs, ...rest }: FurtherDay, transaction: Transaction): Promise<string> {
  const id = ulid()
  await LabSession.create({ id, ...rest, goesOnFrom: first, ...moments(day) }, { transaction })
  await RunDay.bulkCreate(
    runs.map((run) => ({ run, session: id, code: newCode() })),
    { transaction },
  )
  return id
}

async function sessionAt(id: string): Promise<{ session: LabSession; zone: string }> {
  const session = await LabSession.findByPk(id)
  if (!session) throw new Refusal(404, 'There is no such lab session.')
  if (session.cancelledAt) throw new Refusal(409, 'This session was cancelled. Restore it, or set a new one.')
  return { session, zone: (await courseOfSection(session.section)).zone }
}

/** Gives runs of a session another day, on which they go on where they stopped. @throws Refusal 400, 404, 409 */
export async function anotherDay(
  id: string,
  { runs, ...day }: WantedDay & { runs: string[] },
  now = thisMoment(),
): Promise<{ id: string }> {
  const { session, zone } = await sessionAt(id)
  const first = session.goesOnFrom ?? session.id
  const own = await Run.findAll({ where: { session: first } })
  if (runs.length === 0) throw new Refusal(400, 'Choose at least one bench whose work goes on.')
  if (runs.some((run) => own.every((each) => each.id !== run)))
    throw new Refusal(400, 'A bench was named that is not in this session.')
  const last = await LabSession.max<Date, LabSession>('endsAt', {
    where: { [Op.or]: [{ id: first }, { goesOnFrom: first }], cancelledAt: null },
  })
  if (new Date(day.startsAt) < last)
    throw new Refusal(409, 'It begins before the last of its days has ended. Choose a later day.')
  const added = await transacted(async (transaction) => {
    await refuseClashes(null, { section: session.section, zone, wanted: [day], transaction }, now)
    return addDay({ first, section: session.section, revision: session.revision, day, beginsAtStep: null, runs }, transaction)
  })
  return { id: added }
}

/** Changes a session: all of it until it has begun, afterwards the room and a later end. @throws Refusal 404, 409 */
export async function changeSession(id: string, wanted: WantedDay, now = thisMoment()): Promise<void> {
  const { session, zone } = await sessionAt(id)
  const setTo = (plan: Plan | null, since: Date) =>
    transacted(async (transaction) => {
      await refuseClashes(plan, { section: session.section, zone, wanted: [wanted], except: [id], transaction }, since)
      await LabSession.update(moments(wanted), { where: { id }, transaction })
    })
  if (await hasBegun(session, now)) {
    if (new Date(wanted.startsAt).getTime() !== session.startsAt.getTime())
      throw new Refusal(409, 'It has begun: its start stays. It can be given more time, and another room.')
    if (new Date(wanted.endsAt) < session.endsAt) throw new Refusal(409, 'It has begun: it can be given more time, not less.')
    await setTo(null, new Date(0))
  } else {
    const first = session.goesOnFrom ?? session.id
    const chain = await LabSession.findAll({
      where: { [Op.or]: [{ id: first }, { goesOnFrom: first }], cancelledAt: null },
      order: [['startsAt', 'ASC']],
    })
    const at = chain.findIndex((each) => each.id === id)
    const [before, after] = [chain[at - 1], chain[at + 1]]
    if (before && new Date(wanted.startsAt) < before.endsAt)
      throw new Refusal(409, 'It would begin before the day before it has ended.')
    if (after && new Date(wanted.endsAt) > after.startsAt)
      throw new Refusal(409, 'It would end after its next day begins. Move that day first.')
    const plan = session.goesOnFrom === null ? await planOfRevision(session.revision) : null
    await setTo(plan, now)
  }
  await recheck()
}

/** Cancels a session that has not begun, and the days on which its runs would have gone on. Its codes open nothing from then on. @throws Refusal 404, 409 */
export async function cancelSession(id: string, reason: string, now = thisMoment()): Promise<void> {
  const { session } = await sessionAt(id)
  if (await hasBegun(session, now)) throw new Refusal(409, 'It has begun and can no longer be cancelled: what was written stays.')
  const where = session.goesOnFrom === null ? { [Op.or]: [{ id }, { goesOnFrom: id }] } : { id }
  await LabSession.update({ cancelledAt: now, reason }, { where })
  await recheck()
}

/** Takes a cancelling back, while the session is still ahead: with it the days that were cancelled in the same moment, each where nothing stands against it now. @throws Refusal 404, 409 */
export async function restoreSession(id: string, now = thisMoment()): Promise<void> {
  const session = await LabSession.findByPk(id)
  if (!session) throw new Refusal(404, 'There is no such lab session.')
  if (!session.cancelledAt) throw new Refusal(409, 'This session is not cancelled.')
  if (session.startsAt <= now) throw new Refusal(409, 'Its hour is past. Set a new session.')
  const { goesOnFrom } = session
  if (goesOnFrom !== null && (await LabSession.findByPk(goesOnFrom))?.cancelledAt)
    throw new Refusal(409, 'Its first day is cancelled too. Restore that day; this one comes back with it.')
  const where = { cancelledAt: session.cancelledAt, [Op.or]: [{ id }, ...(goesOnFrom === null ? [{ goesOnFrom: id }] : [])] }
  const { zone } = await courseOfSection(session.section)
  await transacted(async (transaction) => {
    const days = await LabSession.findAll({ where, order: [['startsAt', 'ASC']], transaction })
    const wanted = days.map(({ startsAt, endsAt, room }) => ({
      startsAt: startsAt.toISOString(),
      endsAt: endsAt.toISOString(),
      room,
    }))
    await refuseClashes(null, { section: session.section, zone, wanted, except: days.map((day) => day.id), transaction }, now)
    await LabSession.update({ cancelledAt: null, reason: null }, { where: { id: days.map((day) => day.id) }, transaction })
  })
  await recheck()
}

/** Parts a session that has not begun: some of its benches have theirs at another hour. @throws Refusal 400, 404, 409 */
export async function splitSession(
  id: string,
  { runs, ...day }: WantedDay & { runs: string[] },
  now = thisMoment(),
): Promise<{ id: string }> {
  const { session, zone } = await sessionAt(id)
  if (session.goesOnFrom !== null)
    throw new Refusal(409, 'A day on which work goes on is not parted. Give some benches another day instead.')
  if (await hasBegun(session, now))
    throw new Refusal(409, 'It has begun and is no longer parted. Give benches another day instead.')
  if (await LabSession.findOne({ where: { goesOnFrom: id, cancelledAt: null } }))
    throw new Refusal(
      409,
      'Its work goes on another day, which is set for all its benches. Cancel that day first, part the session, and set the day anew.',
    )
  const own = await Run.findAll({ where: { session: id } })
  if (runs.length === 0 || runs.length >= own.length || runs.some((run) => own.every((each) => each.id !== run)))
    throw new Refusal(400, 'Choose some of its benches, not all of them.')
  // The benches that stay are of the same section: only the room may be taken.
  const plan = await planOfRevision(session.revision)
  const added = ulid()
  await transacted(async (transaction) => {
    await refuseClashes(plan, { section: '', zone, wanted: [day], transaction }, now)
    await LabSession.create({ id: added, section: session.section, revision: session.revision, ...moments(day) }, { transaction })
    await Run.update({ session: added }, { where: { id: runs }, transaction })
  })
  return { id: added }
}

/** Lets a group that came late take part, at its own scale. @throws Refusal 400, 404, 409 */
export async function addGroup(id: string, wanted: { group: string; scale: number }, now = thisMoment()): Promise<void> {
  const { session } = await sessionAt(id)
  if (session.goesOnFrom !== null)
    throw new Refusal(409, 'On a day on which work goes on nobody begins. Add the group to another session.')
  if (session.endsAt < now) throw new Refusal(409, 'This session is over.')
  if (await Run.findOne({ where: { session: id, studentGroup: wanted.group } }))
    throw new Refusal(409, 'This group takes part already.')
  await transacted(async (transaction) => {
    const [run] = await addRuns(id, session.section, [wanted], transaction)
    const later = await LabSession.findAll({ where: { goesOnFrom: id, cancelledAt: null }, transaction })
    await RunDay.bulkCreate(
      later.map((day) => ({ run: run!.id, session: day.id, code: newCode() })),
      { transaction },
    )
  })
}
