import { notFound, redirect } from 'next/navigation'
import type { Lab } from '@/core/lab/lab'
import { Course } from '@/data/models'
import { signedIn, type Person } from './actor'
import { sealedCookie } from './cookies'
import { labFrom } from './laboratory'
import { Refusal } from './refusal'
import { may, type Right, type Subject } from './rights'

export interface CourseHead {
  id: string
  title: string
}

export interface Visitor {
  actor: Person
  /** The course of the thing that is shown; where a page shows none, the one that this person looks at. */
  course: CourseHead & { college: string; zone: string; lab: Lab }
  /** All courses of this person, when there are several. */
  courses: CourseHead[]
  may: (right: Right) => boolean
}

/**
 * The person who opens a page, with the rights they have in the course of what it shows, never in another of theirs; anyone else is sent to sign in and comes back afterwards. Without one of the
 * rights that are needed the page does not exist for this person.
 */
export async function visitor(path: string, need: Right | readonly Right[], about?: () => Promise<Subject>): Promise<Visitor> {
  const actor = await signedIn()
  if (!actor) redirect(`/sign-in?to=${encodeURIComponent(path)}`)
  const own = await Course.findAll({ where: { id: Object.keys(actor.roles) }, order: [['title', 'ASC']] })
  if (own.length === 0) redirect('/sign-in?none=1')
  const wanted = about ? (await orNotFound(about)).course : (await sealedCookie('user')).course
  const course = own.find(({ id }) => id === wanted) ?? (about ? notFound() : own[0]!)
  const allowed = (right: Right) => may(actor, right, { course: course.id })
  if (![need].flat().some((right) => allowed(right as Right))) notFound()
  return {
    actor,
    course: { id: course.id, title: course.title, college: course.college, zone: course.zone, lab: labFrom(course.lab) },
    courses: own.length > 1 ? own.map(({ id, title }) => ({ id, title })) : [],
    may: allowed,
  }
}

/** Looks at another course of one's own from now on. @throws Refusal 403 */
export async function lookAtCourse(person: Person, course: string): Promise<void> {
  if (!Object.hasOwn(person.roles, course)) throw new Refusal(403, 'You do not belong to this course.')
  const cookie = await sealedCookie('user')
  cookie.course = course
  await cookie.save()
}

/** What a page loads; a thing that is not there is the "not found" page, not a failure. */
export async function orNotFound<T>(load: () => Promise<T>): Promise<T> {
  try {
    return await load()
  } catch (error) {
    if (error instanceof Refusal && error.status === 404) notFound()
    throw error
  }
}
