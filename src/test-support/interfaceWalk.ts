import Ajv from 'ajv/dist/2020.js'

/** What the walk needs to know of the college, and how it makes tokens there. */
export interface Walked {
  /** The applications; each question goes to the next of them. */
  addresses: readonly string[]
  /** A course with published plans, a session in it with results, and another course. */
  course: string
  finished: string
  other: string
  make: (wanted: { name: string; rights: string[]; course: string | null; days: number }) => Promise<string>
}

interface Operation {
  'x-mozle-right': string
  responses: Record<string, { content?: Record<string, { schema: object }> }>
}

/** The document of the interface as a running application gives it. */
export interface Document {
  paths: Record<string, Record<string, Operation>>
}

type Kept = Record<string, string>
interface Step {
  does: string
  /** What stands in the braces of its path. */
  at?: (kept: Kept) => Record<string, string>
  body?: (kept: Kept) => unknown
  keep?: (json: never, kept: Kept) => void
}

const inDays = (days: number, hour: number) => {
  const at = new Date(Date.now() + days * 86_400_000)
  at.setUTCHours(hour, 0, 0, 0)
  return at.toISOString()
}

/** A program's work with every operation of the document, in an order in which each finds what it needs. */
const steps = (mark: string): Step[] => [
  { does: 'GET /api/courses' },
  {
    does: 'POST /api/courses/{id}/people',
    body: () => ({ name: 'Tove Brandal', signIn: `brandal-${mark}`, role: 'reader' }),
    keep: ({ user }: { user: string }, kept) => (kept.user = user),
  },
  { does: 'GET /api/courses/{id}/people' },
  { does: 'PATCH /api/courses/{id}/people/{user}', body: () => ({ role: 'stores' }) },
  { does: 'DELETE /api/courses/{id}/people/{user}' },
  {
    does: 'POST /api/courses/{id}/sections',
    body: () => ({ name: `Registry ${mark}` }),
    keep: ({ id }: { id: string }, kept) => (kept.section = id),
  },
  {
    does: 'PATCH /api/sections/{id}',
    at: ({ section }) => ({ id: section! }),
    body: () => ({ name: `Registered ${mark}` }),
  },
  {
    does: 'PUT /api/sections/{id}/groups',
    at: ({ section }) => ({ id: section! }),
    body: () => ({ groups: [{ bench: 1, names: ['Odile Farrow', 'Jens Aldag'] }], seen: [] }),
  },
  {
    does: 'GET /api/courses/{id}/sections',
    keep: ({ sections }: { sections: { id: string; groups: { id: string }[] }[] }, kept) =>
      (kept.group = sections.find(({ id }) => id === kept.section)!.groups[0]!.id),
  },
  {
    does: 'GET /api/courses/{id}/revisions',
    keep: ({ revisions }: { revisions: { id: string }[] }, kept) => (kept.revision = revisions[0]!.id),
  },
  {
    does: 'POST /api/sessions',
    body: ({ section, revision, group }) => ({
      section,
      revision,
      days: [{ startsAt: inDays(40, 8), endsAt: inDays(40, 18), room: `Room ${mark}` }],
      groups: [{ group, scale: 1 }],
    }),
    keep: ({ id }: { id: string }, kept) => (kept.session = id),
  },
  { does: 'GET /api/courses/{id}/sessions' },
  { does: 'GET /api/sessions/{id}', at: ({ session }) => ({ id: session! }) },
  {
    does: 'PATCH /api/sessions/{id}',
    at: ({ session }) => ({ id: session! }),
    body: () => ({ startsAt: inDays(41, 8), endsAt: inDays(41, 18), room: `Room ${mark}` }),
  },
  {
    does: 'DELETE /api/sessions/{id}',
    at: ({ session }) => ({ id: session! }),
    body: () => ({ reason: 'The term ends earlier.' }),
  },
  {
    does: 'POST /api/courses/{id}/sections',
    body: () => ({ name: `Short ${mark}` }),
    keep: ({ id }: { id: string }, kept) => (kept.short = id),
  },
  { does: 'DELETE /api/sections/{id}', at: ({ short }) => ({ id: short! }) },
  { does: 'GET /api/sessions/{id}/results', at: ({ finished }) => ({ id: finished! }) },
  { does: 'GET /api/sessions/{id}/results.csv', at: ({ finished }) => ({ id: finished! }) },
  { does: 'GET /api/sessions/{id}/archive.zip', at: ({ finished }) => ({ id: finished! }) },
]

