'use client'

import { useEffect, useRef } from 'react'
import { keptHere } from '../kept/keptHere'
import type { Numbered } from './useLive'

interface KeptBooked {
  key: string
  about: string
  entry: Numbered
}

/**
 * Keeps what stands in the book of a run on this device too: a page that opens without the network then shows all that this tablet ever knew of it, and not only what it was opened with.
 */
export function useBooked(run: string, booked: readonly Numbered[], add: (more: Record<string, Numbered[]>) => void): void {
  const kept = useRef(new Set<string>())
  useEffect(() => {
    keptHere<KeptBooked>('booked')
      .about(run)
      .then((records) => {
        for (const { key } of records) kept.current.add(key)
        if (records.length > 0) add({ [run]: records.map(({ entry }) => entry) })
      })
      .catch(() => undefined)
  }, [run, add])
  useEffect(() => {
    const fresh = booked.filter(({ id }) => !kept.current.has(id))
    if (fresh.length === 0) return
    for (const { id } of fresh) kept.current.add(id)
    keptHere<KeptBooked>('booked')
      .put(...fresh.map((entry) => ({ key: entry.id, about: run, entry })))
      .catch(() => {
        // A device that keeps nothing says so where it matters: at what is written (outbox.ts).
      })
  }, [run, booked])
}

/** What was kept of a run's book goes when its bench is left. */
export async function forgetBooked(run: string): Promise<void> {
  const store = keptHere<KeptBooked>('booked')
  await store.remove((await store.about(run)).map(({ key }) => key)).catch(() => undefined)
}
