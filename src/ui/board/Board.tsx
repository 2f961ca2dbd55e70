'use client'

import { Link } from '../page/Link'
import { useMemo, useState } from 'react'
import type { Plan } from '@/core/plan/plan'
import { foldRun, type RunState } from '@/core/run/foldRun'
import type { Logged } from '@/core/timetable/stepMinutes'
import type { StepState } from '@/core/run/stepState'
import { printed } from '@/core/words/words'
import { useLive } from '../run/useLive'
import { useNow } from '../useNow'
import type { BoardRun } from './bench'
import { Calls } from './Calls'
import { ClockOff } from './ClockOff'
import { NowList } from './NowList'
import { NowWords } from './NowWords'
import { Odd } from './Odd'
import { Sign, Square } from './Signs'
import { Tell } from './Tell'
import { ToSign } from './ToSign'
import { WasteCalls } from './WasteCalls'
import { WillFinish } from './WillFinish'

export interface BoardProps {
  session: string
  plan: Plan
  runs: BoardRun[]
  zone: string
  startsAt: string
  endsAt: string
  /** How long steps took in earlier classes, and which of them are done on this day. */
  logged: Readonly<Record<string, Logged>>
  today: readonly string[]
  maySign: boolean
  now: number
}

/** The room now: benches down, steps across; below, what waits for a person. */
export function Board({ session, plan, runs, zone, startsAt, endsAt, logged, today, maySign, now: initialNow }: BoardProps) {
  const initial = useMemo(() => Object.fromEntries(runs.map((run) => [run.id, run.entries])), [runs])
  const { entries, add } = useLive(`/api/sessions/${session}/live`, initial)
  const now = useNow(initialNow)
  const states = useMemo(
    () => runs.map((run) => ({ run, state: foldRun(plan, run.scale, entries[run.id] ?? []) })),
    [runs, plan, entries],
  )
  const finished = states.filter(({ state }) => state.now === state.steps.length).length
  const started = states.filter(({ state }) => state.now > 0 || state.steps[0]?.standing.length).length
  const [grid, setGrid] = useState(false)
  return (
    <div className={`class-now${grid ? ' with-grid' : ''}`}>
      <p className="summary">
        <b className="fig">
          {started} of {runs.length}
        </b>{' '}
        benches have begun, <b className="fig">{finished}</b> are done.
      </p>
      <Calls {...{ session, states, now, zone }} mayAnswer={maySign} onAnswered={(run, answered) => add({ [run]: answered })} />
      {maySign && <Tell session={session} states={states} onSaid={add} />}
      <WasteCalls session={session} />
      <WillFinish {...{ states, now, startsAt, endsAt, zone, logged, today }} />
      <NowList {...{ states, now, startsAt, logged }} />
      <button type="button" className="grid-behind no-print" aria-expanded={grid} onClick={() => setGrid(!grid)}>
        {grid ? 'Hide the board' : 'All steps of all benches'}
      </button>
      <div className="board-scroll" tabIndex={0} role="region" aria-label="Board of benches against steps">
        <table className="ruled board">
          <thead>
            <tr>
              <th scope="col">bench</th>
              <th scope="col">group</th>
              {plan.steps.map((step) => (
                <th scope="col" key={step.id} className="step">
                  <span>{printed(step.title)}</span>
                </th>
              ))}
              <th scope="col">now</th>
            </tr>
          </thead>
          <tbody>
            {states.map(({ run, state }) => (
              <tr key={run.id} data-bench={run.bench}>
                <th scope="row" className="number">
                  {run.bench}
                </th>
                <td className="group">
                  <Link className="title" href={`/class/${session}/${run.id}`}>
                    {run.members}
                  </Link>
                  {run.scale !== 1 && <small> scale {run.scale}</small>}
                </td>
                {inColumns(plan, state).map((steps) => (
                  <td key={steps[0]!.step.id} className={`square ${steps[0]!.status}`}>
                    {steps.map((step) => (
                      <Square key={step.step.id} state={step} odd={state.odd.some((entry) => entry.step === step.step.id)} />
                    ))}
                  </td>
                ))}
                <td className="now-words">
                  <NowWords {...{ state, now, startsAt, logged }} />
                  <ClockOff entries={entries[run.id] ?? []} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="legend quiet">
        <Sign name="done" /> done <Sign name="now" /> now <Sign name="sign" /> waits for a signature <Sign name="void" />{' '}
        signature void <Sign name="odd" /> odd reading, kept when asked <Sign name="skipped" /> left out <Sign name="again" />{' '}
        done more than once <Sign name="ahead" /> out of turn <Sign name="own" /> a step of the group’s own <Sign name="twice" />{' '}
        two figures for one reading
      </p>
      <ToSign states={states} zone={zone} maySign={maySign} onSigned={(run, signed) => add({ [run]: signed })} />
      <Odd states={states} zone={zone} />
    </div>
  )
}

/** The steps of a bench under those of the plan: what a group has put in stands with the step before it. */
function inColumns(plan: Plan, { steps }: RunState): StepState[][] {
  const columns: StepState[][] = plan.steps.map(() => [])
  const places = new Map(plan.steps.map(({ id }, index) => [id, index]))
  let at = 0
  for (const state of steps) {
    at = places.get(state.step.id) ?? at
    columns[at]?.push(state)
  }
  return columns
}
