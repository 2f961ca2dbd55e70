'use client'

import { Fragment, memo, useState } from 'react'
import type { Lab } from '@/core/lab/lab'
import { plannerFor } from '@/core/operations/planners'
import { days, writeMinutes } from '@/core/plan/duration'
import { changeStep, moveStep } from '@/core/plan/editPlan'
import { addStep } from '@/core/edit/addStep'
import { operationIn, operations, type OperationKey } from '@/core/operations/registry'
import type { Operation } from '@/core/operations/operation'
import type { Plan } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'
import { stepText } from '@/core/reaction/stepText'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { AddStep } from './AddStep'
import { OperationPanel } from '../operation/OperationPanel'
import { StepEditor } from './StepEditor'

interface Props {
  plan: Plan
  table: ReactionTable
  lab: Lab
  /** Solvents that a crystallisation may be tried from. */
  solvents: readonly Substance[]
  /** Absent where the procedure is only read. */
  onChange?: ((plan: Plan, label: string) => void) | undefined
}

/** The procedure as a strip of steps with a time gutter: solid while hands are busy, hatched while waiting. Amounts follow the table. */
export const ProcedureStrip = memo(function ProcedureStrip({ plan, table, lab, solvents, onChange }: Props) {
  const [open, setOpen] = useState<string>()
  const [dragged, setDragged] = useState<string>()
  const place = (id: string) => plan.steps.findIndex((step) => step.id === id)
  const move = (id: string, to: number) => {
    if (!onChange || to < 0 || to >= plan.steps.length || to === place(id)) return
    onChange(moveStep(plan, id, to), `“${plan.steps[place(id)]!.title}” moved`)
  }
  const parted = days(plan)
  const total = (of: 'handsOnMin' | 'waitMin') => parted.reduce((sum, day) => sum + day[of], 0)
  const dayOf = (id: string) => parted.findIndex(({ steps }) => steps.some((step) => step.id === id))
  return (
    <section aria-label="Procedure">
      <h2 className="section-title">
        Procedure
        <small>
          {writeMinutes(total('handsOnMin') + total('waitMin'))} at the bench, {writeMinutes(total('waitMin'))} of it waiting
          {parted.length > 1 && `, on ${parted.length} days`}
        </small>
      </h2>
      <ol className="strip">
        {plan.steps.map((step) => {
          const day = dayOf(step.id)
          const { startMin, handsOnMin, waitMin, steps } = parted[day]!
          const start = startMin[step.id]!
          return (
            <Fragment key={step.id}>
              {parted.length > 1 && steps[0] === step && (
                <li className="day">
                  Day {day + 1}, {writeMinutes(handsOnMin + waitMin)}
                </li>
              )}
              <li
                data-about={step.id}
                className={dragged === step.id ? 'dragged' : undefined}
                draggable={onChange !== undefined && open !== step.id}
                onDragStart={() => setDragged(step.id)}
                onDragEnd={() => setDragged(undefined)}
                onDragOver={(event) => dragged && event.preventDefault()}
                onDrop={() => dragged && move(dragged, place(step.id))}
              >
                <span className="t fig">
                  {Math.floor(start / 60)}:{String(Math.round(start % 60)).padStart(2, '0')}
                </span>
                <span className={`gutter${step.waitMin > step.handsOnMin ? ' wait' : ''}`} aria-hidden="true" />
                {onChange || plannerFor(step) ? (
                  <b>
                    <button
                      type="button"
                      className="opens"
                      aria-expanded={open === step.id}
                      title={onChange ? 'Open this step. Alt and an arrow move it.' : 'Show what its operation works out.'}
                      onClick={() => setOpen(open === step.id ? undefined : step.id)}
                      onKeyDown={(event) => {
                        if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
                        event.preventDefault()
                        move(step.id, place(step.id) + (event.key === 'ArrowUp' ? -1 : 1))
                      }}
                    >
                      {step.title}
                    </button>
                  </b>
                ) : (
                  <b>{step.title}</b>
                )}
                <span>
                  {stepText(step.text, table).map((piece, index) =>
                    piece.kind === 'text' ? (
                      <span key={index}>{piece.text}</span>
                    ) : (
                      <span key={index}>
                        <span className={`fig ${piece.typed ? 'typed' : 'derived'}`}>{piece.amount}</span> {piece.name}
                      </span>
                    ),
                  )}
                  {step.kind === 'pause' && step.meanwhile !== '' && ` Until it goes on: ${step.meanwhile}`}
                </span>
                <span className="until">
                  {[step.until, step.witness ? 'a demonstrator signs' : undefined].filter(Boolean).join('; ')}
                </span>
                {open === step.id && (
                  <div className="step-open">
                    {onChange && <StepEditor plan={plan} table={table} step={step} onChange={onChange} />}
                    <OperationPanel
                      plan={plan}
                      table={table}
                      step={step}
                      lab={lab}
                      solvents={solvents}
                      onWork={onChange && ((work, label) => onChange(changeStep(plan, step.id, { work }), label))}
                    />
                  </div>
                )}
              </li>
            </Fragment>
          )
        })}
      </ol>
      {onChange && (
        <AddStep
          onAdd={(operation) => {
            const after = open ?? beforeTheEnd(plan, operation)
            const added = addStep(plan, operation, after)
            onChange(added.plan, `step “${operations[operation].name}” added`)
            setOpen(added.id)
          }}
        />
      )}
    </section>
  )
})

/** Nothing is added after the waste step but storing: a new step goes before it. */
function beforeTheEnd(plan: Plan, operation: OperationKey): string | undefined {
  const last = plan.steps.at(-1)
  const { place }: Operation = operations[operation]
  const atEnd = last && operationIn(last)?.place === 'waste' && place !== 'last' && place !== 'waste'
  return atEnd ? plan.steps.at(-2)?.id : undefined
}
