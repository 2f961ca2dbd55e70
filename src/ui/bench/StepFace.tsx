import { useMemo, type ReactNode } from 'react'
import type { Lab } from '@/core/lab/lab'
import { operationIn } from '@/core/operations/registry'
import { stepText } from '@/core/reaction/stepText'
import { exact, times } from '@/core/quantity/figure'
import { writeFigureText } from '@/core/quantity/write'
import { computedLine, dispensed } from '@/core/reaction/reactionTable'
import { Wrote } from './Wrote'
import type { Entry } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import { oursIn } from '@/core/run/ours'
import type { StepState } from '@/core/run/stepState'
import { printed } from '@/core/words/words'
import { State } from '../figures/State'
import { clockTime } from '../time'
import { Cautions } from './Cautions'
import { WastePlaces } from './WastePlaces'
import { later } from './later'
import { useOurFigures } from './useOurFigures'

const Finishes = later(() => import('./Finishes').then((module) => module.Finishes))
const WhatWeHave = later(() => import('./WhatWeHave').then((module) => module.WhatWeHave))
const BenchFigures = later(() => import('./BenchFigures').then((module) => module.BenchFigures))

interface FaceProps {
  run: RunState
  state: StepState
  lab: Lab
  /** What stands in the blanks that its words name. */
  figures: Readonly<Record<string, string>> | undefined
  zone: string
  /** The server's time while rendering. */
  now: number
  onTablet: ReadonlySet<string>
  onStrike: ((entry: Entry) => void) | undefined
  onSign: (() => void) | undefined
  /** What to heed in it, worked out for the plan. */
  cautions: readonly string[]
  /** The safety sheet, as the first step shows it. */
  safety: ReactNode
  /** Title of the step that must be done first. */
  later: string | undefined
}

/** What is to be done in one step: its words with our amounts, its cautions, what follows from our figures, and what stands written. */
export function StepFace({
  run,
  state,
  lab,
  figures,
  zone,
  now,
  onTablet,
  onStrike,
  onSign,
  cautions,
  safety,
  later,
}: FaceProps) {
  const { step, signature } = state
  const { table, changed } = useMemo(() => oursIn(run, step), [run, step])
  const ourFigures = useOurFigures(run, step, lab, figures)
  // How much goes in of what a group has put in itself nobody has planned.
  const line = step.kind === 'charge' && !state.putIn ? computedLine(table, step.line) : null
  const whole = line && dispensed(line)
  const amount =
    whole && step.kind === 'charge' && step.portion !== undefined
      ? { ...whole, figure: times(whole.figure, exact(step.portion)) }
      : whole
  const before = run.plan.steps[run.plan.steps.findIndex(({ id }) => id === step.id) - 1]
  return (
    <>
      <h1 tabIndex={-1}>{printed(step.title)}</h1>
      {later && (
        <p>
          <State level="open">Cannot yet: first {later.toLowerCase()}.</State>
        </p>
      )}
      {before?.kind === 'pause' && before.endsDay && printed(before.meanwhile) && (
        <p className="text">
          <b>From the day before:</b> {printed(before.meanwhile)}
        </p>
      )}
      <p className="text">
        {stepText(step.text, table, ourFigures).map((piece, index) =>
          piece.kind === 'amount' ? (
            <span key={index}>
              <b className="fig">{piece.amount}</b> {piece.name}
            </span>
          ) : piece.kind === 'figure' ? (
            <b key={index} className="fig">
              {piece.text}
            </b>
          ) : (
            <span key={index}>{piece.text}</span>
          ),
        )}
      </p>
      {state.putIn && <p className="quiet">This step is our own, put in at {clockTime(state.putIn.at, zone)}.</p>}
      {changed.map(({ name, planned, ours, why }) => (
        <p className="changed" key={name}>
          <b className="fig">{ours}</b> of {name} {why}; the plan says <s className="fig">{planned}</s>.
        </p>
      ))}
      {Object.entries(ourFigures ?? {}).map(([key, ours]) =>
        ours === figures?.[key] ? null : (
          <p className="changed" key={key}>
            <b className="fig">{ours}</b> from what we charged and measured; the plan says <s className="fig">{figures?.[key]}</s>
            .
          </p>
        ),
      )}
      {line && amount && (
        <div className="amount-face">
          <b className="fig">{writeFigureText(amount.figure, amount.dimension)}</b>
          <span>
            {line.substance.name}
            <em>
              {[
                amount.dimension === 'volume' && line.mass ? writeFigureText(line.mass, 'mass') : '',
                line.amount ? writeFigureText(line.amount, 'amount') : '',
                line.limiting ? 'it sets the limit' : '',
              ]
                .filter(Boolean)
                .join(', ')}
            </em>
          </span>
        </div>
      )}
      <WastePlaces step={step.id} />
      <Cautions run={run} step={step} planned={cautions} />
      {step.kind === 'pause' && printed(step.meanwhile) && (
        <p className="text">
          <b>Until it goes on:</b> {printed(step.meanwhile)}
        </p>
      )}
      {step.kind === 'safety' && <div className="safety">{safety}</div>}
      <Finishes run={run} state={state} initialNow={now} />
      {operationIn(step)?.place !== 'first' && <BenchFigures run={run} step={step} lab={lab} />}
      {operationIn(step)?.place !== 'first' && <WhatWeHave run={run} step={step} lab={lab} />}
      <Wrote run={run} state={state} onTablet={onTablet} zone={zone} onStrike={onStrike} />
      {onSign && (signature.state === 'due' || signature.state === 'void') && (
        <button type="button" className="plain wide" onClick={onSign}>
          A demonstrator signs here
        </button>
      )}
    </>
  )
}
