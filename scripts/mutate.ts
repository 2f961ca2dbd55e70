import { fork, type ChildProcess } from 'node:child_process'
import { readFileSync, readdirSync, statSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { home } from './home'
import type { Asked, Everything, Ready, Told } from './mutantRun'
import { withSwitches, type Mutant } from './mutants'

/** A change that takes longer than this goes round for ever, which a person would notice. */
const mostMs = 60_000

const listed = (root: string, wanted: (file: string) => boolean) =>
  readdirSync(path.join(home, root), { recursive: true, encoding: 'utf8' })
    .map((file) => path.join(root, file))
    .filter(wanted)
    .sort()

/** A process of its own that runs the tests of the core, with one change at a time. */
class Runner {
  private child: ChildProcess | undefined

  constructor(private readonly all: Everything) {}

  /** Starts it anew. @returns the changes that some test reaches, and suites that fail without any */
  async start(): Promise<Ready> {
    this.child?.kill('SIGKILL')
    this.child = fork(path.join(home, 'scripts/mutantRun.ts'), [], {
      cwd: home,
      execArgv: process.execArgv,
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    })
    const ready = await this.ask(this.all, 10 * mostMs)
    if (!ready || !('reached' in ready)) throw new Error('The tests of the core did not run.')
    return ready
  }

  /** Whether a test notices the change. A process that does not answer is started again, and its change counts as noticed. */
  async notices(mutant: number): Promise<boolean> {
    const told = await this.ask({ mutant }, mostMs)
    if (told && 'noticed' in told) return told.noticed
    await this.start()
    return true
  }

  stop(): void {
    this.child?.kill('SIGKILL')
  }

  private ask(asked: Asked, ms: number): Promise<Told | undefined> {
    const { child } = this
    return new Promise((resolve) => {
      const end = (told?: Told) => {
        clearTimeout(timer)
        child!.off('message', end)
        child!.off('exit', gone)
        resolve(told)
      }
      const gone = () => end()
      const timer = setTimeout(() => end(), ms)
      child!.once('message', end)
      child!.once('exit', gone)
      child!.send(asked)
    })
  }
}

/**
 * `mozle mutate [PATH]`: changes every decision under a folder of the core, one at a time, and says which changes the tests of the core do not notice. The source is read once, with a switch at each
 * decision; of each change only the tests are run that reach it.
 * @param every 1 for all of them, 10 for each tenth: a sample of a large folder
 */
export async function mutate(wanted = 'src/core', every = 1): Promise<void> {
  const root = wanted.replace(/\/$/, '')
  const isSource = (file: string) => file.endsWith('.ts') && !file.endsWith('.test.ts')
  const files = statSync(path.join(home, root)).isDirectory() ? listed(root, isSource) : [root]
  const mutants: (Mutant & { file: string })[] = []
  const numbered = files.map((file): [string, number] => {
    const first = mutants.length
    for (const mutant of withSwitches(readFileSync(path.join(home, file), 'utf8'), first).mutants)
      mutants.push({ ...mutant, file })
    return [file, first]
  })
  // What needs an environment of its own cannot be run in one process with the others.
  const isTest = (file: string) =>
    file.endsWith('.test.ts') && !readFileSync(path.join(home, file), 'utf8').includes('@jest-environment')
  const tests = ['src/core', 'src/demo', 'src/reference'].flatMap((root) => listed(root, isTest))
  const runners = Array.from({ length: Math.max(1, os.cpus().length) }, () => new Runner({ files: numbered, tests }))
  try {
    const [ready] = await Promise.all(runners.map((runner) => runner.start()))
    if (ready!.failing.length > 0) console.log(`left out, since they fail here without a change:\n${ready!.failing.join('\n')}`)
    const reached = new Set(ready!.reached)
    const survivors: number[] = []
    const chosen = new Set([...mutants.keys()].filter((number) => number % every === 0))
    const queue = [...chosen]
    let done = 0
    const work = async (runner: Runner) => {
      for (let next = queue.shift(); next !== undefined; next = queue.shift()) {
        if (!reached.has(next) || !(await runner.notices(next))) {
          survivors.push(next)
          const { file, line, was, becomes } = mutants[next]!
          console.log(`${file}:${line}  ${was} → ${becomes}${reached.has(next) ? '' : '  (no test goes there)'}`)
        }
        if (++done % 500 === 0) console.log(`${done} of ${chosen.size}`)
      }
    }
    await Promise.all(runners.map(work))
    const share = (numbers: (number: number) => boolean) => {
      const of = [...chosen].filter(numbers).length
      const left = survivors.filter(numbers).length
      return `${of - left} of ${of} changes noticed: ${((100 * (of - left)) / Math.max(1, of)).toFixed(0)} %`
    }
    const parts = [...new Set(mutants.map(({ file }) => path.dirname(file)))]
    for (const part of parts) console.log(`${part.padEnd(44)} ${share((number) => path.dirname(mutants[number]!.file) === part)}`)
    console.log(share(() => true))
  } finally {
    for (const runner of runners) runner.stop()
  }
}
