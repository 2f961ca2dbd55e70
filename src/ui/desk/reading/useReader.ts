'use client'

import { proxy, wrap, type Remote } from 'comlink'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Proposal } from '@/core/reading/handout/proposal'
import type { Substance } from '@/core/substance/substance'
import { readerFault } from '@/workers/readerFault'
import type { ReadingWorker } from '@/workers/reading'
import { readTooLong } from '@/workers/tooLong'

export type ReaderState =
  | { state: 'waiting' }
  | { state: 'opening'; name: string; share: number }
  | { state: 'reading' }
  | { state: 'read'; proposal: Proposal }
  | { state: 'refused'; why: string }

const broken = 'The reader could not be started here. Reload the page to try again; your text is kept.'

/** How long one text, or one file, may take, ms: some pages take a second. */
const textMs = 10_000
const fileMs = 60_000

interface Thread {
  reader: Remote<ReadingWorker>
  end: () => void
}

/** A worker that reads texts and files for as long as the page stands. What takes too long ends it, and the next is read by another. */
export function useReader(own: readonly Substance[]) {
  const [state, setState] = useState<ReaderState>({ state: 'waiting' })
  const thread = useRef<Thread>(undefined)
  const turn = useRef(0)
  const known = JSON.stringify(own)
  const started = useCallback((): Thread => {
    const worker = new Worker(new URL('../../../workers/reading.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('error', () => setState({ state: 'refused', why: broken }))
    const reader = wrap<ReadingWorker>(worker)
    void reader.know(JSON.parse(known) as Substance[])
    return { reader, end: () => worker.terminate() }
  }, [known])
  useEffect(() => {
    thread.current = started()
    return () => thread.current?.end()
  }, [started])

  /** Asks the worker, and ends it where it does not answer in time. */
  async function within<T>(ms: number, ask: (reader: Remote<ReadingWorker>) => Promise<T>): Promise<T | { problem: string }> {
    const asked = thread.current!
    let timer: ReturnType<typeof setTimeout> | undefined
    const late = new Promise<{ problem: string }>((resolve) => {
      timer = setTimeout(() => {
        asked.end()
        if (thread.current === asked) thread.current = started()
        resolve({ problem: readTooLong })
      }, ms)
    })
    try {
      return await Promise.race([ask(asked.reader), late])
    } finally {
      clearTimeout(timer)
    }
  }

  /** Only the last thing that was asked is answered. */
  const read = async (text: string, making?: Substance | null) => {
    const mine = ++turn.current
    setState((now) => (now.state === 'read' ? now : { state: 'reading' }))
    try {
      const proposal = await within(textMs, async (reader) => await reader.propose(text, making))
      if (mine === turn.current)
        setState('problem' in proposal ? { state: 'refused', why: proposal.problem } : { state: 'read', proposal })
    } catch (error) {
      if (mine === turn.current) setState({ state: 'refused', why: readerFault(error) })
    }
  }

  /** @returns the text of the file; undefined where it has none, and then it is said why */
  const open = async (file: File): Promise<string | undefined> => {
    const mine = ++turn.current
    setState({ state: 'opening', name: file.name, share: 0 })
    const bytes = new Uint8Array(await file.arrayBuffer())
    const progress = proxy((share: number) => {
      if (mine === turn.current) setState({ state: 'opening', name: file.name, share })
    })
    const found = await within(fileMs, async (reader) => await reader.file(file.name, bytes, progress)).catch(() => ({
      problem: broken,
    }))
    if (mine !== turn.current) return undefined
    if ('problem' in found) {
      setState({ state: 'refused', why: found.problem })
      return undefined
    }
    return found.text
  }
  const forget = () => {
    turn.current++
    setState({ state: 'waiting' })
  }
  return { state, read, open, forget }
}
