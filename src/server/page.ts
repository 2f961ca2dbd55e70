import { notFound, redirect } from 'next/navigation'
import type { Lab } from '@/core/lab/lab'
import { Course } from '@/data/models'
import { signedIn } from './actor'
import { labFrom } from './laboratory'
import { Refusal } from './refusal'
import { may, type Actor, type Right, type Subject } from './rights'

export interface Visitor {
  actor: Actor & { kind: 'user' }
  course: { id: string; title: string; college: string; zone: string; lab: Lab }
  may: (right: Right) => boolean
}

/** The person who opens a page, in their course; anyone else is sent to sign in and comes back afterwards. */
export async function visitor(path: string): Promise<Visitor> {
  const actor = await signedIn()
  if (!actor) redirect(`/sign-in?to=${encodeURIComponent(path)}`)
  const course = await Course.findByPk(Object.keys(actor.roles)[0] ?? '')
  if (!course) redirect('/sign-in?none=1')
  return {
    actor,
    course: { id: course.id, title: course.title, college: course.college, zone: course.zone, lab: labFrom(course.lab) },
    may: (right) => may(actor, right, { course: course.id }),
  }
}

/** Lets a page go on only with the right; without it the page does not exist for this person. */
export async function pageNeeds(actor: Actor, right: Right, subject: Subject | (() => Promise<Subject>)): Promise<void> {
  const about = typeof subject === 'function' ? await orNotFound(subject) : subject
  if (!may(actor, right, about)) notFound()
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
