'use client'

import type { Lab } from '@/core/lab/lab'
import { changeStep, moveStep, removeStep } from '@/core/plan/editPlan'
import type { Query } from '@/core/operations/query'
import type { Plan, Step } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { OperationPanel } from '../operation/OperationPanel'
import { PrintedWords } from './PrintedWords'
import { StepFacts } from './StepFacts'
import { StepTicks } from './StepTicks'
import { StepTimes } from './StepTimes'

interface Props {
  plan: Plan
  table: ReactionTable
  step: Step
  lab: Lab
  solvents: readonly Substance[]
  /** What stands in the margin. */
  queries: readonly Query[]
  /** Absent where the procedure is only read. */
  onChange?: ((plan: Plan, label: string) => void) | undefined
  onAsk?: ((blank: string) => void) | undefined
}

/** One step of the procedure, open: its sentences, whose blanks are its fields, what follows from them, and below what is printed for the bench. */
export function OpenStep({ plan, table, step, lab, solvents, queries, onChange, onAsk }: Props) {
  const panel = { plan, table, step, lab, solvents, queries }
  if (!onChange) return <OperationPanel {...panel} />
  const change = (part: Record<string, unknown>, what: string) =>
    onChange(changeStep(plan, step.id, part), `${what} of “${step.title}”`)
  const place = plan.steps.findIndex(({ id }) => id === step.id)
  return (
    <div className="open-step" role="group" aria-label={`Step ${step.title}`}>
      <OperationPanel {...panel} onChange={change} onAsk={onAsk} />
      <StepTicks step={step} onChange={change} />
      <StepTimes step={step} onChange={change} />
      <StepFacts plan={plan} table={table} step={step} lab={lab} />
      <PrintedWords plan={plan} table={table} step={step} lab={lab} onChange={change} />
      <span className="line-buttons">
        <button
          type="button"
          disabled={place === 0}
          onClick={() => onChange(moveStep(plan, step.id, place - 1), `“${step.title}” moved up`)}
        >
          Up
        </button>
        <button
          type="button"
          disabled={place === plan.steps.length - 1}
          onClick={() => onChange(moveStep(plan, step.id, place + 1), `“${step.title}” moved down`)}
        >
          Down
        </button>
        <button type="button" onClick={() => onChange(removeStep(plan, step.id), `“${step.title}” removed`)}>
          Remove
        </button>
      </span>
    </div>
  )
}
