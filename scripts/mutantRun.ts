import { readFileSync, statSync } from 'node:fs'
import { createRequire } from 'node:module'
import path from 'node:path'
import { transformSync } from '@swc/core'
import { home } from './home'
import { ModuleMemory } from './moduleMemory'
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

/** What a suite wants done around its tests. Any of them may be run alone, so that it is done around each. */
interface Hooks {
  before: (() => unknown)[]
  after: (() => unknown)[]
}

interface Test {
  /** Its suite and its place in it: the same each time that the suite is loaded. */
  name: string
  suite: string
  hooks: Hooks
  run: () => unknown
  ms: number
  reaches: Set<number>
  /** The modules of which something was read while it ran. */
  reads: Set<string>
}

interface Module {
  exports: unknown
  /** The modules of which it read something while it was loaded: it holds what they were then. */
  reads: Set<string>
}

let active = -1
let running: Pick<Test, 'reaches' | 'reads'> | undefined
const globals = globalThis as unknown as Record<string, unknown>
globals.__m = (number: number) => {
  running?.reaches.add(number)
  return number === active
}

type Code = (module: { exports: unknown }, exports: unknown, require: (id: string) => unknown, dirname: string) => void
const codes = new Map<string, Code>()
let loaded = new Map<string, Module>()
/** The modules that are being loaded now, the innermost last. */
const loading: Module[] = []

const memory = new ModuleMemory(globals, () => loading.length > 0)

let switched = new Map<string, number>()
let tests: Test[] = []
let suite = ''
let ofSuite = 0
let hooks: Hooks

const found = (place: string): string => {
  for (const each of [place, `${place}.ts`, `${place}.tsx`, path.join(place, 'index.ts')])
    if (statSync(each, { throwIfNoEntry: false })?.isFile()) return each
  throw new Error(`There is no ${place}.`)
}

function codeOf(file: string): Code {
  const known = codes.get(file)
  if (known) return known
  const text = readFileSync(file, 'utf8')
  const first = switched.get(file)
  const built = transformSync(first === undefined ? text : withSwitches(text, first).code, {
    filename: file,
    swcrc: false,
    jsc: { parser: { syntax: 'typescript', tsx: file.endsWith('x') }, target: 'es2022' },
    module: { type: 'commonjs' },
  })
  const code = new Function('module', 'exports', 'require', '__dirname', built.code) as unknown as Code
  codes.set(file, code)
  return code
}

/** What an importer holds of one of the project's modules: it leads to the module as it is loaded now, and notes who reads. */
const fronts = new Map<string, object>()
function front(file: string): object {
  const known = fronts.get(file)
  if (known) return known
  const now = () => loaded.get(file)!.exports as object
  const made: object = new Proxy(
    {},
    {
      get: (_, name) => {
        if (name !== '__esModule') (loading.at(-1) ?? running)?.reads.add(file)
        return Reflect.get(now(), name) as unknown
      },
      has: (_, name) => Reflect.has(now(), name),
      ownKeys: () => Reflect.ownKeys(now()),
      getOwnPropertyDescriptor: (_, name): PropertyDescriptor | undefined => {
        const own = Reflect.getOwnPropertyDescriptor(now(), name)
        return own && { enumerable: own.enumerable!, configurable: true, value: Reflect.get(made, name) as unknown }
      },
    },
  )
  fronts.set(file, made)
  return made
}

/** The project's own modules are loaded here, so that they can be loaded anew; packages once and for all by Node.js. */
function load(file: string): unknown {
  const native = createRequire(file)
  if (!/\.tsx?$/.test(file)) return native(file)
  if (loaded.has(file)) return front(file)
  const module: Module = { exports: {}, reads: new Set() }
  loaded.set(file, module)
  loading.push(module)
  try {
    codeOf(file)(
      module,
      module.exports,
      (id) => {
        if (id === 'openchemlib') return load(path.join(home, 'src/test-support/openchemlib.cjs'))
        if (id.startsWith('@/')) return load(found(path.join(home, 'src', id.slice(2))))
        return id.startsWith('.') ? load(found(path.resolve(path.dirname(file), id))) : native(id)
      },
      path.dirname(file),
    )
  } finally {
    loading.pop()
  }
  return front(file)
}

/** A module and those that hold, since they were loaded, something that comes from it. */
function holding(file: string): Set<string> {
  const all = new Set([file])
  for (const each of all) for (const [other, { reads }] of loaded) if (reads.has(each)) all.add(other)
  return all
}

const around = (when: keyof Hooks) => (run: () => unknown) => void hooks[when].push(run)