/**
 * Calls every operation that the document names with a token that has its right alone, checks each answer against the schema that the document promises, and every operation with every token that has not its right.
 * @returns what was not as promised, in words; and how many questions were asked
 */
export async function walkInterface({
  addresses,
  course,
  finished,
  other,
  make,
}: Walked): Promise<{ wrong: string[]; asked: number }> {
  const wrong: string[] = []
  let asked = 0
  const ask = async (method: string, where: string, secret: string, body?: unknown) => {
    const address = addresses[asked++ % addresses.length]!
    return fetch(`${address}${where}`, {
      method,
      headers: { authorization: `Bearer ${secret}`, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
  }
  const { paths } = (await (await fetch(`${addresses[0]}/api/openapi.json`)).json()) as Document
  const operations = Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ does: `${method.toUpperCase()} ${path}`, operation })),
  )
  const rights = [...new Set(operations.map(({ operation }) => operation['x-mozle-right']))].filter((right) => right !== 'any')
  const tokens = new Map<string, string>()
  for (const right of rights) tokens.set(right, await make({ name: `Walk with ${right}`, rights: [right], course, days: 1 }))

  const mark = Date.now().toString(36)
  const kept: Kept = { finished }
  const ajv = new Ajv({ strict: false })
  const walked = steps(mark)
  const fill = (path: string, values: Record<string, string>) => path.replace(/\{(\w+)\}/g, (_, name: string) => values[name]!)
  for (const { does, at, body, keep } of walked) {
    const known = operations.find((each) => each.does === does)
    if (!known) {
      wrong.push(`${does} does not stand in the document`)
      continue
    }
    const right = known.operation['x-mozle-right']
    const [method, path] = does.split(' ') as [string, string]
    const where = fill(path, { id: course, user: kept.user ?? '', ...at?.(kept) })
    const answer = await ask(method, where, tokens.get(right) ?? [...tokens.values()][0]!, body?.(kept))
    const promised = Object.entries(known.operation.responses['200']!.content ?? {})[0]
    const type = answer.headers.get('content-type')?.split(';')[0]
    if (!promised) wrong.push(`${does}: the document promises nothing`)
    else if (answer.status !== 200) wrong.push(`${does}: ${answer.status} ${await answer.text()}`)
    else if (type !== promised[0]) wrong.push(`${does}: ${type} in the place of ${promised[0]}`)
    else if (type === 'application/json') {
      const json: unknown = await answer.json()
      const fits = ajv.compile(promised[1].schema)
      if (!fits(json)) wrong.push(`${does}: ${ajv.errorsText(fits.errors)}`)
      keep?.(json as never, kept)
    } else if ((await answer.arrayBuffer()).byteLength === 0) wrong.push(`${does}: nothing`)
  }
  for (const { does } of operations) if (walked.every((step) => step.does !== does)) wrong.push(`${does} was not walked`)

  for (const { does, operation } of operations) {
    const right = operation['x-mozle-right']
    const [method, path] = does.split(' ') as [string, string]
    const body = method === 'GET' ? undefined : {}
    for (const [own, secret] of tokens) {
      if (right === 'any' || own === right) continue
      const { status } = await ask(method, fill(path, { id: course, user: 'x' }), secret, body)
      if (status !== 403) wrong.push(`${does} with ${own}: ${status} in the place of 403`)
    }
  }
  // A token of one course finds nothing in another.
  const elsewhere = await ask('GET', `/api/courses/${other}/people`, tokens.get('people.read')!)
  if (elsewhere.status !== 404) wrong.push(`another course: ${elsewhere.status} in the place of 404`)
  // What no token does, and who is nobody.
  const all = await make({ name: 'Walk with everything', rights, course: null, days: 1 })
  for (const [where, secret, status] of [
    ['/api/college', all, 403],
    [`/api/courses/${course}/people`, all, 200],
    ['/api/courses/nowhere/people', all, 404],
    ['/api/courses', 'mozle_nobody', 401],
  ] as const) {
    const answer = await ask(where === '/api/college' ? 'PUT' : 'GET', where, secret, where === '/api/college' ? {} : undefined)
    if (answer.status !== status) wrong.push(`${where}: ${answer.status} in the place of ${status}`)
  }
  return { wrong, asked }
}
