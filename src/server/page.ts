import { notFound, redirect } from 'next/navigation'
import type { Lab } from '@/core/lab/lab'
import { database } from '@/data/connect'
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
  /** Which further places this person has, for the frame. */
  frame: { mayCourse: boolean; mayCollege: boolean; maySign: boolean }
}

/** The connection is there before a page that anybody may open asks for something. */
export const ready = (): void => void database()

/** The administrator who opens a page of the college; anyone else is sent to sign in, or finds no such page. */
export async function collegeVisitor(path: string): Promise<Pick<Visitor, 'actor' | 'courses' | 'frame'>> {
  const actor = await signedIn()
  if (!actor) redirect(`/sign-in?to=${encodeURIComponent(path)}`)
  if (!may(actor, 'college.write', { course: '' })) notFound()
  const own = await Course.findAll({ where: { id: Object.keys(actor.roles) }, order: [['title', 'ASC']] })
  return {
    actor,
    courses: own.length > 1 ? own.map(head) : [],
    frame: { mayCourse: own.length > 0, mayCollege: true, maySign: signs(actor) },
  }
}

/** Whether a person signs readings in any course: then benches may call them. */
const signs = (actor: Person): boolean => Object.keys(actor.roles).some((course) => may(actor, 'run.sign', { course }))

/** A course as it is chosen: two terms of one course are told apart. */
const head = ({ id, title, term }: Course): CourseHead => ({ id, title: term ? `${title}, ${term}` : title })

/**
 * The person who opens a page, with the rights they have in the course of what it shows, never in another of theirs; anyone else is sent to sign in and comes back afterwards. Without one of the
 * rights that are needed the page does not exist for this person.
 */
export async function visitor(path: string, need: Right | readonly Right[], about?: () => Promise<Subject>): Promise<Visitor> {
  const actor = await signedIn()
  if (!actor) redirect(`/sign-in?to=${encodeURIComponent(path)}`)
  const own = await Course.findAll({ where: { id: Object.keys(actor.roles) }, order: [['title', 'ASC']] })
  if (own.length === 0) redirect(actor.administrator ? '/college' : '/sign-in?none=1')
  const wanted = about ? (await orNotFound(about)).course : (await sealedCookie('user')).course
  const course = own.find(({ id }) => id === wanted) ?? (about ? notFound() : own[0]!)
  const allowed = (right: Right) => may(actor, right, { course: course.id })
  if (![need].flat().some((right) => allowed(right as Right))) notFound()
  return {
    actor,
    course: { id: course.id, title: course.title, college: course.college, zone: course.zone, lab: labFrom(course.lab) },
    courses: own.length > 1 ? own.map(head) : [],
    may: allowed,
    frame: { mayCourse: allowed('session.read'), mayCollege: actor.administrator === true, maySign: signs(actor) },
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
