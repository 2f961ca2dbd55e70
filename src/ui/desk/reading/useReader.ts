'use client'

import { proxy, wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { Proposal } from '@/core/reading/handout/proposal'
import type { Substance } from '@/core/substance/substance'
import { readerFault } from '@/workers/readerFault'
import type { ReadingWorker } from '@/workers/reading'

export type ReaderState =
  | { state: 'waiting' }
  | { state: 'opening'; name: string; share: number }
  | { state: 'reading' }
  | { state: 'read'; proposal: Proposal }
  | { state: 'refused'; why: string }

const broken = 'The reader could not be started here. Reload the page to try again; your text is kept.'

/** A worker that reads texts and files for as long as the page stands. */
export function useReader(own: readonly Substance[]) {
  const [state, setState] = useState<ReaderState>({ state: 'waiting' })
  const remote = useRef<Remote<ReadingWorker>>(undefined)
  const turn = useRef(0)
  const known = JSON.stringify(own)
  useEffect(() => {
    const thread = new Worker(new URL('../../../workers/reading.ts', import.meta.url), { type: 'module' })
    thread.addEventListener('error', () => setState({ state: 'refused', why: broken }))
    const wrapped = wrap<ReadingWorker>(thread)
    remote.current = wrapped
    void wrapped.know(JSON.parse(known) as Substance[])
    return () => thread.terminate()
  }, [known])

  /** Only the last thing that was asked is answered. */
  const read = async (text: string, making?: Substance | null) => {
    const mine = ++turn.current
    setState((now) => (now.state === 'read' ? now : { state: 'reading' }))
    try {
      const proposal = await remote.current!.propose(text, making)
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
    const found = await remote
      .current!.file(
        file.name,
        bytes,
        proxy((share: number) => {
          if (mine === turn.current) setState({ state: 'opening', name: file.name, share })
        }),
      )
      .catch(() => ({ problem: broken }))
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
