import { QueryTypes } from 'sequelize'
import { database } from './connect'
import type { CourseRole } from './models'

/** A person behind a sign-in that still stands. */
export interface SignedInPerson {
  signIn: string
  id: string
  name: string
  passwordHash: string
  /** Fingerprint of the password that it was opened with. */
  password: string
  roles: Record<string, CourseRole>
}

type PersonRow = Omit<SignedInPerson, 'roles'> & { course: string | null; role: CourseRole | null }

/** The people behind some sign-ins opened after a moment, with their roles as they are now: one statement. */
export async function peopleOfSignIns(signIns: readonly string[], openedAfter: Date): Promise<SignedInPerson[]> {
  if (signIns.length === 0) return []
  const rows = await database().query<PersonRow>(
    `SELECT s.id AS signIn, s.password, u.id, u.name, u.password_hash AS passwordHash, m.course, m.role
     FROM sign_in s JOIN user u ON u.id = s.user LEFT JOIN membership m ON m.user = u.id
     WHERE s.id IN (:signIns) AND s.opened_at > :openedAfter ORDER BY m.course`,
    { replacements: { signIns: [...signIns], openedAfter }, type: QueryTypes.SELECT },
  )
  const people = new Map<string, SignedInPerson>()
  for (const { course, role, ...row } of rows) {
    const person = people.get(row.signIn) ?? { ...row, roles: {} }
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
  code: string
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

/** Runs with everything they belong to: one statement. */
export async function placesOfRuns(where: { ids: readonly string[] } | { code: string }): Promise<PlaceOfRun[]> {
  const by = 'code' in where ? 'r.code = :code OR r.read_code = :code' : 'r.id IN (:ids)'
  if ('ids' in where && where.ids.length === 0) return []
  const rows = await database().query<
    Omit<PlaceOfRun, 'startsAt' | 'endsAt'> & { startsAt: Date | string; endsAt: Date | string }
  >(
    `SELECT r.id AS run, r.bench, r.members, r.student_group AS \`group\`, r.scale, r.code, r.read_code AS readCode,
       l.id AS session, l.revision, l.starts_at AS startsAt, l.ends_at AS endsAt, s.name AS section, c.id AS course, c.zone, c.lab
     FROM run r JOIN lab_session l ON l.id = r.session JOIN section s ON s.id = l.section JOIN course c ON c.id = s.course
     WHERE ${by}`,
    { replacements: 'code' in where ? { code: where.code } : { ids: [...where.ids] }, type: QueryTypes.SELECT },
  )
  return rows.map((row) => ({ ...row, startsAt: new Date(row.startsAt), endsAt: new Date(row.endsAt) }))
}
