import { thisMoment } from './clock'
import { createHash } from 'node:crypto'
import { ulid } from 'ulid'
import { resultsOf } from '@/core/classroom/classResults'
import { changedSince, computation, releasedOf, type Changed, type Released } from '@/core/classroom/released'
import { ResultRelease, User } from '@/data/models'
import { record } from './deeds'
import { Refusal } from './refusal'
import { subjectOfSession, viewSession, type SessionView } from './sessions'
import { foldedClass } from './foldedClass'

export interface ReleaseView {
  id: string
  at: string
  by: string
  version: string
  released: Released
  /** What would be otherwise now; they stay as they were. */
  changed: Changed[]
}

const digestOf = (text: string) => createHash('sha256').update(text).digest('hex')

/** A release as it was; one that was touched since says so and is not shown as released. @throws Refusal 409 */
function read(row: ResultRelease): Released {
  if (digestOf(row.document) !== row.digest)
    throw new Refusal(409, 'The results of this release were touched in the database since: they are not what was released.')
  return JSON.parse(row.document) as Released
}

/** The releases of a session, the latest first, each with what has changed since. */
export async function releasesOf(session: string, now: Released): Promise<ReleaseView[]> {
  const rows = await ResultRelease.findAll({ where: { session }, order: [['id', 'DESC']] })
  const people = await User.findAll({ where: { id: rows.map(({ releasedBy }) => releasedBy) }, attributes: ['id', 'name'] })
  return rows.map((row) => {
    const released = read(row)
    return {
      id: row.id,
      at: row.releasedAt.toISOString(),
      by: people.find(({ id }) => id === row.releasedBy)?.name ?? 'somebody',
      version: row.version,
      released,
      changed: changedSince(released, now),
    }
  })
}

/** Releases the results of a session as they are now: they stay so, whatever is written or computed later. @throws Refusal 409 where there is nothing new to release */
export async function releaseResults(session: string, person: string, from: string, now = thisMoment()): Promise<void> {
  const view: SessionView = await viewSession(session, false)
  const released = releasedOf(resultsOf(view.plan, await foldedClass(view.plan, view.runs)))
  if (released.rows.every(({ outcomes }) => outcomes.length === 0)) throw new Refusal(409, 'No bench has a result yet.')
  const first = sessionOfResults(view)
  const [last] = await releasesOf(first, released)
  if (last?.changed.length === 0 && last.version === computation)
    throw new Refusal(409, 'These results are released already, and nothing has changed since.')
  const document = JSON.stringify(released)
  await ResultRelease.create({
    id: ulid(now.getTime()),
    session: first,
    releasedAt: now,
    releasedBy: person,
    version: computation,
    document,
    digest: digestOf(document),
  })
  const { course } = await subjectOfSession(session)
  await record({ what: 'released results', person, course, about: { session }, from }, now)
}

/** The session whose runs these are, for one that goes on over days: results belong to the first. */
export const sessionOfResults = ({ id, goesOnFrom }: Pick<SessionView, 'id' | 'goesOnFrom'>): string => goesOnFrom ?? id
