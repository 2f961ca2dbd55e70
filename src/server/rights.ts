import type { CourseRole } from '@/data/models'

/** Everything that can be allowed. */
export const rights = [
  'plan.read',
  'plan.write',
  'shelf.write',
  'lab.write',
  'session.read',
  'session.write',
  'code.read',
  'run.read',
  'run.write',
  'run.sign',
  'results.read',
] as const

export type Right = (typeof rights)[number]

/** What each role in a course may do. What is not named here is denied. */
const granted: Record<CourseRole, readonly Right[]> = {
  owner: [
    'plan.read',
    'plan.write',
    'shelf.write',
    'lab.write',
    'session.read',
    'session.write',
    'code.read',
    'run.read',
    'run.sign',
    'results.read',
  ],
  demonstrator: ['plan.read', 'session.read', 'code.read', 'run.read', 'run.sign', 'results.read'],
  stores: ['plan.read', 'shelf.write', 'session.read'],
  reader: ['plan.read', 'results.read'],
}

/** A tablet that typed a bench code may read and write its own run, on its day, and nothing else. */
const grantedToBench: readonly Right[] = ['run.read', 'run.write']

/** A signed-in person, or a tablet bound to one run. */
export type Actor =
  | { kind: 'user'; id: string; name: string; roles: Readonly<Record<string, CourseRole>> }
  | { kind: 'bench'; run: string; bench: number; members: string }

/** What a right is asked for: a course, and the run where it is about one. */
export interface Subject {
  course: string
  run?: string
}

/** True only where a rule grants it: by the person's role in that course, or by the bench's own run. */
export function may(actor: Actor | null, right: Right, subject: Subject): boolean {
  if (!actor) return false
  if (actor.kind === 'bench') return subject.run === actor.run && grantedToBench.includes(right)
  const role = actor.roles[subject.course]
  return role !== undefined && granted[role].includes(right)
}
