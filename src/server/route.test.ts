/** The guard around every route, without a database: who is here is played by stand-ins. */
import { NextRequest } from 'next/server'
import { number, object } from 'yup'
import { PlanFileError } from '@/core/format/planFile'
import type { Actor } from './rights'
import { Refusal } from './refusal'
import { log } from './log'
import { originFor } from './origin'
import { benchOf, personOf, route, sameOrigin } from './route'

const here: { user: Actor | null; bench: Actor | null } = { user: null, bench: null }
jest.mock('./actor', () => ({ signedIn: async () => here.user, benchHere: async () => here.bench }))
const token: Actor = { kind: 'token', id: 't1', name: 'registry', rights: ['people.read'], course: 'organic' }
jest.mock('./tokens', () => ({
  tokenHere: async (secret: string) =>
    secret === 'stands' ? token : secret === 'everywhere' ? { ...token, course: null } : null,
  isForCourse: async (actor: { course: string | null }, course: string) => (actor.course ?? 'organic') === course,
}))
const disk = { full: false }
jest.mock('./health', () => ({ diskIsFull: async () => disk.full }))
jest.mock('./deeds', () => ({ record: async (deed: object) => void deeds.push(deed) }))
const deeds: object[] = []
jest.mock('@/data/connect', () => ({ database: () => undefined }))
jest.mock('@/data/entries', () => ({
  ForeignEntryError: class ForeignEntryError extends Error {},
  UnknownEntryError: class UnknownEntryError extends Error {},
  FloodError: class FloodError extends Error {},
}))
jest.mock('./documents', () => ({ UnreadableDocument: class UnreadableDocument extends Error {} }))

const owner: Actor = { kind: 'user', id: 'u1', name: 'Ilse Varga', roles: { organic: 'owner' } }
const reader: Actor = { kind: 'user', id: 'u2', name: 'Amara Bello', roles: { organic: 'reader' } }
const bench: Actor = {
  kind: 'bench',
  run: 'r1',
  bench: 4,
  members: 'Delaney, Wirth',
  course: 'organic',
  code: 'ABC234',
  state: 'open',
  writesUntil: 0,
}

const request = (method: string, body?: unknown, headers: Record<string, string> = { origin: 'http://here.test' }) =>
  new NextRequest('http://here.test/api/x', {
    method,
    headers: { host: 'here.test', ...headers },
    ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  })
const context = { params: Promise.resolve({ id: 'r1' }) }
const subject = async () => ({ course: 'organic', run: 'r1' })

async function answer(response: Response | Promise<Response>): Promise<[number, Record<string, unknown>]> {
  const settled = await response
  return [settled.status, (await settled.json()) as Record<string, unknown>]
}

beforeEach(() => {
  here.user = null
  here.bench = null
})

describe('a guarded route', () => {
  const read = route({ need: 'plan.read', subject }, async ({ actor }) => ({ name: personOf(actor).name }))

  test('refuses when nobody is signed in', async () => {
    expect(await answer(read(request('GET'), context))).toEqual([401, { error: 'Sign in first.' }])
  })

  test('refuses a person without the right', async () => {
    here.user = reader
    const write = route({ need: 'plan.write', subject }, async () => ({ written: true }))
    const [status, { error }] = await answer(write(request('POST'), context))
    expect(status).toBe(403)
    expect(error).toMatch(/role in this course/)
  })

  test('lets a person with the right through, as that person', async () => {
    here.user = owner
    expect(await answer(read(request('GET'), context))).toEqual([200, { name: 'Ilse Varga' }])
  })

  test('of two on one device the one with the right speaks, the bench first for its own run', async () => {
    here.user = owner
    here.bench = bench
    const write = route({ need: 'run.write', subject }, async ({ actor }) => ({ bench: benchOf(actor).bench }))
    expect(await answer(write(request('POST'), context))).toEqual([200, { bench: 4 }])
    expect(await answer(read(request('GET'), context))).toEqual([200, { name: 'Ilse Varga' }])
  })

  test('a right without a subject is denied', async () => {
    here.user = owner
    const careless = route({ need: 'plan.read' }, async () => ({ leaked: true }))
    expect((await answer(careless(request('GET'), context)))[0]).toBe(403)
  })

  test('nothing is written where the disk is full; who reads, and who signs in, still can', async () => {
    here.user = owner
    disk.full = true
    const changed = await answer(route({ need: 'plan.write', subject }, async () => ({ ok: true }))(request('POST'), context))
    expect([changed[0], String(changed[1].error)]).toEqual([507, expect.stringContaining('disk is full')])
    expect((await answer(route({ need: 'plan.read', subject }, async () => ({ ok: true }))(request('GET'), context)))[0]).toBe(
      200,
    )
    expect((await answer(route({ need: { open: 'signing in' } }, async () => ({ ok: true }))(request('POST'), context)))[0]).toBe(
      200,
    )
    disk.full = false
    const wrote = route({ need: 'plan.write', subject }, async () => {
      throw Object.assign(new Error('x'), { original: { errno: 1021 } })
    })
    expect((await answer(wrote(request('POST'), context)))[0]).toBe(507)
  })

  test('an open route needs nobody', async () => {
    const open = route({ need: { open: 'a test' } }, async () => undefined)
    expect(await answer(open(request('GET'), context))).toEqual([200, { ok: true }])
  })
})

