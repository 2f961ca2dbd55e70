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
import { diskIsFull } from './health'
import { isOwnOrigin } from './origin'
import { Refusal } from './refusal'
import { problemWords } from './problemWords'
import { record, type DeedKind } from './deeds'
import { may, mayToken, type Actor, type CollegeRight, type Right, type Subject, type TokenRight } from './rights'
import { isForCourse, tokenHere, type TokenActor } from './tokens'

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
  /** What a token of another system must be allowed; where nothing is said, no token is let in. */
  token?: ForTokens
}

/** A route that the college's other systems may call: what their token needs, and what the document of the interface says of it. */
export interface ForTokens {
  /** The right, or that any token that stands may ask. */
  right: TokenRight | 'any'
  says: string
  /** What it answers: JSON of this shape, or another kind of content. */
  answers?: Schema | { type: string }
  /** What can be asked for in the address. */
  query?: Readonly<Record<string, string>>
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

const diskWords =
  'The server’s disk is full, and nothing more can be written. What you typed is still here; tell whoever looks after the server.'

/** What a database says where its disk is full: ER_DISK_FULL, ER_RECORD_FILE_FULL, ER_ERROR_ON_WRITE, ER_DISK_FULL_NOWAIT (MariaDB error codes). */
const diskErrors = new Set([1021, 1114, 1026, 4183])

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
      const params = await context.params
      const secret = bearerIn(request)
      // A page of another site cannot add a token to what it asks.
      if (secret === null && !['GET', 'HEAD'].includes(request.method) && !sameOrigin(request))
        throw new Refusal(403, 'This change came from another site and was refused.')
      // Whoever comes in to look after it still can.
      if (typeof guard.need === 'string' && !['GET', 'HEAD'].includes(request.method) && (await diskIsFull()))
        throw new Refusal(507, diskWords)
      const people = secret === null ? [await benchHere(), await signedIn()] : [await tokenOrRefusal(secret, guard.token)]
      if (typeof guard.need === 'string' && people.every((person) => !person)) throw new Refusal(401, 'Sign in first.')
      // Who may not do a thing is not told what is wrong with how they asked for it; only a body that names its subject is read first.
      const early = guard.subject ? await allowed(guard, people, params) : undefined
      const body = guard.body ? await readBody(request, guard.body) : (undefined as B)
      const { actor, about } = early ?? (await allowed(guard, people, params, body))
      const answer = await handle({ request, params, actor, about, body })
      if (guard.deed && (actor?.kind === 'user' || actor?.kind === 'token'))
        await record({
          what: guard.deed,
          person: actor.id,
          course: about?.course,
          about: { ...params, ...(request.method === 'POST' ? madeIn(answer) : {}) },
          from: addressOf(request),
        })
      return answer instanceof Response ? answer : NextResponse.json(answer ?? { ok: true })
    } catch (error) {
      return refusalOf(error, request)
    }
  }
  return Object.assign(guarded, { need: guard.need, body: guard.body, token: guard.token })
}

/** What an answer says was made: the ids alone, never a secret beside them. */
function madeIn(answer: Response | object | void): Record<string, string> {
  const { id, user } = (answer ?? {}) as { id?: unknown; user?: unknown }
  return { ...(typeof id === 'string' ? { made: id } : {}), ...(typeof user === 'string' ? { user } : {}) }
}

/** The secret of a token that a request brings; null where it brings none. */
function bearerIn(request: NextRequest): string | null {
  const said = request.headers.get('authorization')
  return said === null ? null : (/^Bearer +(\S{1,200})$/i.exec(said)?.[1] ?? '')
}

/** Who asks with a token, where the route lets tokens in at all. @throws Refusal 401, 403 */
async function tokenOrRefusal(secret: string, lets: ForTokens | undefined): Promise<TokenActor> {
  const actor = await tokenHere(secret)
  if (!actor) throw new Refusal(401, 'This token has ended, was withdrawn, or never was.')
  if (!lets) throw new Refusal(403, 'Tokens do not do this. What they do stands in /api/openapi.json.')
  if (lets.right !== 'any' && !actor.rights.includes(lets.right))
    throw new Refusal(403, `This token may not do this: it needs the right ${lets.right}.`)
  return actor
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
  const [first] = people
  if (first?.kind === 'token') {
    const right = guard.token?.right
    // What is not of its course is not there for it.
    const allowedHere = about && right && right !== 'any' && mayToken(first, right, about)
    if (!allowedHere || !(await isForCourse(first, about.course))) throw new Refusal(404, 'There is no such thing.')
    return { actor: first, about }
  }
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

/** The person who made something, where a person did; what a token made stands in the record under its id. */
export const madeBy = (actor: Actor | null): string | null => (actor?.kind === 'user' ? actor.id : null)

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
  if (error instanceof ValidationError)
    return NextResponse.json({ error: problemWords(error), field: error.path ?? '' }, { status: 400 })
  if (error instanceof PlanFileError) return NextResponse.json({ error: error.message }, { status: 400 })
  if (error instanceof ForeignEntryError || error instanceof UnreadableDocument || error instanceof UnknownEntryError)
    return NextResponse.json({ error: error.message }, { status: 409 })
  if (error instanceof FloodError) return NextResponse.json({ error: error.message }, { status: 429 })
  // Whose database went away is told so: nothing is wrong with what was asked.
  if (error instanceof UnknownOutcome) return NextResponse.json({ error: error.message }, { status: 503 })
  if (diskErrors.has((error as { original?: { errno?: number } }).original?.errno ?? 0))
    return NextResponse.json({ error: diskWords }, { status: 507 })
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
