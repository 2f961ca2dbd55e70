'use client'

import { useContext } from 'react'
import { askAbout } from '@/core/run/askAbout'
import type { Entry } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import { Others } from './others'

/** Asks about an entry before it is written, with what is known of the other benches. */
export function useAsk(): (run: RunState, entry: Entry) => string | null {
  const others = useContext(Others)
  return (run, entry) => askAbout(run, entry, others)
}