describe('a token', () => {
  const bearing = (secret: string, method = 'GET') => request(method, undefined, { authorization: `Bearer ${secret}` })
  const lets = route(
    { need: 'people.write', subject, token: { right: 'people.read', says: 'x' }, deed: 'invited a person' },
    async ({ actor, about }) => ({ kind: actor!.kind, course: about!.course }),
  )

  test('is let in where the route says so, from anywhere, and what it does stands in the record under its id', async () => {
    expect(await answer(lets(bearing('stands', 'POST'), context))).toEqual([200, { kind: 'token', course: 'organic' }])
    expect(deeds).toEqual([expect.objectContaining({ what: 'invited a person', person: 't1', course: 'organic' })])
  })

  test('that does not stand is refused, whoever is signed in beside it', async () => {
    here.user = owner
    for (const secret of ['ended', '']) expect((await answer(lets(bearing(secret), context)))[0]).toBe(401)
    const basic = request('GET', undefined, { authorization: 'Basic stands' })
    expect((await answer(lets(basic, context)))[0]).toBe(401)
  })

  test('is refused where no token is let in, also where the person beside it would be', async () => {
    here.user = owner
    const people = route({ need: 'plan.read', subject }, async () => ({ leaked: true }))
    expect((await answer(people(bearing('stands'), context)))[0]).toBe(403)
    const open = route({ need: { open: 'a test' } }, async () => ({ leaked: true }))
    expect((await answer(open(bearing('stands'), context)))[0]).toBe(403)
  })

  test('without the right, or for another course, gets no further', async () => {
    const writes = route({ need: 'people.write', subject, token: { right: 'people.write', says: 'x' } }, async () => ({}))
    const [status, { error }] = await answer(writes(bearing('stands', 'POST'), context))
    expect([status, error]).toEqual([403, 'This token may not do this: it needs the right people.write.'])
    const elsewhere = route(
      { need: 'people.write', subject: async () => ({ course: 'inorganic' }), token: { right: 'people.read', says: 'x' } },
      async () => ({ leaked: true }),
    )
    expect((await answer(elsewhere(bearing('stands'), context)))[0]).toBe(404)
    expect((await answer(elsewhere(bearing('everywhere'), context)))[0]).toBe(404)
    const any = route({ need: { open: 'a test' }, token: { right: 'any', says: 'x' } }, async ({ actor }) => ({
      id: actor!.kind,
    }))
    expect(await answer(any(bearing('stands'), context))).toEqual([200, { id: 'token' }])
  })
})

