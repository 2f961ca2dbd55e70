import type { DeedView } from '@/views/people'
import { thisMoment } from './clock'
import { QueryTypes } from 'sequelize'
import { ulid } from 'ulid'
import { database } from '@/data/connect'
import { Deed } from '@/data/models'

/** What stands in the record: what people did that others may have to account for. */
export type DeedKind =
  | 'began the college'
  | 'signed in'
  | 'took up an invitation'
  | 'invited a person'
  | 'changed a role'
  | 'withdrew a person'
  | 'made a new link'
  | 'forgot a person'
  | 'exported a person'
  | 'changed the college'
  | 'made a course'
  | 'copied a course'
  | 'changed a section'
  | 'changed a group'
  | 'forgot a student'
  | 'exported a student'
  | 'forgot words'
  | 'published a plan'
  | 'approved a plan'
  | 'set a session'
  | 'changed a session'
  | 'cancelled a session'
  | 'restored a session'
  | 'replaced a code'
  | 'signed'
  | 'set a PIN'
  | 'exported results'
  | 'released results'
  | 'marked work'
  | 'handed work back'
  | 'added an instrument file'
  | 'removed an instrument file'
  | 'exported an archive'
  | 'made a token'
  | 'withdrew a token'

interface Done {
  what: DeedKind
  /** A person, or a token. */
  person: string | null
  course?: string | undefined
  /** Ids of what it was done to: never names. */
  about?: Readonly<Record<string, string>>
  /** The address it came from. */
  from: string
}

/** Writes down what a person did. */
export async function record({ what, person, course, about = {}, from }: Done, now = thisMoment()): Promise<void> {
  await Deed.create({
    id: ulid(now.getTime()),
    at: now,
    person,
    course: course || null,
    what,
    about: Object.entries(about)
      .map(([key, value]) => `${key} ${value}`)
      .join(', ')
      .slice(0, 500),
    from: from.slice(0, 80),
  })
}

export const deedsOnAPage = 100

/** A page of the record, the latest first: those before an id. */
export async function deedsBefore(before: string | undefined): Promise<DeedView[]> {
  const rows = await database().query<Omit<DeedView, 'at'> & { at: Date | string }>(
    `SELECT d.id, d.at, COALESCE(u.name, t.name) AS who, c.title AS course, d.what, d.about, d.\`from\` FROM deed d
     LEFT JOIN user u ON u.id = d.person LEFT JOIN token t ON t.id = d.person LEFT JOIN course c ON c.id = d.course
     WHERE :before = '' OR d.id < :before ORDER BY d.id DESC LIMIT ${deedsOnAPage}`,
    { replacements: { before: before ?? '' }, type: QueryTypes.SELECT },
  )
  return rows.map(({ at, ...rest }) => ({ ...rest, at: new Date(at).toISOString() }))
}
