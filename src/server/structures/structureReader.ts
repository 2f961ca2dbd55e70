import { fork, type ChildProcess } from 'node:child_process'
import path from 'node:path'
import type { Answered, Asked, Tasks } from './drawingProcess'
import { Refusal } from '../refusal'

interface Job {
  task: keyof Tasks
  text: string
  done: (found: unknown) => void
  /** `spent`: time or memory ran out, which is no fault of every structure. */
  refuse: (why: string, spent?: boolean) => void
}

/** A structure of a teaching laboratory is drawn in some milliseconds. */
const longestMs = 10_000
const memoryMB = 192

/**
 * Asks the drawing process, one structure at a time. A process that does not answer in time, or that dies, is replaced; the structure it had is refused, those that waited are asked again.
 */
class StructureReader {
  private readonly waiting: Job[] = []
  private now: Job | undefined
  private child: ChildProcess | undefined
  private ready = false
  private timer: NodeJS.Timeout | undefined
  private last = 0

  ask<T extends keyof Tasks>(task: T, text: string): Promise<ReturnType<Tasks[T]>> {
    return new Promise((resolve, reject) => {
      this.waiting.push({
        task,
        text,
        done: (found) => resolve(found as ReturnType<Tasks[T]>),
        refuse: (why, spent) => reject(new Refusal(400, why, { field: 'structure', ...(spent ? { spent } : {}) })),
      })
      this.next()
    })
  }

  private next(): void {
    if (this.now || this.waiting.length === 0) return
    this.child ??= this.start()
    if (!this.ready) return
    this.now = this.waiting.shift()!
    const message: Asked = { id: ++this.last, task: this.now.task, text: this.now.text }
    this.child.send(message)
    this.timer = setTimeout(() => this.child?.kill('SIGKILL'), longestMs)
  }

  private start(): ChildProcess {
    const home = process.env.MOZLE_HOME ?? process.cwd()
    const script = path.join(/*turbopackIgnore: true*/ home, 'src/server/structures/drawingProcess.ts')
    const child = fork(/*turbopackIgnore: true*/ script, {
      cwd: home,
      execArgv: [
        '--import',
        `file://${path.join(home, 'node_modules/tsx/dist/esm/index.mjs')}`,
        `--max-old-space-size=${memoryMB}`,
      ],
      env: { PATH: process.env.PATH, TSX_TSCONFIG_PATH: path.join(home, 'tsconfig.json'), NODE_ENV: 'production' },
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    })
    child.on('message', (message: Answered) => this.heard(message))
    child.once('exit', () => this.ended(child))
    child.once('error', () => this.ended(child))
    // Whoever asks waits by other means; the process alone keeps nobody from ending.
    child.unref()
    child.channel?.unref()
    return child
  }

  private heard(message: Answered): void {
    if ('ready' in message) this.ready = true
    else if (message.id === this.last)
      this.settle((job) => ('found' in message ? job.done(message.found) : job.refuse(message.refused)))
    this.next()
  }

  private ended(child: ChildProcess): void {
    if (this.child !== child) return
    const began = this.ready
    this.child = undefined
    this.ready = false
    this.settle((job) =>
      job.refuse('This structure took too long or too much memory to read. Write the substance by its formula instead.', true),
    )
    // A process that cannot even start answers everybody, instead of being started again and again.
    if (!began) for (const job of this.waiting.splice(0)) job.refuse('Structures cannot be read at the moment.', true)
    this.next()
  }

  private settle(how: (job: Job) => void): void {
    clearTimeout(this.timer)
    const job = this.now
    this.now = undefined
    if (job) how(job)
  }
}

const reader = new StructureReader()

/** Reads SMILES or a molfile. @throws Refusal 400 */
export const understandStructure = (text: string) => reader.ask('understand', text)

/** A structure as a molfile whose first line, the name, is yet to be put before it. @throws Refusal 400 */
export const molfileOf = (smiles: string) => reader.ask('molfile', smiles)

const mostKept = 2000
/** Drawings by structure, the last used last. What could not be drawn is kept as well, so that it is not tried at every visit. */
const kept = new Map<string, Promise<string | null>>()

/** A structure drawn as SVG, each only once; null where it cannot be. */
export function drawingOf(smiles: string): Promise<string | null> {
  const drawing =
    kept.get(smiles) ??
    reader.ask('draw', smiles).catch((error: Refusal) => {
      // What can never be drawn is not tried again; what only took too long this time is.
      if (error.details.spent) kept.delete(smiles)
      return null
    })
  kept.delete(smiles)
  kept.set(smiles, drawing)
  if (kept.size > mostKept) kept.delete(kept.keys().next().value!)
  return drawing
}

/** Starts the drawing process, so that the first page need not wait for it. */
export async function warmUp(): Promise<void> {
  await drawingOf('CC')
}
