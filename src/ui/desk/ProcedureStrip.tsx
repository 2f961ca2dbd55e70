'use client'

import { Fragment, memo, useState } from 'react'
import type { Lab } from '@/core/lab/lab'
import { plannerFor } from '@/core/operations/planners'
import { printedStep } from '@/core/operations/printedPlan'
import { wordFigures } from '@/core/operations/wordFigures'
import { days, lengthOf, writeMinutes } from '@/core/plan/duration'
import { moveStep } from '@/core/plan/editPlan'
import { addOwnStep, addStep, ownIn, type OwnMade } from '@/core/edit/addStep'
import { operationIn, operations, type OperationKey } from '@/core/operations/registry'
import type { Operation } from '@/core/operations/operation'
import type { Plan } from '@/core/plan/plan'
import type { Query } from '@/core/operations/query'
import type { Substance } from '@/core/substance/substance'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { AddStep } from './AddStep'
import { MakeOperation } from './MakeOperation'
import { OpenStep } from './OpenStep'
import { SortableSteps } from './SortableSteps'
import { StripRow } from './StripRow'

interface Props {
  course: string
  plan: Plan
  table: ReactionTable
  lab: Lab
  /** Solvents that a crystallisation may be tried from. */
  solvents: readonly Substance[]
  /** What stands in the margin, and is not said again in a step. */
  queries: readonly Query[]
  /** Absent where the procedure is only read. */
  onChange?: ((plan: Plan, label: string) => void) | undefined
  /** The cursor has come into a blank of a step. */
  onAsk?: ((asked?: { step: string; blank: string }) => void) | undefined
}

/** The procedure as a strip of steps with a time gutter: solid while hands are busy, hatched while waiting. Amounts follow the table. */
export const ProcedureStrip = memo(function ProcedureStrip({
  course,
  plan,
  table,
  lab,
  solvents,
  queries,
  onChange,
  onAsk,
}: Props) {
  const [open, setOpen] = useState<string>()
  const [making, setMaking] = useState<string>()
  const addOwn = (made: OwnMade) => {
    const added = addOwnStep(plan, made, open ?? beforeTheEnd(plan))
    onChange?.(added.plan, `step “${made.own.name}” added`)
    setOpen(added.id)
  }
  const place = (id: string) => plan.steps.findIndex((step) => step.id === id)
  const move = (id: string, to: number) => {
    if (!onChange || to < 0 || to >= plan.steps.length || to === place(id)) return
    onChange(moveStep(plan, id, to), `“${plan.steps[place(id)]!.title}” moved`)
  }
  const parted = days(plan)
  const total = (of: 'handsOnMin' | 'waitMin') => parted.reduce((sum, day) => sum + day[of], 0)
  const length = lengthOf(plan.steps)
  const dayOf = (id: string) => parted.findIndex(({ steps }) => steps.some((step) => step.id === id))
  return (
    <section aria-label="Procedure">
      <h2 className="section-title">
        Procedure
        <small>
          {writeMinutes(length.usual)} at the bench, {writeMinutes(total('waitMin'))} of it waiting
          {length.least < length.most && ` (from ${writeMinutes(length.least)} to ${writeMinutes(length.most)})`}
          {parted.length > 1 && `, on ${parted.length} days`}
        </small>
      </h2>
      <SortableSteps ids={plan.steps.map(({ id }) => id)} onMove={move}>
        <ol className="strip">
          {plan.steps.map((step) => {
            const day = dayOf(step.id)
            const { startMin, handsOnMin, waitMin, steps } = parted[day]!
            return (
              <Fragment key={step.id}>
                {parted.length > 1 && steps[0] === step && (
                  <li className="day">
                    Day {day + 1}, {writeMinutes(handsOnMin + waitMin)}
                  </li>
                )}
                <StripRow
                  step={step}
                  table={table}
                  figures={wordFigures(plan, table, step, lab)}
                  until={printedStep(plan, table, step, lab).until}
                  startMin={startMin[step.id]!}
                  open={open === step.id}
                  writing={onChange !== undefined}
                  onToggle={
                    onChange || plannerFor(step)
                      ? () => {
                          onAsk?.()
                          setOpen(open === step.id ? undefined : step.id)
                        }
                      : undefined
                  }
                  onNudge={onChange && ((by) => move(step.id, place(step.id) + by))}
                >
                  {open === step.id && (
                    <OpenStep
                      plan={plan}
                      table={table}
                      step={step}
                      lab={lab}
                      solvents={solvents}
                      queries={queries}
                      onChange={onChange}
                      onAsk={onAsk && ((blank) => onAsk({ step: step.id, blank }))}
                    />
                  )}
                </StripRow>
              </Fragment>
            )
          })}
        </ol>
      </SortableSteps>
      {onChange && (
        <AddStep
          course={course}
          own={ownIn([plan])}
          onAdd={(operation) => {
            const after = open ?? beforeTheEnd(plan, operation)
            const added = addStep(plan, operation, after)
            onChange(added.plan, `step “${operations[operation].name}” added`)
            setOpen(added.id)
          }}
          onOwn={addOwn}
          onMake={setMaking}
        />
      )}
      {making !== undefined && (
        <MakeOperation
          name={making}
          onClose={() => setMaking(undefined)}
          onMake={(made) => {
            addOwn(made)
            setMaking(undefined)
          }}
        />
      )}
    </section>
  )
})

/** Nothing is added after the waste step but storing: a new step goes before it. */
function beforeTheEnd(plan: Plan, operation?: OperationKey): string | undefined {
  const last = plan.steps.at(-1)
  const place = operation && (operations[operation] as Operation).place
  const atEnd = last && operationIn(last)?.place === 'waste' && place !== 'last' && place !== 'waste'
  return atEnd ? plan.steps.at(-2)?.id : undefined
}
