import { useEffect, useState } from 'react'
import type { Plan } from '@/core/plan/plan'
import { madeLine } from '@/core/edit/sequence'
import { call } from '../call'

/**
 * The plans that lead to this one. Those of the sequence it opened with are there from the start; when another origin is chosen, its plans are fetched.
 */
export function useEarlier(course: string, plan: Plan, opened: readonly Plan[]): readonly Plan[] {
  const [known, setKnown] = useState(opened)
  const wanted = madeLine(plan)?.madeIn
  const missing = wanted !== undefined && !known.some(({ title }) => title === wanted) ? wanted : undefined
  useEffect(() => {
    if (missing === undefined) return
    let gone = false
    call<{ plans: Plan[] }>(`/api/courses/${course}/plans?title=${encodeURIComponent(missing)}`)
      .then(({ plans }) => {
        if (!gone && plans.length > 0) setKnown((all) => [...all, ...plans])
      })
      // Without the network the sequence is not drawn; the choice itself is kept.
      .catch(() => undefined)
    return () => {
      gone = true
    }
  }, [course, missing])
  return known
}
