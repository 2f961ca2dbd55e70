'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { Entry } from '@/core/run/entry'

/** An entry with the number the server gave it. */
export type Numbered = Entry & { seq: number }

type ByRun = Record<string, Numbered[]>

/** The entries of some runs, kept current by the server's stream: it begins after what is known and goes on by itself after a break. */
export function useLive(path: string, initial: ByRun) {
  const [entries, setEntries] = useState<ByRun>(initial)
  const known = useRef(entries)

  const add = useCallback((more: ByRun) => {
    let changed = false
    const next = { ...known.current }
    for (const [run, list] of Object.entries(more)) {
      const have = new Set((next[run] ?? []).map(({ id }) => id))
      const fresh = list.filter(({ id }) => !have.has(id))
      if (fresh.length === 0) continue
      next[run] = [...(next[run] ?? []), ...fresh].sort((a, b) => a.seq - b.seq)
      changed = true
    }
    if (!changed) return
    known.current = next
    setEntries(next)
  }, [])

  useEffect(() => {
    const seen = Object.fromEntries(Object.entries(known.current).map(([run, list]) => [run, list.at(-1)?.seq ?? 0]))
    const source = new EventSource(`${path}?seen=${encodeURIComponent(JSON.stringify(seen))}`)
    source.onmessage = (event) => add(JSON.parse(event.data as string) as ByRun)
    return () => source.close()
  }, [add, path])

  return { entries, add }
}
