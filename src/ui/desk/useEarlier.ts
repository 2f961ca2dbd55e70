import { useEffect, useState } from 'react'
import type { Plan } from '@/core/plan/plan'
import { madeLine } from '@/core/edit/sequence'
import { call } from '../call'

/**
 * The plans that lead to this one, the nearest first. Those of the origin it opened with are there from the start; when another origin is chosen, its plans are fetched.
 */
export function useEarlier(
  course: string,
  preparation: string,
  plan: Plan,
  opened: { origin: string | undefined; plans: readonly Plan[] },
): readonly Plan[] {
  const [known, setKnown] = useState<ReadonlyMap<string, readonly Plan[]>>(
    () => new Map(opened.origin === undefined ? [] : [[opened.origin, opened.plans]]),
  )
  const origin = madeLine(plan)?.madeIn
  const missing = origin !== undefined && !known.has(origin) ? origin : undefined
  useEffect(() => {
    if (missing === undefined) return
    let gone = false
    call<{ plans: Plan[] }>(`/api/courses/${course}/plans?title=${encodeURIComponent(missing)}&of=${preparation}`)
      .then(({ plans }) => {
        if (!gone) setKnown((all) => new Map([...all, [missing, plans]]))
      })
      // Without the network the sequence is not drawn; the choice itself is kept.
      .catch(() => undefined)
    return () => {
      gone = true
    }
  }, [course, preparation, missing])
  return origin === undefined ? none : (known.get(origin) ?? none)
}

const none: readonly Plan[] = []
