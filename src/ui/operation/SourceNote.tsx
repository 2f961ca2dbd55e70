import { WorkingFrame } from '../page/WorkingFrame'
import { useMemo } from 'react'
import type { Lab } from '@/core/lab/lab'
import type { Law } from '@/core/operations/operation'
import { operationIn } from '@/core/operations/registry'
import { contextOf, fieldsHere, filledFor, plannerFor, suggestedFor } from '@/core/operations/planners'
import type { Plan, Step, WorkValue } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'
import { typedFor } from '@/core/plan/typedFor'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { nameOfHeld } from '@/core/substance/heldById'
import { shownIn, sourceWords } from './Blank'

interface Props {
  plan: Plan
  table: ReactionTable
  step: Step
  /** Key of the blank that is asked about. */
  blank: string
  lab: Lab
  solvents: readonly Substance[]
  onLeave: () => void
}

const byLaw: Readonly<Record<Law, string>> = {
  'as the amounts': 'Typed, it goes with the scale of the plan.',
  'as the time of cooling': 'Typed, it goes with the cube root of the scale: heat leaves through the wall.',
}

/** Where the figure of a blank comes from, what it would be if nobody typed, and how it goes with the scale. `=` in a blank comes here, Esc goes back. */
export function SourceNote({ plan, table, step, blank, lab, solvents, onLeave }: Props) {
  const { field, value, said, typed } = useMemo(() => {
    const context = contextOf(plan, table, step, lab, undefined, solvents)
    const planner = plannerFor(step)
    return {
      field: planner && fieldsHere(planner, lab).find(({ key }) => key === blank),
      value: filledFor(context)[blank],
      said: suggestedFor(context)[blank],
      typed: blank in typedFor(step),
    }
  }, [plan, table, step, blank, lab, solvents])
  if (!field || field.kind === 'rows') return null
  const law = operationIn(step)?.scales?.[blank]
  const written = (of: WorkValue | undefined) =>
    field.kind === 'text' && field.holds
      ? nameOfHeld([...plan.substances, ...solvents], of)
      : shownIn(field, of as string | number | undefined, false)
  return (
    <WorkingFrame onLeave={onLeave}>
      <h3 className={typed ? 'typed' : undefined}>
        {field.label}: {written(value)}
      </h3>
      <dl className="source">
        {typed && (
          <>
            <dt>typed</dt>
            <dd>in this step</dd>
          </>
        )}
        {said && (
          <>
            <dt>{typed ? `else ${written(said.value)}` : sourceWords[said.from]}</dt>
            <dd>
              {typed && `${sourceWords[said.from]}: `}
              {said.words}
            </dd>
          </>
        )}
      </dl>
      <p className="quiet">
        {typed ? 'Emptying it brings the other back. ' : 'Typing over it keeps your figure; emptying it brings this one back. '}
        {field.kind === 'number' && (law ? byLaw[law] : 'Typed, it stays as it is at any scale.')}
      </p>
    </WorkingFrame>
  )
}
