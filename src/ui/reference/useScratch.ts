'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { Plan } from '@/core/plan/plan'
import { keptHere } from '../kept/keptHere'

interface Kept {
  key: string
  about: string
  plan: Plan | null
}

const most = 50

/** A scratch sheet that stays on this device over a reload, with its undo. */
export function useScratch(course: string) {
  const [state, setState] = useState<{ plan: Plan | null; before: (Plan | null)[] }>({ plan: null, before: [] })
  const [ready, setReady] = useState(false)
  const [unkept, setUnkept] = useState(false)
  const store = useRef(keptHere<Kept>('draft'))
  const about = `scratch ${course}`
  useEffect(() => {
    let left = false
    store.current
      .about(about)
      .then((records) => {
        // What was typed before it had come stands above it.
        if (!left && records[0]) setState((now) => (now.before.length > 0 ? now : { plan: records[0]!.plan, before: [] }))
      })
      .catch(() => setUnkept(true))
      .finally(() => !left && setReady(true))
    return () => {
      left = true
    }
  }, [about])
  const keep = useCallback(
    (plan: Plan | null) =>
      store.current.put({ key: about, about, plan }).then(
        () => setUnkept(false),
        () => setUnkept(true),
      ),
    [about],
  )
  const change = useCallback(
    (plan: Plan | null) => {
      setState((now) => ({ plan, before: [...now.before, now.plan].slice(-most) }))
      void keep(plan)
    },
    [keep],
  )
  const undo = useCallback(() => {
    setState((now) => {
      if (now.before.length === 0) return now
      const plan = now.before.at(-1)!
      void keep(plan)
      return { plan, before: now.before.slice(0, -1) }
    })
  }, [keep])
  return { plan: state.plan, canUndo: state.before.length > 0, change, undo, ready, unkept }
}
