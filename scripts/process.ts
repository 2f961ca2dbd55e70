import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'

/** A process by its id and the moment it began, so that another one that got the same id later is not taken for it. */
export interface KnownProcess {
  pid: number
  /** Clock ticks from the start of the machine (proc(5), field 22); null where the system does not tell. */
  began: string | null
}

/** When a process began; null for one that does not run, or where the system does not tell. */
function beganAt(pid: number): string | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    // The name in parentheses may hold anything; what follows it has no parentheses. A zombie runs no more.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    return fields[0] === 'Z' ? null : (fields[19] ?? null)
  } catch {
    return null
  }
}

export function knownProcess(pid: number): KnownProcess {
  return { pid, began: beganAt(pid) }
}

/** Whether exactly this process still runs. */
export function runs({ pid, began }: KnownProcess): boolean {
  try {
    process.kill(pid, 0)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false
  }
  return !existsSync('/proc/self/stat') || (began !== null && beganAt(pid) === began)
}

export function writeKnown(file: string, known: KnownProcess): void {
  writeFileSync(file, JSON.stringify(known), { mode: 0o600 })
}

export function readKnown(file: string): KnownProcess | undefined {
  try {
    const { pid, began } = JSON.parse(readFileSync(file, 'utf8')) as Partial<KnownProcess>
    return typeof pid === 'number' ? { pid, began: began ?? null } : undefined
  } catch {
    return undefined
  }
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** Ends a process and its group that an earlier command left behind, and waits until it is gone. @returns whether there was one */
export async function endLeftOver(file: string, patienceMs = 15_000): Promise<boolean> {
  const known = readKnown(file)
  if (!known || !runs(known)) {
    rmSync(file, { force: true })
    return false
  }
  signalGroup(known.pid, 'SIGTERM')
  const until = Date.now() + patienceMs
  while (runs(known)) {
    if (Date.now() > until) signalGroup(known.pid, 'SIGKILL')
    await pause(50)
  }
  rmSync(file, { force: true })
  return true
}

export function signalGroup(pid: number, name: NodeJS.Signals): void {
  try {
    process.kill(-pid, name)
  } catch {
    try {
      process.kill(pid, name)
    } catch {
      // Gone already.
    }
  }
}
