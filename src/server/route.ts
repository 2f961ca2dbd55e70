import { NextResponse, type NextRequest } from 'next/server'
import { ValidationError, type Schema } from 'yup'
import { problemInJson } from '@/core/format/jsonValue'
import { PlanFileError } from '@/core/format/planFile'
import { FloodError, ForeignEntryError, UnknownEntryError } from '@/data/entries'
import { troubleOf, UnknownOutcome } from '@/data/again'
import { database } from '@/data/connect'
import { benchHere, signedIn } from './actor'
import { UnreadableDocument } from './documents'
import { log, plainError, plainPath } from './log'
import { isOwnOrigin } from './origin'
import { Refusal } from './refusal'
import { record, type DeedKind } from './deeds'
import { may, type Actor, type CollegeRight, type Right, type Subject } from './rights'

type Params = Record<string, string>

interface Guarded<P extends Params, B> {
  /** The right that is asked for, or why anyone may call this. */
  need: Right | CollegeRight | { open: string }
  /** What the right is asked for; not needed for an open route. Throws Refusal 404 where there is no such thing. */
  subject?: (params: P, people: readonly (Actor | null)[]) => Promise<Subject>
  /** The same where only the body names it. */
  subjectOfBody?: (body: B) => Promise<Subject>
  /** What the request's JSON must be. */
  body?: Schema<B>
  /** What was done, where it stands in the record of what people did. */
  deed?: DeedKind
}

export interface Call<P extends Params, B> {
  request: NextRequest
  params: P
  actor: Actor | null
  /** What the right was asked for. */
  about: Subject | null
  body: B
}

const bodyLimit = 2_000_000

/**
 * The one way to make a route handler. Denies unless the declared right is held; refuses a change that another origin asks for; checks the body
 * before the handler sees it; turns refusals into answers in words. A route without a declared need does not compile.
 */
export function route<P extends Params = Params, B = undefined>(
  guard: Guarded<P, B>,
  handle: (call: Call<P, B>) => Promise<Response | object | void>,
) {
  const guarded = async (request: NextRequest, context: { params: Promise<P> }): Promise<Response> => {
    try {
      database()
      if (!['GET', 'HEAD'].includes(request.method) && !sameOrigin(request))
        throw new Refusal(403, 'This change came from another site and was refused.')
      const params = await context.params
      const people = [await benchHere(), await signedIn()]
      if (typeof guard.need === 'string' && people.every((person) => !person)) throw new Refusal(401, 'Sign in first.')
      // Who may not do a thing is not told what is wrong with how they asked for it; only a body that names its subject is read first.
      const early = guard.subject ? await allowed(guard, people, params) : undefined
      const body = guard.body ? await readBody(request, guard.body) : (undefined as B)
      const { actor, about } = early ?? (await allowed(guard, people, params, body))
      const answer = await handle({ request, params, actor, about, body })
      if (guard.deed && actor?.kind === 'user')
        await record({ what: guard.deed, person: actor.id, course: about?.course, about: params, from: addressOf(request) })
      return answer instanceof Response ? answer : NextResponse.json(answer ?? { ok: true })
    } catch (error) {
      return refusalOf(error, request)
    }
  }
  return Object.assign(guarded, { need: guard.need })
}

async function allowed<P extends Params, B>(
  guard: Guarded<P, B>,
  people: (Actor | null)[],
  params: P,
  body?: B,
): Promise<{ actor: Actor | null; about: Subject | null }> {
  const { need, subject, subjectOfBody } = guard
  if (typeof need === 'object') return { actor: people.find(Boolean) ?? null, about: null }
  const about = subject ? await subject(params, people) : body !== undefined ? await subjectOfBody?.(body) : undefined
  // A tablet may hold both cookies; the one that has the right speaks, the bench first for its own run.
  const actor = about && people.find((candidate) => may(candidate, need, about))
  if (!actor) throw new Refusal(403, 'Your role in this course does not allow this.')
  return { actor, about }
}

/** The subject of a route that is about a course by its id. */
export const courseOf = <P extends { id: string }>({ id }: P): Promise<Subject> => Promise.resolve({ course: id })

/** The subject of a route about the whole college. */
export const college = (): Promise<Subject> => Promise.resolve({ course: '' })

/** The person behind a call whose right only people hold. @throws Refusal 403 for a bench */
export function personOf(actor: Actor | null): Actor & { kind: 'user' } {
  if (actor?.kind !== 'user') throw new Refusal(403, 'A signed-in person does this.')
  return actor
}

/** The bench behind a call whose right only benches hold. @throws Refusal 403 for a person */
export function benchOf(actor: Actor | null): Actor & { kind: 'bench' } {
  if (actor?.kind !== 'bench') throw new Refusal(403, 'Only the bench writes its own readings.')
  return actor
}

/** True when the browser says the request comes from a page of this site. */
export const sameOrigin = (request: NextRequest): boolean => isOwnOrigin(request.headers)

/** The address that asks, as the server's own front notes it; what a client says of itself is replaced there (scripts/server.ts). */
export function addressOf(request: NextRequest): string {
  return request.headers.get('x-forwarded-for') ?? 'here'
}

async function readBody<B>(request: NextRequest, schema: Schema<B>): Promise<B> {
  const tooLarge = new Refusal(413, 'This is larger than anything a plan or a log needs.')
  if (Number(request.headers.get('content-length') ?? 0) > bodyLimit) throw tooLarge
  const text = await request.text()
  if (text.length > bodyLimit) throw tooLarge
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw new Refusal(400, 'The request is not JSON.')
  }
  const problem = problemInJson(json)
  if (problem) throw new Refusal(400, problem)
  return schema.validate(json, { abortEarly: true, strict: true })
}

function refusalOf(error: unknown, request: NextRequest): Response {
  if (error instanceof Refusal) return NextResponse.json({ error: error.message, ...error.details }, { status: error.status })
  if (error instanceof ValidationError || error instanceof PlanFileError)
    return NextResponse.json({ error: error.message }, { status: 400 })
  if (error instanceof ForeignEntryError || error instanceof UnreadableDocument || error instanceof UnknownEntryError)
    return NextResponse.json({ error: error.message }, { status: 409 })
  if (error instanceof FloodError) return NextResponse.json({ error: error.message }, { status: 429 })
  // Whose database went away is told so: nothing is wrong with what was asked.
  if (error instanceof UnknownOutcome) return NextResponse.json({ error: error.message }, { status: 503 })
  log().error(
    { request: request.headers.get('x-request-id') ?? '', path: plainPath(request.nextUrl.pathname), error: plainError(error) },
    'a request failed',
  )
  if (troubleOf(error) !== null)
    return NextResponse.json(
      { error: 'The database does not answer just now. What you typed is still here; try again in a moment.' },
      { status: 503 },
    )
  return NextResponse.json(
    { error: 'Something went wrong on the server. What you typed is still here; try again.' },
    { status: 500 },
  )
}
