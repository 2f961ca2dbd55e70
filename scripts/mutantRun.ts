import { readFileSync, statSync } from 'node:fs'
import { createRequire } from 'node:module'
import path from 'node:path'
import { transformSync } from '@swc/core'
import { home } from './home'
import { withSwitches } from './mutants'

/** What is sent to a runner: first the files with their first numbers, then one change at a time. */
export interface Everything {
  files: [file: string, first: number][]
  tests: string[]
}
export interface Ready {
  /** The changes that some test reaches. */
  reached: number[]
  /** Tests that fail without any change, with the reason. */
  failing: string[]
}
export interface Noticed {
  mutant: number
  noticed: boolean
}
export type Asked = Everything | { mutant: number }
export type Told = Ready | Noticed

interface Test {
  /** Its suite and its place in it: the same each time that the suites are loaded. */
  name: string
  run: () => unknown
  ms: number
  reaches: Set<number>
}

let active = -1
let reaching: Set<number> | undefined
const globals = globalThis as unknown as Record<string, unknown>
globals.__m = (number: number) => {
  reaching?.add(number)
  return number === active
}

const codes = new Map<
  string,
  (module: { exports: unknown }, exports: unknown, require: (id: string) => unknown, dirname: string) => void
>()
let loaded = new Map<string, { exports: unknown }>()
let switched = new Map<string, number>()
let tests: Test[] = []
let suite = ''

const found = (place: string): string => {
  for (const each of [place, `${place}.ts`, `${place}.tsx`, path.join(place, 'index.ts')])
    if (statSync(each, { throwIfNoEntry: false })?.isFile()) return each
  throw new Error(`There is no ${place}.`)
}

/** The project's own modules are loaded here, so that they can be loaded anew; packages once and for all by Node.js. */
function load(file: string): unknown {
  const known = loaded.get(file)
  if (known) return known.exports
  const module = { exports: {} as unknown }
  loaded.set(file, module)
  const native = createRequire(file)
  if (!/\.tsx?$/.test(file)) return (module.exports = native(file))
  let code = codes.get(file)
  if (!code) {
    const text = readFileSync(file, 'utf8')
    const first = switched.get(file)
    const source = first === undefined ? text : withSwitches(text, first).code
    const built = transformSync(source, {
      filename: file,
      swcrc: false,
      jsc: { parser: { syntax: 'typescript', tsx: file.endsWith('x') }, target: 'es2022' },
      module: { type: 'commonjs' },
    })
    code = new Function('module', 'exports', 'require', '__dirname', built.code) as unknown as NonNullable<typeof code>
    codes.set(file, code)
  }
  code(
    module,
    module.exports,
    (id) => {
      if (id === 'openchemlib') return load(path.join(home, 'src/test-support/openchemlib.cjs'))
      if (id.startsWith('@/')) return load(found(path.join(home, 'src', id.slice(2))))
      return id.startsWith('.') ? load(found(path.resolve(path.dirname(file), id))) : native(id)
    },
    path.dirname(file),
  )
  return module.exports
}

/** `test` and `describe` as the suites call them: each test is kept, to be run as often as is asked for. */
function collect(): void {
  const test = (name: string, run: () => unknown) =>
    tests.push({ name: `${suite} ${tests.length}: ${name}`, run, ms: 0, reaches: new Set() })
  const describe = (_name: string, body: () => void) => body()
  const each =
    (call: (name: string, run: () => unknown) => unknown) =>
    (table: readonly unknown[]) =>
    (name: string, run: (...row: unknown[]) => unknown) =>
      table.forEach((row) => call(name, () => (Array.isArray(row) ? run(...(row as unknown[])) : run(row))))
  const hooks = Object.fromEntries(
    ['beforeAll', 'afterAll', 'beforeEach', 'afterEach'].map((name) => [
      name,
      (run: () => void) => name === 'beforeAll' && run(),
    ]),
  )
  const require = createRequire(path.join(home, 'package.json'))
  Object.assign(globals, {
    test: Object.assign(test, { each: each(test) }),
    describe: Object.assign(describe, { each: each(describe as never) }),
    expect: (require('expect') as { expect: unknown }).expect,
    ...hooks,
  })
  const fc = require('fast-check') as { configureGlobal: (to: object) => void }
  // A failure is a failure: the smallest example is for people. The same examples each time.
  fc.configureGlobal({ endOnFailure: true, seed: 1 })
}

/** Loads every suite from the beginning. @throws where one cannot be loaded */
function loadAll(files: readonly string[]): void {
  loaded = new Map()
  tests = []
  for (const file of files) {
    suite = file
    load(path.join(home, file))
  }
}

async function failure({ run }: Test): Promise<string | undefined> {
  try {
    await run()
    return undefined
  } catch (error) {
    return String((error as Error).message).slice(0, 600)
  }
}

let files: string[] = []
const still = new Set<number>()

/** Runs every test once, and notes which changes each reaches and how long it takes. */
async function first(asked: Everything): Promise<Ready> {
  switched = new Map(asked.files.map(([file, number]) => [path.join(home, file), number]))
  files = asked.tests
  collect()
  reaching = still
  loadAll(files)
  const failing = new Map<string, string>()
  for (const test of tests) {
    reaching = test.reaches
    const start = performance.now()
    const why = await failure(test)
    if (why !== undefined) failing.set(test.name, why)
    test.ms = performance.now() - start
  }
  reaching = undefined
  tests = tests.filter(({ name }) => !failing.has(name)).sort((a, b) => a.ms - b.ms)
  return {
    reached: [...new Set([...still, ...tests.flatMap(({ reaches }) => [...reaches])])],
    failing: [...failing].map((each) => each.join('\n')),
  }
}

/** Whether some test fails with this change. What is worked out while loading is loaded anew with it. */
async function notices(mutant: number): Promise<boolean> {
  active = mutant
  try {
    for (const test of tests) if (test.reaches.has(mutant) && (await failure(test)) !== undefined) return true
    if (!still.has(mutant)) return false
    const [before, modules] = [tests, loaded]
    try {
      try {
        loadAll(files)
      } catch {
        return true
      }
      const fresh = tests
      const kept = new Set(before.map(({ name }) => name))
      for (const test of fresh.filter(({ name }) => kept.has(name))) if ((await failure(test)) !== undefined) return true
      return false
    } finally {
      tests = before
      loaded = modules
    }
  } finally {
    active = -1
  }
}

process.on('message', (asked: Asked) => {
  const answer = 'files' in asked ? first(asked) : notices(asked.mutant).then((noticed) => ({ mutant: asked.mutant, noticed }))
  void answer.then((told: Told) => process.send!(told))
})
