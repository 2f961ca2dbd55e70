'use client'

import { decided, type Said } from '@/core/reading/handout/decide'
import type { Proposal, ProposedStep } from '@/core/reading/handout/proposal'
import { defaultLab } from '@/core/lab/lab'
import { operations, type OperationKey } from '@/core/operations/registry'
import { wordFigures } from '@/core/operations/wordFigures'
import type { Plan, Step } from '@/core/plan/plan'
import { capital } from '@/core/words/capital'
import { printed } from '@/core/words/words'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { PrintedSentence } from '../PrintedSentence'
import { ChangeStep } from './ChangeStep'
import { Row } from './Row'
import type { Deed } from './useSaid'

interface Props {
  proposal: Proposal
  now: Proposal
  plan: Plan
  table: ReactionTable
  /** The step of the plan that each item became. */
  stepOf: ReadonlyMap<string, Step>
  said: Said
  numbers: ReadonlyMap<string, number>
  at: string | undefined
  open: string | undefined
  onAt: (id: string) => void
  onOpen: (id: string) => void
  onSay: (deed: Deed) => void
}

const waits: readonly OperationKey[] = ['heat', 'hold', 'stir', 'cool', 'reflux']

/** What the text leaves open and the step has all the same. */
function silent(item: ProposedStep, step: Step | undefined): string | undefined {
  if (!step || item.offered !== undefined || !waits.includes(item.operation)) return undefined
  const held = 'holdMin' in step ? step.holdMin : undefined
  return held === undefined || item.fields.some(({ key }) => key === '@holdMin')
    ? undefined
    : `how long is not said: ${held} min, as usual`
}

/** The steps that were read, each as the bench would have it. */
export function StepRows({ proposal, now, plan, table, stepOf, said, numbers, at, open, onAt, onOpen, onSay }: Props) {
  return (
    <ol className="read-steps" aria-label="Procedure">
      {proposal.steps.map((item) => {
        const current = now.steps.find(({ id }) => id === item.id)
        const shown = current ?? item
        const step = stepOf.get(item.id)
        const state = !current ? 'left' : !decided(current) ? 'asks' : 'ready'
        const name = capital(operations[shown.operation].name)
        const open_ = silent(shown, step)
        return (
          <Row
            key={item.id}
            item={item}
            number={numbers.get(item.id)}
            name={step ? printed(step.title) : name}
            state={state}
            at={at === item.id}
            answers={said.answers}
            className="step"
            onAt={() => onAt(item.id)}
            onOpen={() => onOpen(item.id)}
            onSay={onSay}
            change={
              open === item.id ? (
                <ChangeStep step={shown} onChange={(change) => onSay({ do: 'step', id: item.id, change })} />
              ) : undefined
            }
          >
            <b className="what">{name}</b>
            <span className="says">
              {step ? (
                <PrintedSentence step={step} table={table} figures={wordFigures(plan, table, step, defaultLab)} />
              ) : (
                <em>{item.offered === undefined ? '' : 'not in the text'}</em>
              )}
              {step?.until && <span> {capital(printed(step.until))}.</span>}
              {step?.vessel && item.read.vessel && (
                <em>
                  {' '}
                  {step.vessel.kind}, {step.vessel.sizeML} mL
                </em>
              )}
              {open_ && <em> {open_}</em>}
            </span>
          </Row>
        )
      })}
    </ol>
  )
}
