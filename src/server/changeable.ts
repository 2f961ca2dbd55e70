import { thisMoment } from './clock'
import { LabSession, StudentGroup } from '@/data/models'
import { Op } from 'sequelize'
import { hasBegun } from './sessionClashes'
import { viewSession, type SessionView } from './sessions'
import { dayIn } from './day'

/** What the page of a session needs to know before it is changed. */
export async function changeable(view: SessionView, now = thisMoment()) {
  const session = await LabSession.findByPk(view.id, { rejectOnEmpty: true })
  const others = await StudentGroup.findAll({
    where: { section: session.section, leftAt: null, id: { [Op.notIn]: view.runs.map(({ group }) => group) } },
    order: [['bench', 'ASC']],
  })
  const { id, startsAt, endsAt, room, zone, goesOnFrom } = view
  return {
    ...{ id, startsAt, endsAt, room, zone, goesOnFrom },
    begun: await hasBegun(session, now),
    over: session.endsAt < now,
    runs: view.runs.map(({ id: run, bench, members }) => ({ id: run, bench, members })),
    others: others.map(({ id: group, bench, members }) => ({ id: group, bench, members })),
  }
}

const weekMs = 7 * 24 * 60 * 60 * 1000

/** A session to be set again a week later: the same plan, section, groups and scales, and as many days; undefined for one that is not there. */
export async function likeSession(id: string, course: string) {
  const session = await LabSession.findByPk(id)
  const view = session && (await viewSession(session.goesOnFrom ?? id, false))
  if (!session || view?.course !== course) return undefined
  const clock = (at: Date) =>
    new Intl.DateTimeFormat('en-GB', { timeZone: view.zone, hour: '2-digit', minute: '2-digit' }).format(at)
  return {
    revision: view.revision.id,
    section: session.section,
    days: view.days
      .filter(({ cancelled }) => !cancelled)
      .map(({ startsAt, endsAt, room }) => ({
        date: dayIn(view.zone, new Date(Date.parse(startsAt) + weekMs)),
        from: clock(new Date(startsAt)),
        to: clock(new Date(endsAt)),
        room,
      })),
    groups: view.runs.map(({ group, scale }) => ({ group, scale })),
  }
}
