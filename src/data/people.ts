import { QueryTypes } from 'sequelize'
import { database } from './connect'
import type { CourseRole } from './models'

/** A person behind a sign-in that still stands. */
export interface SignedInPerson {
  signIn: string
  id: string
  name: string
  passwordHash: string
  administrator: boolean
  /** Fingerprint of the password that it was opened with. */
  password: string
  roles: Record<string, CourseRole>
}

type PersonRow = Omit<SignedInPerson, 'roles'> & { course: string | null; role: CourseRole | null }

/** The people behind some sign-ins opened after a moment, with their roles as they are now: one statement. */
export async function peopleOfSignIns(signIns: readonly string[], openedAfter: Date): Promise<SignedInPerson[]> {
  if (signIns.length === 0) return []
  const rows = await database().query<PersonRow>(
    `SELECT s.id AS signIn, s.password, u.id, u.name, u.password_hash AS passwordHash, u.administrator, m.course, m.role
     FROM sign_in s JOIN user u ON u.id = s.user LEFT JOIN membership m ON m.user = u.id
     WHERE s.id IN (:signIns) AND s.opened_at > :openedAfter AND u.withdrawn_at IS NULL ORDER BY m.course`,
    { replacements: { signIns: [...signIns], openedAfter }, type: QueryTypes.SELECT },
  )
  const people = new Map<string, SignedInPerson>()
  for (const { course, role, ...row } of rows) {
    const person = people.get(row.signIn) ?? { ...row, administrator: Boolean(row.administrator), roles: {} }
    if (course !== null && role !== null) person.roles[course] = role
    people.set(row.signIn, person)
  }
  return [...people.values()]
}

/** A run with the session, section and course that it belongs to. */
export interface PlaceOfRun {
  run: string
  session: string
  bench: number
  members: string
  group: string
  scale: number
  /** Of this day; null where it was cancelled. */
  code: string | null
  readCode: string | null
  revision: string
  startsAt: Date
  endsAt: Date
  section: string
  course: string
  zone: string
  /** As JSON; null while nobody has said. */
  lab: string | null
}

const ofRun = (
  code: string,
) => `r.id AS run, r.bench, r.members, r.student_group AS \`group\`, r.scale, ${code} AS code, r.read_code AS readCode,
       l.id AS session, l.revision, l.starts_at AS startsAt, l.ends_at AS endsAt, s.name AS section, c.id AS course, c.zone, c.lab`
const belongsTo = `JOIN section s ON s.id = l.section JOIN course c ON c.id = s.course`

/** Runs with everything they belong to, once for each of their days, the first day first: one statement. A cancelled day opens nothing. */
export async function placesOfRuns(where: { ids: readonly string[] } | { code: string }): Promise<PlaceOfRun[]> {
  if ('ids' in where && where.ids.length === 0) return []
  const by =
    'code' in where
      ? { first: 'r.code = :code OR r.read_code = :code', later: 'd.code = :code' }
      : { first: 'r.id IN (:ids)', later: 'r.id IN (:ids)' }
  const rows = await database().query<
    Omit<PlaceOfRun, 'startsAt' | 'endsAt'> & { startsAt: Date | string; endsAt: Date | string }
  >(
    `SELECT ${ofRun('IF(l.cancelled_at IS NULL, r.code, NULL)')} FROM run r JOIN lab_session l ON l.id = r.session ${belongsTo} WHERE ${by.first}
     UNION ALL
     SELECT ${ofRun('d.code')} FROM run_day d JOIN run r ON r.id = d.run JOIN lab_session l ON l.id = d.session ${belongsTo}
     WHERE l.cancelled_at IS NULL AND (${by.later})
     ORDER BY startsAt`,
    { replacements: 'code' in where ? { code: where.code } : { ids: [...where.ids] }, type: QueryTypes.SELECT },
  )
  return rows.map((row) => ({ ...row, startsAt: new Date(row.startsAt), endsAt: new Date(row.endsAt) }))
}

/** The day of a run that a code opens; the first where it is the code for reading, or of none. */
export const dayOfCode = (places: readonly PlaceOfRun[], run: string, code: string): PlaceOfRun | undefined => {
  const days = places.filter((place) => place.run === run)
  return days.find((place) => place.code === code) ?? days[0]
}
