import type { ChildProcess } from 'node:child_process'
import { isStopping } from './child'

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** How long is waited before the first, the second and every later try, s; what has run for a minute begins anew. */
const waits = [0.2, 0.5, 1, 5, 15, 30]
const settledMs = 60_000

/**
 * Starts a program again whenever it ends by itself, with a wait that grows, and says so, until everything is being ended. @param start starts it once more, and rejects where it does not come up
 */
export function keepRunning(
  name: string,
  first: ChildProcess,
  start: () => Promise<ChildProcess>,
  say: (line: string) => void = (line) => console.error(line),
): void {
  let [child, since, tries] = [first, Date.now(), 0]
  const ended = (code: number | null, signal: NodeJS.Signals | null) => {
    if (isStopping()) return
    if (Date.now() - since > settledMs) tries = 0
    void again(signal ?? `exit code ${code}`)
  }
  const again = async (why: string) => {
    for (let reason = why; !isStopping();) {
      const seconds = waits[Math.min(tries++, waits.length - 1)]!
      say(`mozle: ${name} ended by itself (${reason}); it is started again in ${seconds} s.`)
      await pause(seconds * 1000)
      if (isStopping()) return
      try {
        child = await start()
        since = Date.now()
        child.once('exit', ended)
        say(`mozle: ${name} is back.`)
        return
      } catch (error) {
        reason = (error as Error).message
      }
    }
  }
  child.once('exit', ended)
}
