import { fork, type ChildProcess } from 'node:child_process'
import { existsSync } from 'node:fs'
import path from 'node:path'
import type { Answered, Asked, TaskList } from './answerTasks'

/** A program of this folder's kind, run in a process of its own. */
export interface Program {
  /** Its script, from the project's folder. */
  script: string
  /** How much memory its heap may take, MB. */
  memoryMB: number
  /** What it is told of the application's surroundings, asked when it is started; nothing where it needs nothing. */
  env?: () => Readonly<Record<string, string | undefined>>
}

/** One that answers one task after the other. */
interface Answering extends Program {
  /** How long one task may take, ms. */
  longestMs: number
}

/** So long it waits for the next task before its memory is given back, ms. */
const idleMs = 300_000

/** A task that was refused: by itself, in words of its own, or because its time or memory was spent. */
export class ApartError extends Error {
  override name = 'ApartError'

  constructor(
    message: string,
    /** True where nothing is known of the task itself: time or memory ran out, or its process could not be started. */
    readonly spent: boolean,
  ) {
    super(message)
  }
}

/** How a program of our own is started apart, without the secrets of the application: as the one file that was made of it when the application was built, and else by the loader of its language. */
export const startedAs = (program: Program) => {
  const home = process.env.MOZLE_HOME ?? process.cwd()
  const built = process.env.MOZLE_DIST
    ? path.join(/*turbopackIgnore: true*/ home, process.env.MOZLE_DIST, 'apart', `${nameOf(program)}.mjs`)
    : ''
  const isBuilt = built !== '' && existsSync(/*turbopackIgnore: true*/ built)
  return {
    script: isBuilt ? built : path.join(/*turbopackIgnore: true*/ home, program.script),
    options: {
      cwd: home,
      execArgv: [
        ...(isBuilt ? [] : ['--import', `file://${path.join(home, 'node_modules/tsx/dist/esm/index.mjs')}`]),
        `--max-old-space-size=${program.memoryMB}`,
      ],
      env: {
        PATH: process.env.PATH,
        MOZLE_HOME: home,
        TSX_TSCONFIG_PATH: path.join(home, 'tsconfig.json'),
        NODE_ENV: 'production' as const,
        ...program.env?.(),
      },
    },
  }
}

const nameOf = ({ script }: Program) => path.basename(script, '.ts')

interface Job {
  task: string
  args: readonly unknown[]
  done: (found: unknown) => void
  refuse: (error: ApartError) => void
}

/**
 * Asks a process of its own, one task at a time: what takes too long or too much memory ends that process and not the application. A process that does not answer in time, or that dies, is replaced; the
 * task that it had is refused, those that waited are asked again.
 */
export class Apart<T extends TaskList> {
  private readonly waiting: Job[] = []
  private now: Job | undefined
  private child: ChildProcess | undefined
  private ready = false
  private timer: NodeJS.Timeout | undefined
  private idle: NodeJS.Timeout | undefined
  private last = 0

  constructor(
    private readonly program: Answering,
    private readonly words: { spent: string; unable: string },
  ) {}

  /** @throws ApartError */
  ask<K extends keyof T & string>(task: K, ...args: Parameters<T[K]>): Promise<Awaited<ReturnType<T[K]>>> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ task, args, done: (found) => resolve(found as Awaited<ReturnType<T[K]>>), refuse: reject })
      this.next()
    })
  }

  private next(): void {
    clearTimeout(this.idle)
    if (this.now) return
    if (this.waiting.length === 0) {
      this.idle = setTimeout(() => this.rest(), idleMs).unref()
      return
    }
    this.child ??= this.start()
    if (!this.ready) return
    this.now = this.waiting.shift()!
    const message: Asked = { id: ++this.last, task: this.now.task, args: this.now.args }
    this.child.send(message)
    this.timer = setTimeout(() => this.child?.kill('SIGKILL'), this.program.longestMs)
  }

  private start(): ChildProcess {
    const { script, options } = startedAs(this.program)
    const child = fork(/*turbopackIgnore: true*/ script, { ...options, stdio: ['ignore', 'ignore', 'ignore', 'ipc'] })
    child.on('message', (message: Answered) => this.heard(message))
    child.once('exit', () => this.ended(child))
    child.once('error', () => this.ended(child))
    // Whoever asks waits by other means; the process alone keeps nobody from ending.
    child.unref()
    child.channel?.unref()
    return child
  }

  /** Gives its process back; the next task starts another. */
  rest(): void {
    const child = this.child
    this.child = undefined
    this.ready = false
    child?.disconnect()
  }

  private heard(message: Answered): void {
    if ('ready' in message) this.ready = true
    else if (message.id === this.last)
      this.settle((job) => ('found' in message ? job.done(message.found) : job.refuse(new ApartError(message.refused, false))))
    this.next()
  }

  private ended(child: ChildProcess): void {
    if (this.child !== child) return
    const began = this.ready
    this.child = undefined
    this.ready = false
    this.settle((job) => job.refuse(new ApartError(this.words.spent, true)))
    // A process that cannot even start answers everybody, instead of being started again and again.
    if (!began) for (const job of this.waiting.splice(0)) job.refuse(new ApartError(this.words.unable, true))
    this.next()
  }

  private settle(how: (job: Job) => void): void {
    clearTimeout(this.timer)
    const job = this.now
    this.now = undefined
    if (job) how(job)
  }
}
