import { Course, LabSession, Membership, Run, Section, User } from '@/data/models'
import { database } from '@/data/connect'
import { sealedCookie } from './cookies'
import { dayIn, isOn } from './day'
import type { Actor } from './rights'

/** The person signed in with this request, or null. Roles are read anew each time, so a right withdrawn is withdrawn at once. */
export async function signedIn(): Promise<(Actor & { kind: 'user' }) | null> {
  database()
  const { user: id } = await sealedCookie('user')
  const user = id ? await User.findByPk(id) : null
  if (!user) return null
  const memberships = await Membership.findAll({ where: { user: user.id } })
  return {
    kind: 'user',
    id: user.id,
    name: user.name,
    roles: Object.fromEntries(memberships.map(({ course, role }) => [course, role])),
  }
}

/** The bench this tablet is bound to, or null; the binding ends with its day, or with a session that goes on past midnight. */
export async function benchHere(now = new Date()): Promise<(Actor & { kind: 'bench' }) | null> {
  database()
  const { bench } = await sealedCookie('bench')
  if (!bench) return null
  const run = await Run.findByPk(bench.run)
  if (!run) return null
  const { session, zone } = await courseOfRun(run)
  return bench.day === dayIn(zone, now) || isOn(session, now)
    ? { kind: 'bench', run: run.id, bench: run.bench, members: run.members }
    : null
}

/** The course and session behind a run. */
export async function courseOfRun(run: Run): Promise<{ session: LabSession; section: Section; course: Course; zone: string }> {
  const session = await LabSession.findByPk(run.session, { rejectOnEmpty: true })
  const section = await Section.findByPk(session.section, { rejectOnEmpty: true })
  const course = await Course.findByPk(section.course, { rejectOnEmpty: true })
  return { session, section, course, zone: course.zone }
}
