import { useEffect, useMemo, useState } from 'react'
import type { Plan } from '@/core/plan/plan'
import { madeLine } from '@/core/edit/sequence'
import { call } from '../call'

export interface Earlier {
  /** The nearest first. */
  plans: readonly Plan[]
  /** The origin that the plan names and that has no plan here. */
  lost: string | undefined
}

/**
 * The plans that lead to this one, the nearest first. Those of the origin it opened with are there from the start; when another origin is chosen, its plans are fetched.
 */
export function useEarlier(
  course: string,
  preparation: string,
  plan: Plan,
  opened: { origin: string | undefined; plans: readonly Plan[] },
): Earlier {
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
  const plans = origin === undefined ? none : (known.get(origin) ?? none)
  // What was asked for and has no plan: nothing bears that title, or none of it can be read.
  const lost = origin !== undefined && known.has(origin) && plans.length === 0 ? origin : undefined
  return useMemo(() => ({ plans, lost }), [plans, lost])
}

const none: readonly Plan[] = []
