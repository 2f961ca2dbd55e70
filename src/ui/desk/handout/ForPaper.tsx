import { experimental } from '@/core/format/experimental'
import type { Plan } from '@/core/plan/plan'

/** The plan as the experimental part of a paper. */
export function ForPaper({ plan }: { plan: Plan }) {
  const days = experimental(plan)
  if (days.length === 0) return <p>The procedure holds nothing that a paper would tell yet.</p>
  return (
    <section className="experimental">
      {days.map((day) => (
        <p key={day}>{day}</p>
      ))}
      <p className="quiet no-print">
        Amounts are those of the plan. What was really weighed, got and measured stands in the results of a session.
      </p>
    </section>
  )
}
