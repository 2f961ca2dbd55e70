/** Generated bodies against every route that takes one, with a fixed seed: none is answered by a failure of the server. */
import { NextRequest } from 'next/server'
import { acetanilide } from '@/test-support/plans'
import { closeDatabase, emptyDatabase } from '@/test-support/database'
import { TestLog } from '@/test-support/entries'
import { college } from '@/demo/college'
import { repeatable } from '@/core/quantity/repeatable'
import { seed } from '../../../scripts/seed'

const now = new Date()
const made = college(now, 'UTC')
const mockRun = made.sessions[1]!.runs[7]!
const mockCourse = made.course.id
const [mockOwner] = made.people
jest.mock('@/server/actor', () => ({
  ...jest.requireActual<object>('@/server/actor'),
  signedIn: async () => ({ kind: 'user', id: mockOwner!.id, name: mockOwner!.name, roles: { [mockCourse]: 'owner' } }),
  benchHere: async () => ({
    kind: 'bench',
    run: mockRun.id,
    bench: 8,
    members: mockRun.members,
    course: mockCourse,
    code: mockRun.code,
    state: 'open',
    writesUntil: Date.now() + 3_600_000,
  }),
}))
jest.mock('@/server/cookies', () => ({
  signInMs: 1,
  readCookie: async () => ({}),
  sealedCookie: async () => ({ save: async () => {}, destroy: () => {} }),
}))

type Handler = (request: NextRequest, context: { params: Promise<{ id: string }> }) => Promise<Response>
const load = (path: string, method: string) => jest.requireActual<Record<string, Handler>>(`@/app/api/${path}/route`)[method]!

const form = { kind: 'solution', molPerL: 2, gPerML: 1.05 }
const left = { value: 250, unit: 'mL', decimals: 0 }
const log = new TestLog()
const entry = (index: number) => ({ ...log.entries[index]!, id: `01K5000000000000000000000${index}` })
log.difference('charge-aniline', 27.5, 23.4)
log.add('melt', 'melting', { onsetC: 113, clearC: 115, decimals: 1, instrument: { name: 'A', offsetC: 0, slope: 1 } })
log.press('reflux', 'onset')
log.done('safety')

/** A good body for each route, which the generator spoils. */
const routes: [path: string, method: string, id: string, body: unknown][] = [
  ['courses/[id]/bottles', 'POST', made.course.id, { substance: 'toluene', formula: 'C7H8', form, left, place: 'shelf' }],
  ['bottles/[id]', 'PATCH', made.bottles[0]!.id, { left, place: 'shelf' }],
  ['courses/[id]/lab', 'PUT', made.course.id, made.course.lab],
  ['courses/[id]/preparations', 'POST', made.course.id, { file: JSON.stringify(acetanilide) }],
  [
    'courses/[id]/preparations',
    'POST',
    made.course.id,
    { title: 'x', start: acetanilide.substances[0], product: acetanilide.substances[1] },
  ],
  ['courses/[id]/substances', 'POST', made.course.id, { name: 'x', formula: 'C2H6O', structure: 'CCO', mixture: false }],
  ['preparations/[id]', 'PATCH', made.preparations[0]!.id, { archived: false }],
  ['preparations/[id]/drafts', 'POST', made.preparations[0]!.id, { from: made.preparations[0]!.revision, plan: acetanilide }],
  ['revisions/[id]', 'PUT', made.preparations[0]!.revision, { version: 1, plan: acetanilide }],
  ['revisions/[id]/publish', 'POST', made.preparations[0]!.revision, { version: 1, safetyRead: true }],
  ['runs/[id]/entries', 'POST', mockRun.id, { entries: [0, 1, 2, 3, 4].map(entry), sentAt: now.toISOString() }],
  ['runs/[id]/findings', 'POST', mockRun.id, { step: 'melt', kind: 'purity', body: { percent: 98, decimals: 0, by: 'x' } }],
  ['runs/[id]/signatures', 'POST', mockRun.id, { step: 'charge-aniline', signer: { signIn: 'x', password: 'y' } }],
  [
    'sessions',
    'POST',
    '',
    {
      section: made.sections[0]!.id,
      revision: made.preparations[0]!.revision,
      startsAt: '2027-01-01T10:00:00Z',
      endsAt: '2027-01-01T12:00:00Z',
      room: 'x',
      groups: [{ group: made.sections[0]!.groups[0]!.id, scale: 1 }],
    },
  ],
  ['bench', 'POST', '', { code: 'ABCDEF' }],
]