/** `test` and `describe` as the suites call them: each test is kept, to be run as often as is asked for. */
function collect(): void {
  const test = (name: string, run: () => unknown) =>
    tests.push({ name: `${suite} ${++ofSuite}: ${name}`, suite, hooks, run, ms: 0, reaches: new Set(), reads: new Set() })
  const describe = (_name: string, body: () => void) => body()
  const each =
    (call: (name: string, run: () => unknown) => unknown) =>
    (table: readonly unknown[]) =>
    (name: string, run: (...row: unknown[]) => unknown) =>
      table.forEach((row) => call(name, () => (Array.isArray(row) ? run(...(row as unknown[])) : run(row))))
  const require = createRequire(path.join(home, 'package.json'))
  Object.assign(globals, {
    test: Object.assign(test, { each: each(test) }),
    it: Object.assign(test, { each: each(test) }),
    describe: Object.assign(describe, { each: each(describe as never) }),
    expect: (require('expect') as { expect: unknown }).expect,
    beforeAll: around('before'),
    beforeEach: around('before'),
    afterEach: around('after'),
    afterAll: around('after'),
  })
  const fc = require('fast-check') as { configureGlobal: (to: object) => void }
  // A failure is a failure: the smallest example is for people. The same examples each time.
  fc.configureGlobal({ endOnFailure: true, seed: 1 })
}

/** Loads suites: their tests stand at the end of the list. @throws where one cannot be loaded */
function loadSuites(files: readonly string[]): void {
  for (const file of files) {
    suite = path.join(home, file)
    ofSuite = 0
    hooks = { before: [], after: [] }
    load(suite)
  }
}

async function failure({ hooks: { before, after }, run }: Test): Promise<string | undefined> {
  try {
    for (const each of before) await each()
    await run()
    return undefined
  } catch (error) {
    return String((error as Error).message).slice(0, 600)
  } finally {
    for (const each of after) await each()
  }
}

let files: string[] = []
/** The changes that are reached while the modules are loaded, and the module of each. */
const still = new Map<number, string>()
/** The tests that noticed a change in a module: the first to be asked about its next. */
const noticing = new Map<string, Test[]>()

/** Runs every test once, and notes which changes each reaches and how long it takes. */
async function first(asked: Everything): Promise<Ready> {
  switched = new Map(asked.files.map(([file, number]) => [path.join(home, file), number]))
  files = asked.tests
  collect()
  const reaches = new Set<number>()
  running = { reaches, reads: new Set() }
  loadSuites(files)
  memory.isLoaded()
  for (const number of reaches) still.set(number, moduleOf(number))
  const failing = new Map<string, string>()
  for (const test of tests) {
    running = test
    const start = performance.now()
    const why = await failure(test)
    if (why !== undefined) failing.set(test.name, why)
    test.ms = performance.now() - start
  }
  running = undefined
  tests = tests.filter(({ name }) => !failing.has(name)).sort((a, b) => a.ms - b.ms)
  return {
    reached: [...new Set([...still.keys(), ...tests.flatMap(({ reaches }) => [...reaches])])],
    failing: [...failing].map((each) => each.join('\n')),
  }
}

/** The module in which a change stands. */
const moduleOf = (mutant: number): string => [...switched].filter(([, from]) => from <= mutant).at(-1)![0]

/** Whether one of the tests fails as things stand now. */
async function anyFails(asked: readonly Test[], module: string): Promise<boolean> {
  const known = noticing.get(module) ?? []
  const order = [...known.filter((test) => asked.includes(test)), ...asked.filter((test) => !known.includes(test))]
  for (const test of order)
    if ((await failure(current.get(test.name) ?? test)) !== undefined) {
      noticing.set(module, [test, ...known.filter((each) => each !== test)])
      return true
    }
  return false
}

/** The tests of suites that are loaded anew, by name. */
const current = new Map<string, Test>()

/** Whether some test fails with this change. What is worked out while loading is loaded anew with it, and so is all that holds it; asked are the tests that read any of that. */
async function notices(mutant: number): Promise<boolean> {
  active = mutant
  memory.forget()
  const module = moduleOf(mutant)
  const [before, modules, standing] = [tests, loaded, memory.maps]
  try {
    if (
      await anyFails(
        tests.filter(({ reaches }) => reaches.has(mutant)),
        module,
      )
    )
      return true
    if (!still.has(mutant)) return false
    const anew = holding(module)
    memory.forget()
    memory.maps = [...standing]
    loaded = new Map([...modules].filter(([file]) => !anew.has(file)))
    tests = []
    try {
      for (const file of modules.keys()) if (anew.has(file) && !file.endsWith('.test.ts')) load(file)
      loadSuites(files.filter((file) => anew.has(path.join(home, file))))
    } catch {
      return true
    }
    for (const test of tests) current.set(test.name, test)
    return await anyFails(
      before.filter((test) => anew.has(test.suite) || [...test.reads].some((file) => anew.has(file))),
      module,
    )
  } finally {
    active = -1
    memory.maps = standing
    memory.forget()
    tests = before
    loaded = modules
    current.clear()
  }
}

process.on('message', (asked: Asked) => {
  const answer = 'files' in asked ? first(asked) : notices(asked.mutant).then((noticed) => ({ mutant: asked.mutant, noticed }))
  void answer.then((told: Told) => process.send!(told))
})