describe('changes from elsewhere', () => {
  const change = route({ need: { open: 'a test' } }, async () => undefined)

  test.each([
    ['another site', { origin: 'https://elsewhere.example' }],
    ['another port', { origin: 'http://here.test:8080' }],
    ['no origin', {}],
    ['a broken origin', { origin: 'null' }],
  ] as [string, Record<string, string>][])('%s is refused', async (_what, headers) => {
    const [status, { error }] = await answer(change(request('POST', undefined, headers), context))
    expect(status).toBe(403)
    expect(error).toMatch(/another site/)
  })

  test('the same site passes, also behind a balancer that says what the browser asked for', () => {
    expect(sameOrigin(request('POST'))).toBe(true)
    expect(sameOrigin(request('POST', undefined, { origin: 'https://lab.test', 'x-forwarded-host': 'lab.test' }))).toBe(true)
  })

  test('with a public address only its pages pass, whatever the request says of itself', () => {
    process.env.MOZLE_PUBLIC = 'https://lab.example'
    try {
      expect(sameOrigin(request('POST'))).toBe(false)
      expect(sameOrigin(request('POST', undefined, { origin: 'https://lab.example', host: '10.0.0.1:4300' }))).toBe(true)
      expect(sameOrigin(request('POST', undefined, { origin: 'http://lab.example', host: 'lab.example' }))).toBe(false)
      expect(originFor(new Headers({ host: 'evil.example' }))).toBe('https://lab.example')
    } finally {
      delete process.env.MOZLE_PUBLIC
    }
    expect(originFor(new Headers({ host: 'lab.test', 'x-forwarded-proto': 'https' }))).toBe('https://lab.test')
  })

  test('reading needs no origin', async () => {
    expect((await answer(change(request('GET', undefined, {}), context)))[0]).toBe(200)
  })
})

describe('bodies', () => {
  const typed = route(
    { need: { open: 'a test' }, body: object({ version: number().integer().required() }) },
    async ({ body }) => ({
      next: body.version + 1,
    }),
  )

  test('a good one reaches the handler with its types', async () => {
    expect(await answer(typed(request('POST', { version: 2 }), context))).toEqual([200, { next: 3 }])
  })

  test.each([
    ['not JSON', '{', 400, /not JSON/],
    ['a wrong type', { version: '2' }, 400, /version/i],
    ['a missing field', {}, 400, /version/i],
    ['a fraction', { version: 1.5 }, 400, /version/i],
    ['a number that is none once it is read', '{"version":1e999}', 400, /too large to be kept/],
    ['a name that stands for something else', '{"__proto__":{"version":1}}', 400, /cannot be called/],
    ['a nest without end', '['.repeat(60) + ']'.repeat(60), 400, /nested deeper/],
    ['too large', `"${'x'.repeat(2_000_001)}"`, 413, /larger/],
  ])('%s is refused in words', async (_what, body, status, words) => {
    const [found, { error }] = await answer(typed(request('POST', body), context))
    expect(found).toBe(status)
    expect(error).toMatch(words)
  })
})

describe('failures', () => {
  const failing = (error: Error) =>
    answer(
      route({ need: { open: 'a test' } }, async () => {
        throw error
      })(request('GET'), context),
    )

  test('a refusal keeps its status, words and details', async () => {
    expect(await failing(new Refusal(409, 'Changed meanwhile.', { theirs: 1 }))).toEqual([
      409,
      { error: 'Changed meanwhile.', theirs: 1 },
    ])
  })

  test('a plan that cannot be read says where', async () => {
    expect(await failing(new PlanFileError('must be string', '/title'))).toEqual([400, { error: '/title: must be string' }])
  })

  test('anything else is told without its insides', async () => {
    const quiet = jest.spyOn(log(), 'error').mockImplementation(() => undefined)
    const [status, { error }] = await failing(new Error('SELECT secret FROM user'))
    expect(status).toBe(500)
    expect(error).not.toMatch(/SELECT/)
    expect(quiet).toHaveBeenCalled()
    quiet.mockRestore()
  })

  test('a bench cannot act as a person, nor a person as a bench', () => {
    expect(() => personOf(bench)).toThrow(Refusal)
    expect(() => personOf(null)).toThrow(Refusal)
    expect(() => benchOf(owner)).toThrow(Refusal)
    expect(personOf(owner).id).toBe('u1')
    expect(benchOf(bench).run).toBe('r1')
  })
})
