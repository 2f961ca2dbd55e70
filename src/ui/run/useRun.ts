'use client'

import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react'
import { ulid } from 'ulid'
import type { Entry, EntryBodies, EntryKind } from '@/core/run/entry'
import { inOrder } from '@/core/run/order'
import { call } from '../call'
import { keptHere } from '../kept/keptHere'
import { Outbox, type KeptEntry } from './outbox'
import { useBooked } from './useBooked'
import { useLive, type Numbered } from './useLive'

const none: Numbered[] = []

/** What the server answers to a batch of entries. */
export interface Answer {
  entries: Numbered[]
  refused: { id: string; why: string }[]
}

/** One request for all that waits, with what the clock of this device shows, so that the server can note how far it is off. */
export const deliverTo = (run: string, entries: readonly Entry[]) =>
  call<Answer>(`/api/runs/${run}/entries`, 'POST', { entries, sentAt: new Date().toISOString() })

/**
 * A bench's log as this tablet knows it: what is in the book, what other tablets add, and what is written here and still on
 * its way.
 */
export function useRun(run: string, initial: Numbered[], by: string) {
  const { entries: booked, add } = useLive(
    `/api/runs/${run}/live`,
    useMemo(() => ({ [run]: initial }), [run, initial]),
  )
  useBooked(run, booked[run] ?? none, add)
  const [outbox] = useState(
    () =>
      new Outbox(run, keptHere<KeptEntry>('entry'), async (entries) => {
        const { entries: taken, refused } = await deliverTo(run, entries)
        add({ [run]: taken })
        return refused
      }),
  )
  const waiting = useSyncExternalStore(outbox.subscribe, outbox.get, outbox.get)

  useEffect(() => {
    void outbox.start()
    window.addEventListener('online', outbox.send)
    // What another window of this browser left behind when it was closed.
    const timer = setInterval(() => void outbox.start(), 20_000)
    return () => {
      window.removeEventListener('online', outbox.send)
      clearInterval(timer)
      outbox.stop()
    }
  }, [outbox])

  const entries = useMemo(() => [...(booked[run] ?? []), ...waiting.entries], [booked, waiting.entries, run])
  const last = useRef<Entry | undefined>(undefined)
  useEffect(() => {
    last.current = inOrder(entries).at(-1)
  }, [entries])

  const write = useCallback(
    <K extends EntryKind>(
      kind: K,
      step: string,
      body: EntryBodies[K],
      correction?: { supersedes: string | null; reason: string },
    ) => {
      const now = new Date()
      const seen = last.current?.id
      const entry = {
        id: nextId(now.getTime()),
        kind,
        step,
        body,
        at: now.toISOString(),
        by,
        device: 'bench tablet',
        supersedes: correction?.supersedes ?? null,
        reason: correction?.reason ?? null,
        ...(seen === undefined ? {} : { seen }),
      } as Entry
      last.current = entry
      outbox.write(entry)
    },
    [by, outbox],
  )

  const onTablet = useMemo(() => {
    const inBook = new Set((booked[run] ?? []).map(({ id }) => id))
    return new Set(waiting.entries.map(({ id }) => id).filter((id) => !inBook.has(id)))
  }, [booked, run, waiting.entries])
  const { refused, held, unkept } = waiting
  return { entries, onTablet, refused, held, unkept, write, add, again: outbox.again, drop: outbox.drop }
}

/** ULIDs that follow each other even within one millisecond, so that what was written first is read first. */
let lastMs = 0
function nextId(ms: number): string {
  lastMs = Math.max(ms, lastMs + 1)
  return ulid(lastMs)
}
