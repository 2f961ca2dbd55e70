import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import type { CourseRole } from '@/data/models'
import { type Actor, type BenchState, collegeRights, may, mayToken, type Right, rights, tokenRights } from './rights'

const person = (role: CourseRole): Actor => ({ kind: 'user', id: 'u', name: 'Test', roles: { here: role } })
const benchIn = (state: BenchState): Actor => ({
  kind: 'bench',
  run: 'ours',
  bench: 1,
  members: 'Test, Group',
  course: 'here',
  code: 'ABC234',
  state,
  writesUntil: 0,
})

/** The whole matrix, written out once more by hand: anything else is denied. */
const expected: Record<CourseRole, Right[]> = {
  owner: [
    'plan.read',
    'plan.write',
    'shelf.write',
    'timetable.write',
    'lab.write',
    'session.read',
    'session.write',
    'code.read',
    'code.write',
    'run.read',
    'run.sign',
    'results.read',
    'file.read',
    'file.describe',
    'people.write',
    'section.write',
    'approve',
  ],
  demonstrator: [
    'plan.read',
    'timetable.write',
    'session.read',
    'code.read',
    'code.write',
    'run.read',
    'run.sign',
    'results.read',
    'file.read',
    'file.describe',
    'approve',
  ],
  stores: ['plan.read', 'shelf.write', 'timetable.write', 'session.read'],
  reader: ['plan.read', 'results.read', 'file.read'],
}

describe('rights', () => {
  test.each(Object.entries(expected) as [CourseRole, Right[]][])(
    '%s may do exactly its part, in its course only',
    (role, allowed) => {
      for (const right of rights) {
        expect([right, may(person(role), right, { course: 'here', run: 'ours' })]).toEqual([right, allowed.includes(right)])
        expect(may(person(role), right, { course: 'elsewhere' })).toBe(false)
      }
    },
  )

  test.each([
    ['open', ['run.read', 'run.write', 'file.read', 'file.describe']],
    ['late', ['run.write']],
    ['reading', ['run.read', 'file.read', 'file.describe']],
  ] as [BenchState, Right[]][])('a bench that is %s may do exactly its part, in its own run', (state, allowed) => {
    const bench = benchIn(state)
    for (const right of rights) {
      expect([right, may(bench, right, { course: 'here', run: 'ours' })]).toEqual([right, allowed.includes(right)])
      expect(may(bench, right, { course: 'here', run: 'theirs' })).toBe(false)
      expect(may(bench, right, { course: 'here' })).toBe(false)
    }
  })

  test('nobody may do nothing', () => {
    for (const right of [...rights, ...collegeRights]) expect(may(null, right, { course: 'here' })).toBe(false)
  })

  test('a token has none of them, and of its own only what it was given, in its course or in all', () => {
    const token = (course: string | null): Actor & { kind: 'token' } => ({
      ...{ kind: 'token', id: 't', name: 'registry', course },
      rights: ['people.read', 'sessions.write'],
    })
    for (const right of [...rights, ...collegeRights]) expect(may(token(null), right, { course: 'here' })).toBe(false)
    for (const right of tokenRights) {
      const given = ['people.read', 'sessions.write'].includes(right)
      expect(mayToken(token(null), right, { course: 'here' })).toBe(given)
      expect(mayToken(token('here'), right, { course: 'here' })).toBe(given)
      expect(mayToken(token('here'), right, { course: 'there' })).toBe(false)
    }
  })

  test('the college is looked after by its administrator alone, who has no right in a course by that', () => {
    const administrator: Actor = { kind: 'user', id: 'u', name: 'Test', roles: {}, administrator: true }
    for (const right of collegeRights) {
      expect(may(administrator, right, { course: '' })).toBe(true)
      for (const role of Object.keys(expected) as CourseRole[]) expect(may(person(role), right, { course: 'here' })).toBe(false)
      expect(may(benchIn('open'), right, { course: 'here', run: 'ours' })).toBe(false)
    }
    for (const right of rights) expect(may(administrator, right, { course: 'here' })).toBe(false)
  })
})

describe('every route and page asks for its right', () => {
  const app = path.join(process.cwd(), 'src/app')
  const files = readdirSync(app, { recursive: true, encoding: 'utf8' })

  test('route handlers are made by route() alone', () => {
    const routes = files.filter((file) => file.endsWith('route.ts'))
    expect(routes.length).toBeGreaterThan(8)
    for (const file of routes) {
      const text = readFileSync(path.join(app, file), 'utf8')
      const handlers = [...text.matchAll(/export (?:const|async function|function) (\w+)( = route\()?/g)]
      expect(handlers.length).toBeGreaterThan(0)
      for (const [whole, , made] of handlers) expect([file, whole, made !== undefined]).toEqual([file, whole, true])
    }
  })

  test('pages ask for a visitor and a right, or are the open ones', () => {
    // A link with a secret is checked where it is read.
    const open = [
      'bench/page.tsx',
      'bench/open/page.tsx',
      'sign-in/page.tsx',
      'first/[token]/page.tsx',
      'invitation/[token]/page.tsx',
    ]
    for (const file of files.filter((name) => name.endsWith('page.tsx') && !open.includes(name))) {
      const text = readFileSync(path.join(app, file), 'utf8')
      expect([file, /await visitor\([^;]*'[a-z]+\.[a-z]+'|await collegeVisitor\(|!may\(bench, 'run\.read'/.test(text)]).toEqual([
        file,
        true,
      ])
    }
  })
})
