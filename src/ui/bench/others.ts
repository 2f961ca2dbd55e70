'use client'

import { createContext, useEffect, useState } from 'react'
import type { UsualOfClass } from '@/core/run/usualOfClass'
import { call } from '../call'

const nobody: UsualOfClass = {}

/** What is usual among the other benches, as far as this tablet has heard of it. */
export const Others = createContext<UsualOfClass>(nobody)

/** The run of this bench, by its id. */
export const RunId = createContext('')

const everyMs = 120_000

/** Hears now and then what is usual among the other benches; without the network what was heard last holds. */
export function useOthers(run: string): UsualOfClass {
  const [usual, setUsual] = useState(nobody)
  useEffect(() => {
    const hear = () =>
      call<UsualOfClass>(`/api/runs/${run}/usual`, 'GET').then(setUsual, () => {
        // Nothing is asked that nobody knows.
      })
    const first = setTimeout(() => void hear(), 3000)
    const timer = setInterval(() => void hear(), everyMs)
    return () => {
      clearTimeout(first)
      clearInterval(timer)
    }
  }, [run])
  return usual
}
