'use client'

import { proxy, wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { DistillationAsked, DistillationFound, DistillationWorker } from '@/workers/distillation'

export type Distilling =
  | { state: 'running'; share: number }
  /** What was asked stands beside what was found: while a new curve is worked out, the old one is shown as it was asked for. */
  | { state: 'found'; asked: DistillationAsked; found: DistillationFound }
  | { state: 'stopped' }
  | { state: 'refused'; why: string }

/** Keys that follow one another sooner than this ask once, ms. */
const restMs = 150

/**
 * The curve of a distillation, worked out in a worker of its own. What is asked next waits its turn there, and answers to what was asked before are let go; `stop` ends the worker,
 * and the next question starts another.
 */
export function useDistillation(asked: DistillationAsked | null): [Distilling, () => void] {
  const [answer, setAnswer] = useState<Distilling>({ state: 'running', share: 0 })
  const worker = useRef<{ thread: Worker; remote: Remote<DistillationWorker> }>(undefined)
  const [stopped, setStopped] = useState<string>()
  const key = JSON.stringify(asked)

  const end = () => {
    worker.current?.thread.terminate()
    worker.current = undefined
  }
  useEffect(() => end, [])

  useEffect(() => {
    if (key === 'null' || stopped === key) return
    let wanted = true
    const tell = (next: Distilling) => {
      if (!wanted) return
      // Progress comes by a channel of its own, and may come after the answer.
      if (next.state !== 'running') wanted = false
      setAnswer(next)
    }
    const wait = setTimeout(() => {
      if (!worker.current) {
        const thread = new Worker(new URL('../../workers/distillation.ts', import.meta.url), { type: 'module' })
        // A script that does not load answers nothing, so it must be heard of here.
        thread.addEventListener('error', () => {
          worker.current = undefined
          setAnswer({
            state: 'refused',
            why: 'The curve could not be worked out here. Change a figure to try again, or reload the page.',
          })
        })
        worker.current = { thread, remote: wrap<DistillationWorker>(thread) }
      }
      const question = JSON.parse(key, revived) as DistillationAsked
      tell({ state: 'running', share: 0 })
      worker.current.remote
        .run(
          question,
          proxy((share: number) => tell({ state: 'running', share })),
        )
        .then((found) => tell({ state: 'found', asked: question, found }))
        .catch((error: Error) => tell({ state: 'refused', why: error.message }))
    }, restMs)
    return () => {
      wanted = false
      clearTimeout(wait)
    }
  }, [key, stopped])
  const stop = () => {
    end()
    setStopped(key)
  }
  return [stopped === key ? { state: 'stopped' } : answer, stop]
}

/** JSON has no infinity; a reflux that is none is total. */
function revived(name: string, value: unknown): unknown {
  return name === 'reflux' && value === null ? Infinity : value
}
