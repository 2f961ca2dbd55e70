'use client'

import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { ulid } from 'ulid'
import type { Entry, EntryBodies, EntryKind } from '@/core/run/entry'
import { call } from '../call'
import { Outbox } from './outbox'
import { useLive, type Numbered } from './useLive'

/**
 * A bench's log as this tablet knows it: what is in the book, what other tablets add, and what is written here and still on
 * its way.
 */
export function useRun(run: string, initial: Numbered[], by: string) {
  const { entries: booked, add } = useLive(
    `/api/runs/${run}/live`,
    useMemo(() => ({ [run]: initial }), [run, initial]),
  )
  const [outbox] = useState(
    () =>
      new Outbox(
        `mozle-run-${run}`,
        () => localStorage,
        async (entries) =>
          add({ [run]: (await call<{ entries: Numbered[] }>(`/api/runs/${run}/entries`, 'POST', { entries })).entries }),
      ),
  )
  const waiting = useSyncExternalStore(outbox.subscribe, outbox.get, outbox.get)

  useEffect(() => {
    outbox.start()
    window.addEventListener('online', outbox.send)
    return () => {
      window.removeEventListener('online', outbox.send)
      outbox.stop()
    }
  }, [outbox])

  const write = useCallback(
    <K extends EntryKind>(
      kind: K,
      step: string,
      body: EntryBodies[K],
      correction?: { supersedes: string | null; reason: string },
    ) => {
      const now = new Date()
      outbox.write({
        id: nextId(now.getTime()),
        kind,
        step,
        body,
        at: now.toISOString(),
        by,
        device: 'bench tablet',
        supersedes: correction?.supersedes ?? null,
        reason: correction?.reason ?? null,
      } as Entry)
    },
    [by, outbox],
  )

  const entries = useMemo(() => [...(booked[run] ?? []), ...waiting.entries], [booked, waiting.entries, run])
  const onTablet = useMemo(() => {
    const inBook = new Set((booked[run] ?? []).map(({ id }) => id))
    return new Set(waiting.entries.map(({ id }) => id).filter((id) => !inBook.has(id)))
  }, [booked, run, waiting.entries])
  return { entries, onTablet, refused: waiting.refused, write, add }
}

/** ULIDs that follow each other even within one millisecond, so that what was written first is read first. */
let last = 0
function nextId(ms: number): string {
  last = Math.max(ms, last + 1)
  return ulid(last)
}
