/** What somebody may be in a course. */
export type CourseRole = 'owner' | 'demonstrator' | 'stores' | 'reader'

/** Somebody who works in a course. */
export interface PersonView {
  id: string
  name: string
  signIn: string
  role: CourseRole
  /** False until an invitation is taken up. */
  here: boolean
  /** When the link that was made for them ends, where one is open. */
  linkUntil: string | null
  /** True where the owner of this course may make a new link for them. */
  mayLink: boolean
}

/** A section with its groups; a member without a name is one whose name is no longer kept. */
export interface SectionView {
  id: string
  name: string
  sessions: number
  groups: { id: string; bench: number; members: { id: string; name: string | null }[] }[]
}

/** One line of the audit log. */
export interface DeedView {
  id: string
  at: string
  who: string | null
  course: string | null
  what: string
  about: string
  from: string
}

/** A token of another system, without its secret. */
export interface TokenView {
  id: string
  name: string
  rights: string[]
  /** Null: all courses of the college. */
  course: string | null
  madeAt: string
  madeBy: string
  endsAt: string
  usedAt: string | null
  withdrawnAt: string | null
}

/** A person who may sign in a course, and whether they have a PIN for it. */
export interface SignerView {
  id: string
  name: string
  pin: boolean
}
