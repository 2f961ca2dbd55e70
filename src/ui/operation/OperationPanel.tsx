'use client'

import { useMemo } from 'react'
import type { Lab } from '@/core/lab/lab'
import type { Measured } from '@/core/operations/planner'
import { contextOf, fieldsHere, filledFor, plannerFor, reportFor, suggestedFor } from '@/core/operations/planners'
import { typedFor } from '@/core/plan/typedFor'
import type { Plan, Step, WorkRow, WorkValue } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { State } from '../figures/State'
import { Blank } from './Blank'
import { Picture } from './Picture'
import { Rows } from './Rows'

interface Props {
  plan: Plan
  table: ReactionTable
  step: Step
  lab: Lab
  measured?: Measured
  /** Solvents to compare besides those of the plan. */
  solvents?: readonly Substance[] | undefined
  /** Absent where it is only read. */
  onWork?: ((work: Step['work'], label: string) => void) | undefined
}

/** The planner of a step's operation: sentences with blanks, what follows from them, what to do, and a picture with its table. */
export function OperationPanel({ plan, table, step, lab, measured, solvents, onWork }: Props) {
  const planner = plannerFor(step)
  const context = useMemo(
    () => contextOf(plan, table, step, lab, measured, solvents),
    [plan, table, step, lab, measured, solvents],
  )
  const suggested = useMemo(() => suggestedFor(context), [context])
  const filled = useMemo(() => filledFor(context, suggested), [context, suggested])
  const report = useMemo(() => reportFor(context, filled), [context, filled])
  if (!planner || !report) return null
  const typed = typedFor(step)
  const fields = fieldsHere(planner, lab)
  const names = (of: readonly Substance[]) => [...new Set(of.map(({ name }) => name))]
  const offers = { substances: names(plan.substances), solvents: names(context.solvents ?? []) }
  const write = (key: string, label: string, value: WorkValue | undefined) => {
    const { [key]: _old, of: _of, ...rest } = typed
    const next = value === undefined ? rest : { ...rest, [key]: value }
    onWork!(
      Object.keys(next).length === 0 ? undefined : ({ of: planner.of, ...next } as Step['work']),
      `${label} of “${step.title}”`,
    )
  }
  const blank = (key: string) => {
    const field = fields.find((each) => each.key === key)
    if (!field) return null
    const value = filled[key]
    const onValue = onWork && ((next: WorkValue | undefined) => write(key, field.label, next))
    return field.kind === 'rows' ? (
      <Rows field={field} rows={(value as WorkRow[] | undefined) ?? []} typed={key in typed} offers={offers} onRows={onValue} />
    ) : (
      <Blank
        field={field}
        value={value as string | number}
        suggested={suggested[key]?.value as string | number}
        offers={offers}
        typed={key in typed && !step.read?.includes(key)}
        read={step.read?.includes(key) ?? false}
        onValue={onValue}
      />
    )
  }
  return (
    <section className="planner" aria-label={`${planner.title}, worked out`}>
      <h3>{planner.title}</h3>
      {planner.sentences(filled).map((sentence, at) => (
        <div className="sentence" key={at}>
          {sentence.split(/(\{\w+\})/).map((part, index) => {
            const key = /^\{(\w+)\}$/.exec(part)?.[1]
            return <span key={index}>{key === undefined ? part : blank(key)}</span>
          })}
        </div>
      ))}
      <div className="follows">
        {report.facts.length > 0 && (
          <dl>
            {report.facts.map(({ id, name, text, how }) => (
              <div key={id}>
                <dt>
                  {name}
                  {how && <small>{how}</small>}
                </dt>
                <dd className="fig derived">{text}</dd>
              </div>
            ))}
          </dl>
        )}
        <ul className="advice">
          {report.advice.map(({ id, level, words, why }) => (
            <li key={id}>
              <State level={level}>{words}</State>
              {why && <small> {why}</small>}
            </li>
          ))}
        </ul>
      </div>
      <Picture context={context} filled={filled} />
      {report.ladder && (
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
