'use client'

import { useEffect, useState } from 'react'
import type { RecordKind, StoresRecord } from '@/core/stores/record'
import { call } from '../call'

/** How often it is asked what others have ticked meanwhile, ms. */
const everyMs = 4_000

/**
 * What is written down for a session, by everybody: what others tick comes by itself. What is written here shows at once, and is taken back with words where the server refuses it.
 */
export function useRecords(session: string, first: readonly StoresRecord[], by: string) {
  const [records, setRecords] = useState(first)
  const [pending, setPending] = useState<StoresRecord[]>([])
  const [problem, setProblem] = useState<string>()
  const path = `/api/sessions/${session}/stores`
  useEffect(() => {
    let here = true
    const ask = () => {
      if (document.visibilityState !== 'visible') return
      void call<{ records: StoresRecord[] }>(path)
        .then((answer) => here && setRecords(answer.records))
        // It is asked again in a moment; a page that was loaded stays as it was.
        .catch(() => undefined)
    }
    const timer = setInterval(ask, everyMs)
    document.addEventListener('visibilitychange', ask)
    return () => {
      here = false
      clearInterval(timer)
      document.removeEventListener('visibilitychange', ask)
    }
  }, [path])
  const write = async (kind: RecordKind, item: string, body: object): Promise<boolean> => {
    setProblem(undefined)
    const mine = { kind, item, body, at: new Date().toISOString(), by } as StoresRecord
    setPending((all) => [...all, mine])
    try {
      const answer = await call<{ records: StoresRecord[] }>(path, 'POST', { kind, item, body })
      setRecords(answer.records)
      return true
    } catch (error) {
      setProblem((error as Error).message)
      return false
    } finally {
      setPending((all) => all.filter((each) => each !== mine))
    }
  }
  const shown = [
    ...records.filter(({ kind, item }) => !pending.some((each) => each.kind === kind && each.item === item)),
    ...pending,
  ]
  return { records: shown, write, problem }
}

/** The record of an item, where there is one. */
export const recordOf = <K extends RecordKind>(
  records: readonly StoresRecord[],
  kind: K,
  item: string,
): StoresRecord<K> | undefined =>
  records.find((record): record is StoresRecord<K> => record.kind === kind && record.item === item)
