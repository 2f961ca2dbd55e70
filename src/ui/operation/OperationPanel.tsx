'use client'

import { useMemo } from 'react'
import type { Lab } from '@/core/lab/lab'
import type { Measured } from '@/core/operations/planner'
import { common, ownBlank } from '@/core/operations/own'
import { contextOf, fieldsHere, filledFor, plannerFor, reportFor, suggestedFor, typedWith } from '@/core/operations/planners'
import { operationIn } from '@/core/operations/registry'
import { typedFor } from '@/core/plan/typedFor'
import { samplesOf, type Plan, type Step, type WorkRow, type WorkValue } from '@/core/plan/plan'
import { queryOfAdvice, type Query } from '@/core/operations/query'
import { nameOfHeld } from '@/core/substance/heldById'
import type { Substance } from '@/core/substance/substance'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { Blank } from './Blank'
import { Follows } from './Follows'
import { Picture } from './Picture'
import { Rows } from './Rows'
import { Sentences } from './Sentences'

interface Props {
  plan: Plan
  table: ReactionTable
  step: Step
  lab: Lab
  measured?: Measured
  /** Solvents to compare besides those of the plan. */
  solvents?: readonly Substance[] | undefined
  /** What stands beside it in the margin, and is not said here again. */
  queries?: readonly Query[]
  /** Writes some fields of the step; absent where it is only read. */
  onChange?: ((part: Record<string, unknown>, what: string) => void) | undefined
  /** The cursor has come into a blank. */
  onAsk?: ((blank: string) => void) | undefined
}

/** What a step says: the sentences of its operation, whose blanks are its fields; what follows from them, what to do, and a picture with its table. */
export function OperationPanel({ plan, table, step, lab, measured, solvents, queries = [], onChange, onAsk }: Props) {
  const planner = plannerFor(step)
  const context = useMemo(
    () => contextOf(plan, table, step, lab, measured, solvents),
    [plan, table, step, lab, measured, solvents],
  )
  const suggested = useMemo(() => suggestedFor(context), [context])
  const filled = useMemo(() => filledFor(context, suggested), [context, suggested])
  const report = useMemo(() => reportFor(context, filled), [context, filled])
  const typed = typedFor(step)
  const fields = planner ? fieldsHere(planner, lab) : []
  const offers = { substances: plan.substances, solvents: context.solvents ?? [], samples: samplesOf(plan) }
  const nameOf = (held: unknown) => nameOfHeld([...offers.substances, ...offers.solvents], held)
  const write = (key: string, label: string, value: WorkValue | undefined) => {
    const next = typedWith(planner!, typed, key, value)
    onChange!({ work: Object.keys(next).length === 0 ? undefined : { of: planner!.of, ...next } }, label)
  }
  const ownField = (key: string) => {
    const own = ownBlank(key, step, plan)
    return own ? (
      <Blank
        field={own.field}
        value={own.value}
        typed={!own.follows}
        own
        problem={own.problem}
        onValue={onChange && ((value) => onChange(own.part(value as string | number), own.field.label))}
      />
    ) : (
      '–'
    )
  }
  const blank = (key: string) => {
    if (key.startsWith('@')) return ownField(key)
    const field = fields.find((each) => each.key === key)
    if (!field) return null
    const value = filled[key]
    const onValue = onChange && ((next: WorkValue | undefined) => write(key, field.label, next))
    return field.kind === 'rows' ? (
      <Rows field={field} rows={(value as WorkRow[] | undefined) ?? []} typed={key in typed} offers={offers} onRows={onValue} />
    ) : (
      <Blank
        field={field}
        value={value as string | number}
        suggested={suggested[key]?.value as string | number}
        source={suggested[key]?.from}
        offers={offers}
        typed={key in typed}
        onAsk={onAsk && (() => onAsk(key))}
        onValue={onValue}
      />
    )
  }
  const sentences = [...(operationIn(step)?.says ?? []), ...(planner?.sentences(filled, nameOf) ?? []), ...common(step)]
  return (
    <section className="planner" aria-label={planner ? `${planner.title}, worked out` : 'What the step says'}>
      <Sentences sentences={sentences} blank={blank} />
      {report && (
        <Follows
          report={{
            ...report,
            advice: report.advice.filter(({ id }) => !queries.some((query) => query.id === queryOfAdvice(id, step))),
          }}
        />
      )}
      {planner && <Picture context={context} filled={filled} />}
      {report?.ladder && (
        <details>
          <summary>{report.ladder.title}</summary>
          <ol>
            {report.ladder.rungs.map((rung) => (
              <li key={rung}>{rung}</li>
            ))}
          </ol>
        </details>
      )}
    </section>
  )
}
