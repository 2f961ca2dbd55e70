import type { CourseRole } from '@/data/models'

/** What a person may be in a course. */
export const roles = ['owner', 'demonstrator', 'stores', 'reader'] as const satisfies readonly CourseRole[]

/** Everything that can be allowed. */
export const rights = [
  'plan.read',
  'plan.write',
  'shelf.write',
  'timetable.write',
  'lab.write',
  'session.read',
  'session.write',
  'code.read',
  'code.write',
  'run.read',
  'run.write',
  'run.sign',
  'results.read',
  'file.read',
  'file.describe',
  'people.write',
  'section.write',
  'approve',
] as const

/** What the college's administrator may do, whatever the course. */
export const collegeRights = ['college.write', 'record.read'] as const
export type CollegeRight = (typeof collegeRights)[number]

export type Right = (typeof rights)[number]

/** What a token of another system of the college may be allowed, in words for whoever makes it. */
export const tokenRights = [
  'people.read',
  'people.write',
  'sessions.read',
  'sessions.write',
  'results.read',
  'archives.read',
] as const
export type TokenRight = (typeof tokenRights)[number]

/** What each role in a course may do. What is not named here is denied. */
const granted: Record<CourseRole, readonly Right[]> = {
  owner: [
    'plan.read',
    'plan.write',
    'shelf.write',
    'timetable.write',
    'lab.write',
    'session.read',
    'session.write',
    'code.read',
    'code.write',
    'run.read',
    'run.sign',
    'results.read',
    'file.read',
    'file.describe',
    'people.write',
    'section.write',
    'approve',
  ],
  demonstrator: [
    'plan.read',
    'timetable.write',
    'session.read',
    'code.read',
    'code.write',
    'run.read',
    'run.sign',
    'results.read',
    'file.read',
    'file.describe',
    'approve',
  ],
  stores: ['plan.read', 'shelf.write', 'timetable.write', 'session.read'],
  reader: ['plan.read', 'results.read', 'file.read'],
}

/**
 * A tablet that typed a bench code reads and writes its own run while its session is on, and nothing else. Afterwards only what it had written before still comes in. The code for
 * reading reads, and says what a group makes of its own spectra, which come days later: the log it leaves as it is.
 */
const grantedToBench: Record<BenchState, readonly Right[]> = {
  open: ['run.read', 'run.write', 'file.read', 'file.describe'],
  late: ['run.write'],
  reading: ['run.read', 'file.read', 'file.describe'],
}

export type BenchState = 'open' | 'late' | 'reading'

/** A signed-in person, a tablet bound to one run, or a program of the college with a token. */
export type Actor =
  | {
      kind: 'user'
      id: string
      name: string
      roles: Readonly<Record<string, CourseRole>>
      administrator?: boolean
      signIn?: string
    }
  | {
      kind: 'bench'
      run: string
      bench: number
      members: string
      course: string
      /** The code that opened it. */
      code: string
      state: BenchState
      /** Entries written after this moment are not taken, ms. */
      writesUntil: number
    }
  | {
      kind: 'token'
      id: string
      name: string
      rights: readonly TokenRight[]
      /** Null: every course of the college. */
      course: string | null
    }

/** What a right is asked for: a course, and the run where it is about one. */
export interface Subject {
  course: string
  run?: string
}

const isCollegeRight = (right: Right | CollegeRight): right is CollegeRight =>
  (collegeRights as readonly string[]).includes(right)

/** True only where a rule grants it: by the person's role in that course, or by the bench's own run. */
export function may(actor: Actor | null, right: Right | CollegeRight, subject: Subject): boolean {
  // Tokens have rights of their own, which a route names where it lets them in.
  if (!actor || actor.kind === 'token') return false
  if (isCollegeRight(right)) return actor.kind === 'user' && actor.administrator === true
  if (actor.kind === 'bench')
    return subject.run === actor.run && subject.course === actor.course && grantedToBench[actor.state].includes(right)
  const role = Object.hasOwn(actor.roles, subject.course) ? actor.roles[subject.course] : undefined
  return role !== undefined && (granted[role]?.includes(right) ?? false)
}

/** Whether a token may do what a route lets tokens do, in the course that it is about. */
export const mayToken = (actor: Actor & { kind: 'token' }, right: TokenRight, subject: Pick<Subject, 'course'>): boolean =>
  actor.rights.includes(right) && (actor.course === null || actor.course === subject.course)
