import { startChild } from './child'
import { signalGroup } from './process'

interface Progress {
  kind: 'begins' | 'ended'
  name: string
  outcome?: 'passed' | 'failed'
}

export interface Ended {
  code: number
  /** True where it said nothing for too long and was ended. */
  hung: boolean
  passed: number
  failed: number
}

/**
 * Runs Jest or Playwright with the reporter of `progress.cjs`. Each test has its own limit; where none begins or ends for `silentMs` something holds the
 * whole program (an endless loop, say), and it is ended with what was counted until then.
 */
export function watched(
  program: string,
  args: string[],
  { record, env, silentMs }: { record: string; env: Record<string, string>; silentMs: number },
): Promise<Ended> {
  return new Promise((resolve, reject) => {
    const ended: Ended = { code: 1, hung: false, passed: 0, failed: 0 }
    let last = ''
    let heard = performance.now()
    const child = startChild(program, args, {
      log: null,
      record,
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
      hears: (message) => {
        const { kind, name, outcome } = message as Progress
        heard = performance.now()
        if (kind === 'begins') last = name
        else if (outcome) ended[outcome]++
      },
    })
    const timer = setInterval(() => {
      if (performance.now() - heard < silentMs) return
      ended.hung = true
      console.error(`Ended: no test began or ended for ${Math.round(silentMs / 1000)} s. The last that began: ${last || 'none'}`)
      signalGroup(child.pid!, 'SIGKILL')
    }, 1000)
    child.once('error', reject)
    child.once('exit', (code) => {
      clearInterval(timer)
      resolve({ ...ended, code: code ?? 1 })
    })
  })
}
