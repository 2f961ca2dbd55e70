'use client'

import { proxy, wrap } from 'comlink'
import { useEffect, useState } from 'react'
import type { DistillationAsked, DistillationFound, DistillationWorker } from '@/workers/distillation'

export type Distilling =
  | { state: 'running'; share: number }
  | { state: 'found'; found: DistillationFound }
  | { state: 'stopped' }
  | { state: 'refused'; why: string }

/** Keys that follow one another sooner than this ask once, ms. */
const restMs = 150

/**
 * The curve of a distillation, worked out in a worker of its own: what is asked next ends what is still running, and so does `stop`.
 */
export function useDistillation(asked: DistillationAsked | null): [Distilling, () => void] {
  const [answer, setAnswer] = useState<Distilling>({ state: 'running', share: 0 })
  const [stopped, setStopped] = useState<string>()
  const key = JSON.stringify(asked)
  useEffect(() => {
    if (key === 'null' || stopped === key) return
    let worker: Worker | undefined
    const wait = setTimeout(() => {
      setAnswer({ state: 'running', share: 0 })
      worker = new Worker(new URL('../../workers/distillation.ts', import.meta.url), { type: 'module' })
      const remote = wrap<DistillationWorker>(worker)
      remote
        .run(
          JSON.parse(key, revived) as DistillationAsked,
          proxy((share: number) => setAnswer({ state: 'running', share })),
        )
        .then((found) => setAnswer({ state: 'found', found }))
        .catch((error: Error) => setAnswer({ state: 'refused', why: error.message }))
    }, restMs)
    return () => {
      clearTimeout(wait)
      worker?.terminate()
    }
  }, [key, stopped])
  return [stopped === key ? { state: 'stopped' } : answer, () => setStopped(key)]
}

/** JSON has no infinity; a reflux that is none is total. */
function revived(name: string, value: unknown): unknown {
  return name === 'reflux' && value === null ? Infinity : value
}
