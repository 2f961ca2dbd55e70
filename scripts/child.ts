import { spawn, type ChildProcess } from 'node:child_process'
import { closeSync, openSync, rmSync } from 'node:fs'
import { knownProcess, signalGroup, writeKnown } from './process'

const running = new Set<ChildProcess>()
let stopping = false

/** True from the moment at which everything is being ended: what ends then is not started again. */
export const isStopping = () => stopping

/**
 * Starts a program in a process group of its own, its output going to `log`, and remembers it so
 * that `stopAll` ends it (`null`: to where our own goes, for who keeps it there): Ctrl-C must reach the database only after the application is down. Which process it is stands in `record` while it runs, so that a later command can end it where this one could not.
 */
export function startChild(
  program: string,
  args: string[],
  options: {
    log: string | null
    record: string
    env?: NodeJS.ProcessEnv
    cwd?: string
    /** Hears what it sends; without it the child has nobody to send to. */
    hears?: (message: unknown) => void
  },
): ChildProcess {
  const log = options.log === null ? ('inherit' as const) : openSync(options.log, 'a')
  const child = spawn(program, args, {
    cwd: options.cwd,
    env: options.env ?? process.env,
    stdio: options.hears ? ['ignore', log, log, 'ipc'] : ['ignore', log, log],
    detached: true,
  })
  if (options.hears) child.on('message', options.hears)
  if (typeof log === 'number') closeSync(log)
  if (child.pid) writeKnown(options.record, knownProcess(child.pid))
  running.add(child)
  child.once('exit', () => {
    running.delete(child)
    rmSync(options.record, { force: true })
  })
  return child
}

/** Has a program that was started by other means ended with everything else. */
export function endWithUs(child: ChildProcess): void {
  running.add(child)
  child.once('exit', () => running.delete(child))
}

/** Asks a child to end, and ends it by force when it does not within ten seconds. */
export async function stopChild(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return
  await new Promise<void>((resolve) => {
    const force = setTimeout(() => signalGroup(child.pid!, 'SIGKILL'), 10_000)
    child.once('exit', () => {
      clearTimeout(force)
      resolve()
    })
    signalGroup(child.pid!, 'SIGTERM')
  })
}

/** Ends everything still running, the last started first. */
export async function stopAll(): Promise<void> {
  stopping = true
  for (const child of [...running].reverse()) await stopChild(child)
}

/** Makes every way of leaving end what was started. */
export function stopAllOnSignals(): void {
  for (const name of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
    process.once(name, () => {
      void stopAll().then(() => process.exit(name === 'SIGINT' ? 130 : 143))
    })
  }
}
