import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { workFolder } from './home'

/** Whether the process of that id still runs. */
export function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM'
  }
}

/** Takes a lock file that names this process, or returns the id of the running process that holds it. A lock left by a dead process is taken over. */
export function takeLock(name: string): { release: () => void } | { heldBy: number } {
  const file = path.join(workFolder(), `${name}.lock`)
  for (;;) {
    try {
      writeFileSync(file, String(process.pid), { flag: 'wx' })
      return { release: () => rmSync(file, { force: true }) }
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error
      const holder = Number(readFileSync(file, 'utf8'))
      if (holder && holder !== process.pid && isRunning(holder)) return { heldBy: holder }
      rmSync(file, { force: true })
    }
  }
}

/** Does something while holding a lock, waiting for it first. */
export async function withLock<T>(name: string, work: () => Promise<T>): Promise<T> {
  for (;;) {
    const lock = takeLock(name)
    if ('release' in lock) {
      try {
        return await work()
      } finally {
        lock.release()
      }
    }
    await new Promise((resolve) => setTimeout(resolve, 300))
  }
}
