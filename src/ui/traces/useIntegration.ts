'use client'

import { wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { Peak } from '@/core/traces/peaks'
import type { Trace } from '@/core/traces/trace'
import type { IntegrationWorker } from '@/workers/integration'

export interface Integrated {
  peaks: Peak[]
  baseline: number[]
}

/** The peaks of a chromatogram, found by a worker; null while it works, a problem in words where it cannot. */
export function useIntegration(trace: Trace | null): { found: Integrated | null; problem: string | null } {
  const [state, setState] = useState<{ of: Trace | null; found: Integrated | null; problem: string | null }>({
    of: null,
    found: null,
    problem: null,
  })
  const worker = useRef<{ thread: Worker; remote: Remote<IntegrationWorker> }>(undefined)
  useEffect(() => {
    if (!trace || trace.kind !== 'chromatogram' || trace.peaksOnly) return
    let gone = false
    const failed = () =>
      !gone && setState({ of: trace, found: null, problem: 'The peaks could not be found: load the page again.' })
    if (!worker.current) {
      const thread = new Worker(new URL('../../workers/integration.ts', import.meta.url), { type: 'module' })
      thread.addEventListener('error', failed)
      worker.current = { thread, remote: wrap<IntegrationWorker>(thread) }
    }
    worker.current.remote.run(trace.x, trace.y).then((found) => !gone && setState({ of: trace, found, problem: null }), failed)
    return () => {
      gone = true
    }
  }, [trace])
  useEffect(
    () => () => {
      worker.current?.thread.terminate()
      worker.current = undefined
    },
    [],
  )
  return state.of === trace ? { found: state.found, problem: state.problem } : { found: null, problem: null }
}
