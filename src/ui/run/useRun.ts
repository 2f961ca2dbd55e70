'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { ulid } from 'ulid'
import type { Entry, EntryBodies, EntryKind } from '@/core/run/entry'
import { call, CallError } from '../call'
import { useLive, type Numbered } from './useLive'

const retryMs = 2500

/**
 * A bench's log as this tablet knows it: what is in the book, what other tablets add, and what is written here and still on its way. What is written is kept on the tablet until the
 * server has it, over a reload and without a network; sending it twice is harmless.
 */
export function useRun(run: string, initial: Numbered[], by: string) {
  const { entries: booked, add } = useLive(`/api/runs/${run}/live`, useMemo(() => ({ [run]: initial }), [run, initial]))
  const [outbox, setOutbox] = useState<Entry[]>([])
  const [refused, setRefused] = useState<string>()
  const pending = useRef<Entry[]>([])
  const busy = useRef(false)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const key = `mozle-run-${run}`

  const keep = useCallback(
    (entries: Entry[]) => {
      pending.current = entries
      setOutbox(entries)
      if (entries.length === 0) localStorage.removeItem(key)
      else localStorage.setItem(key, JSON.stringify(entries))
    },
    [key],
  )

  const send = useCallback(async () => {
    clearTimeout(timer.current)
    if (busy.current || pending.current.length === 0) return
    busy.current = true
    const batch = pending.current.slice(0, 100)
    let delivered = false
    try {
      const { entries } = await call<{ entries: Numbered[] }>(`/api/runs/${run}/entries`, 'POST', { entries: batch })
      add({ [run]: entries })
      const sent = new Set(batch.map(({ id }) => id))
      keep(pending.current.filter(({ id }) => !sent.has(id)))
      setRefused(undefined)
      delivered = true
    } catch (error) {
      const { status, message } = error as CallError
      // Out of reach: try again. Refused: say so, and keep what was written; nothing is thrown away.
      setRefused(status >= 400 && status < 500 ? message : undefined)
      timer.current = setTimeout(() => void again.current(), status >= 400 && status < 500 ? retryMs * 8 : retryMs)
    } finally {
      busy.current = false
    }
    if (delivered && pending.current.length > 0) void again.current()
  }, [add, keep, run])
  const again = useRef(send)
  useEffect(() => {
    again.current = send
  }, [send])

  useEffect(() => {
    try {
      const left = JSON.parse(localStorage.getItem(key) ?? '[]') as Entry[]
      if (left.length > 0) {
        keep(left)
        void again.current()
      }
    } catch {
      localStorage.removeItem(key)
    }
    const online = () => void again.current()
    window.addEventListener('online', online)
    return () => {
      window.removeEventListener('online', online)
      clearTimeout(timer.current)
    }
  }, [keep, key])

  const write = useCallback(
    <K extends EntryKind>(kind: K, step: string, body: EntryBodies[K], correction?: { supersedes: string; reason: string }) => {
      const now = new Date()
      const entry = { id: nextId(now.getTime()), kind, step, body, at: now.toISOString(), by, device: 'bench tablet', supersedes: correction?.supersedes ?? null, reason: correction?.reason ?? null } as Entry
      keep([...pending.current, entry])
      void again.current()
    },
    [by, keep],
  )

  const standing = useMemo(() => [...(booked[run] ?? []), ...outbox], [booked, outbox, run])
  return { entries: standing, onTablet: new Set(outbox.map(({ id }) => id)), refused, write, add }
}

/** ULIDs that follow each other even within one millisecond, so that what was written first is read first. */
let last = 0
function nextId(ms: number): string {
  last = Math.max(ms, last + 1)
  return ulid(last)
}
