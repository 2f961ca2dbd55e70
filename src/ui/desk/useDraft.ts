'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { Plan } from '@/core/plan/plan'
import { call, CallError } from '../call'
import { changeBetween, patched, type Change } from './change'

/** Which revision the plan on the Desk stands on. */
export interface Base {
  id: string
  number: number
  state: 'draft' | 'published' | 'superseded'
  version: number
  savedAt: string
}

export type Saving =
  | { state: 'saved' }
  | { state: 'saving' }
  /** Out of reach of the server; kept on this device and tried again. */
  | { state: 'kept'; why: string }
  /** Refused for what it is; kept, and not tried again until it changes. */
  | { state: 'refused'; why: string }
  /** Another window saved something else. */
  | { state: 'conflict'; theirs: { plan: Plan; base: Base; savedBy: string } }

interface Kept {
  base: Base
  plan: Plan
  /** True while the server has not confirmed the plan. */
  unsaved: boolean
  past: Change[]
  future: Change[]
}

const debounceMs = 400
const retryMs = 3000

/**
 * The draft of one preparation: every change can be undone back to the first, is saved by itself, and survives a reload or the server being away,
 * because plan and history are kept on this device until the server has confirmed them. A change to a published plan starts a draft.
 */
export function useDraft(preparation: string, opened: { base: Base; plan: Plan }) {
  const [kept, setKept] = useState<Kept>({ ...opened, unsaved: false, past: [], future: [] })
  const [saving, setSaving] = useState<Saving>({ state: 'saved' })
  const latest = useRef(kept)
  const busy = useRef(false)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const key = `mozle-desk-${preparation}`

  const put = useCallback(
    (next: Kept) => {
      latest.current = next
      setKept(next)
      try {
        localStorage.setItem(key, JSON.stringify(next))
      } catch {
        // Storage is full: the oldest half of the history gives way, the plan never.
        localStorage.setItem(key, JSON.stringify({ ...next, past: next.past.slice(Math.ceil(next.past.length / 2)) }))
      }
    },
    [key],
  )

  const save = useCallback(async () => {
    clearTimeout(timer.current)
    if (busy.current || !latest.current.unsaved) return
    busy.current = true
    const { plan, base } = latest.current
    setSaving({ state: 'saving' })
    try {
      const saved =
        base.state === 'draft'
          ? await call<Base>(`/api/revisions/${base.id}`, 'PUT', { version: base.version, plan })
          : await call<Base>(`/api/preparations/${preparation}/drafts`, 'POST', { plan })
      const now = latest.current
      put({ ...now, base: { ...saved, state: 'draft' }, unsaved: now.plan !== plan })
      setSaving({ state: 'saved' })
    } catch (error) {
      const { status, details, message } = error as CallError
      const theirs = details?.theirs as (Base & { plan: Plan; savedBy: string }) | undefined
      if (theirs && JSON.stringify(theirs.plan) === JSON.stringify(plan)) {
        // Our own save had arrived; only its answer was lost.
        put({ ...latest.current, base: pickBase(theirs), unsaved: latest.current.plan !== plan })
        setSaving({ state: 'saved' })
      } else if (theirs) setSaving({ state: 'conflict', theirs: { plan: theirs.plan, base: pickBase(theirs), savedBy: theirs.savedBy } })
      else if (details?.frozen) {
        put({ ...latest.current, base: { ...base, state: 'published' } })
        timer.current = setTimeout(() => void again.current(), 0)
      } else if (status >= 400 && status < 500) setSaving({ state: 'refused', why: message })
      else {
        setSaving({ state: 'kept', why: message })
        timer.current = setTimeout(() => void again.current(), retryMs)
      }
    } finally {
      busy.current = false
    }
    if (latest.current.unsaved && latest.current.plan !== plan) timer.current = setTimeout(() => void again.current(), debounceMs)
  }, [preparation, put])
  const again = useRef(save)
  useEffect(() => {
    again.current = save
  }, [save])

  const soon = useCallback(() => {
    clearTimeout(timer.current)
    timer.current = setTimeout(() => void again.current(), debounceMs)
  }, [])

  useEffect(() => {
    const text = localStorage.getItem(key)
    if (!text) return
    try {
      const stored = JSON.parse(text) as Kept
      const same = stored.base.id === opened.base.id && stored.base.version === opened.base.version
      const startedFromThis = stored.base.state !== 'draft' && stored.base.id === opened.base.id
      if (stored.unsaved) {
        // Nothing typed is lost: it is sent again, and if another window was faster both are offered.
        put(stored)
        soon()
      } else if (same || startedFromThis) put({ ...stored, base: opened.base, plan: opened.plan })
      else localStorage.removeItem(key)
    } catch {
      localStorage.removeItem(key)
    }
    // Only what was opened decides, once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])

  useEffect(() => {
    const online = () => void again.current()
    window.addEventListener('online', online)
    return () => window.removeEventListener('online', online)
  }, [])

  const change = useCallback(
    (after: Plan, label: string) => {
      const { plan, past } = latest.current
      const step = changeBetween(plan, after, label)
      if (step.forward.length === 0) return
      put({ ...latest.current, plan: after, unsaved: true, past: [...past, step], future: [] })
      soon()
    },
    [put, soon],
  )

  const travel = useCallback(
    (direction: 'undo' | 'redo') => {
      const { plan, past, future } = latest.current
      const step = direction === 'undo' ? past.at(-1) : future.at(-1)
      if (!step) return
      put({
        ...latest.current,
        plan: patched(plan, direction === 'undo' ? step.back : step.forward),
        unsaved: true,
        past: direction === 'undo' ? past.slice(0, -1) : [...past, step],
        future: direction === 'undo' ? [...future, step] : future.slice(0, -1),
      })
      soon()
    },
    [put, soon],
  )

  /** Settles a conflict: with theirs, mine is one redo away as a change; with mine, it is saved over theirs. */
  const settle = useCallback(
    (whose: 'mine' | 'theirs') => {
      if (saving.state !== 'conflict') return
      const { plan, past } = latest.current
      const { theirs } = saving
      if (whose === 'mine') {
        put({ ...latest.current, base: theirs.base, unsaved: true })
        setSaving({ state: 'saving' })
        soon()
      } else {
        put({ base: theirs.base, plan: theirs.plan, unsaved: false, past: [...past, changeBetween(plan, theirs.plan, 'take the other window’s draft')], future: [] })
        setSaving({ state: 'saved' })
      }
    },
    [put, saving, soon],
  )

  const publish = useCallback(async () => {
    clearTimeout(timer.current)
    await again.current()
    const { base } = latest.current
    const published = await call<Base>(`/api/revisions/${base.id}/publish`, 'POST', { version: base.version })
    put({ ...latest.current, base: { ...base, ...published, state: 'published' }, unsaved: false })
  }, [put])

  return { plan: kept.plan, base: kept.base, past: kept.past, future: kept.future, saving, change, travel, settle, publish }
}

function pickBase({ id, number, state, version, savedAt }: Base): Base {
  return { id, number, state, version, savedAt }
}