const odd: unknown[] = [
  null, true, 0, -1, 1e308, -1e308, 1e-300, 0.5, 2 ** 53, '', ' ', 'x'.repeat(300), 'x'.repeat(30_000), 'constructor', 'toString', '__proto__',
  '2026-99-99', '2026-02-30T10:00:00Z', '=1+1', '\u0000', '\ud800', '😀'.repeat(60), [], [null], {}, { kind: 'solid' }, { constructor: 1 },
  '01J00000000000000000000009', made.sessions[0]!.runs[0]!.entries[0]!.id, '{line}', 'C999999999H9', '[[[[', 'C'.repeat(120),
] // prettier-ignore

const random = repeatable(20_261_125)
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!

/** The body with one place, at any depth, made into something odd, left out, or doubled. */
function spoiled(body: unknown, depth = 0): unknown {
  if (typeof body !== 'object' || body === null || (depth > 0 && random() < 0.25)) return pick(odd)
  const copy = structuredClone(body) as Record<string, unknown>
  const keys = Object.keys(copy)
  if (keys.length === 0 || random() < 0.08)
    return Array.isArray(copy)
      ? [...(copy as unknown as unknown[]), pick(odd)]
      : { ...copy, [pick(['more', 'constructor', 'toString'])]: pick(odd) }
  const key = pick(keys)
  if (random() < 0.15) {
    if (Array.isArray(copy)) copy.splice(Number(key), 1)
    else delete copy[key]
    return copy
  }
  copy[key] = spoiled(copy[key], depth + 1)
  return copy
}

let tables: Awaited<ReturnType<typeof emptyDatabase>>
beforeAll(async () => {
  tables = await emptyDatabase()
  await seed(process.env.MOZLE_OWNER_URL!, now, 'UTC')
}, 60_000)
afterAll(async () => {
  await tables.close()
  await closeDatabase()
})

test.each(routes)(
  '%s %s: 250 bodies, none above 499',
  async (path, method, id, body) => {
    const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined)
    const handle = load(path, method)
    const send = async (text: string) => {
      const request = new NextRequest('http://here.test/api/x', {
        method,
        headers: { host: 'here.test', origin: 'http://here.test' },
        body: text,
      })
      return (await handle(request, { params: Promise.resolve({ id }) })).status
    }
    const count: Record<number, number> = {}
    for (let index = 0; index < 250; index++) {
      const bad = spoiled(body)
      // A file is a text in a body: what is in it is spoiled as well.
      const file = (bad as { file?: unknown } | null)?.file
      const whole = typeof file === 'string' && random() < 0.8 ? { file: JSON.stringify(spoiled(acetanilide)) } : bad
      let text = JSON.stringify(whole)
      if (random() < 0.05) text = text.replace(/\d+(\.\d+)?/, '1e999')
      const status = await send(text)
      if (status >= 500) throw new Error(`${status} for ${text.slice(0, 600)}: ${String(quiet.mock.calls.at(-1)?.[0])}`)
      count[status] = (count[status] ?? 0) + 1
    }
    // Most of what is spoiled is refused, and something of it is: a walk through an open door would prove nothing.
    expect(Object.keys(count).some((status) => Number(status) >= 400)).toBe(true)
    quiet.mockRestore()
  },
  120_000,
)

test('what was accepted can be read back: every page’s data still loads', async () => {
  const { listPreparations } = jest.requireActual<typeof import('@/server/preparationLists')>('@/server/preparationLists')
  const { openPreparation } = jest.requireActual<typeof import('@/server/preparations')>('@/server/preparations')
  const { listBottles } = jest.requireActual<typeof import('@/server/bottles')>('@/server/bottles')
  const { viewRun } = jest.requireActual<typeof import('@/server/runs')>('@/server/runs')
  const { today } = jest.requireActual<typeof import('@/server/today')>('@/server/today')
  const actor = { kind: 'user' as const, id: mockOwner!.id, name: '', roles: { [mockCourse]: 'owner' as const } }
  for (const { id } of await listPreparations(made.course.id, actor))
    expect((await openPreparation(id, actor)).revision.plan.title).not.toBe('')
  for (const bottle of await listBottles(made.course.id)) expect(Number.isFinite(bottle.left.value)).toBe(true)
  expect((await viewRun(mockRun.id)).entries.length).toBeGreaterThan(0)
  expect((await today(made.course.id, actor, now)).now.length).toBeGreaterThan(0)
})
