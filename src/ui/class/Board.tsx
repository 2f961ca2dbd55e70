'use client'

import Link from 'next/link'
import { printed } from '@/core/words/words'
import { useMemo, useState } from 'react'
import { Button } from 'react-bootstrap'
import { markedAt } from '@/core/measurements/press'
import { isShown } from '@/core/run/entry'
import { foldRun, type RunState } from '@/core/run/foldRun'
import { type StepState } from '@/core/run/stepState'
import type { Plan } from '@/core/plan/plan'
import { writeFigureText } from '@/core/quantity/write'
import { call } from '../call'
import { State } from '../figures/State'
import { entryLabel, entryValue } from '../run/labels'
import { useLive, type Numbered } from '../run/useLive'
import { ago, clockTime, span } from '../time'
import { useNow } from '../useNow'

export interface BoardRun {
  id: string
  bench: number
  members: string
  scale: number
  code: string | null
  before?: { title: string; massG: number; fraction: number; dry: boolean }[]
  entries: Numbered[]
}

export interface BoardProps {
  session: string
  plan: Plan
  runs: BoardRun[]
  zone: string
  startsAt: string
  maySign: boolean
  now: number
}

/** The room now: benches down, steps across; below, what waits for a person. */
export function Board({ session, plan, runs, zone, startsAt, maySign, now: initialNow }: BoardProps) {
  const initial = useMemo(() => Object.fromEntries(runs.map((run) => [run.id, run.entries])), [runs])
  const { entries, add } = useLive(`/api/sessions/${session}/live`, initial)
  const now = useNow(initialNow)
  const states = useMemo(
    () => runs.map((run) => ({ run, state: foldRun(plan, run.scale, entries[run.id] ?? []) })),
    [runs, plan, entries],
  )
  const finished = states.filter(({ state }) => state.now === plan.steps.length).length
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
      <NowList states={states} now={now} startsAt={startsAt} />
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
                {state.steps.map((step) => (
                  <td key={step.step.id} className={`square ${step.status}`}>
                    <Square state={step} odd={state.odd.some((entry) => entry.step === step.step.id)} />
                  </td>
                ))}
                <td className="now-words">
                  <NowWords state={state} now={now} startsAt={startsAt} />
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
        done more than once <Sign name="ahead" /> out of turn
      </p>
      <ToSign states={states} zone={zone} maySign={maySign} onSigned={(run, signed) => add({ [run]: signed })} />
      <Odd states={states} zone={zone} />
    </div>
  )
}

/** Benches with what is now at each, those whose clock is over first: what a phone shows in place of the grid. */
function NowList({ states, now, startsAt }: { states: { run: BoardRun; state: RunState }[]; now: number; startsAt: string }) {
  const late = (state: RunState) => state.clocks.some(({ dueAt }) => dueAt !== null && Date.parse(dueAt) < now)
  const sorted = [...states].sort((a, b) => Number(late(b.state)) - Number(late(a.state)) || a.run.bench - b.run.bench)
  return (
    <section className="now-list" aria-label="Benches now">
      <h2 className="section-title">Benches now</h2>
      <ul className="sheet-list">
        {sorted.map(({ run, state }) => (
          <li key={run.id}>
            <span>
              <b>Bench {run.bench}</b> <span className="quiet">{run.members}</span>
              <br />
              <NowWords state={state} now={now} startsAt={startsAt} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** A tablet whose clock is off by so much is shown: its times are put right, and somebody should put its clock right. */
const clockOffMs = 120_000

function ClockOff({ entries }: { entries: readonly Numbered[] }) {
  const off = entries.findLast(({ clockMs }) => clockMs !== undefined)?.clockMs ?? 0
  if (Math.abs(off) < clockOffMs) return null
  return (
    <small className="doubt">
      {' '}
      its tablet’s clock is {span(Math.abs(off))} {off > 0 ? 'ahead' : 'behind'}
    </small>
  )
}

type SignName = 'done' | 'now' | 'sign' | 'void' | 'odd' | 'skipped' | 'again' | 'ahead'

/** A mark on the board; its shape and letter say what its colour says. */
function Sign({ name }: { name: SignName }) {
  const letter = { done: '', now: '', sign: 'S', void: 'V', odd: '?', skipped: '–', again: '2', ahead: '›' }[name]
  return (
    <span className={`board-sign ${name}`} aria-hidden="true">
      {letter}
    </span>
  )
}

function Square({ state, odd }: { state: StepState; odd: boolean }) {
  const { status, signature, step, skipped, round, ahead } = state
  const signs: { name: SignName; words: string }[] = []
  if (signature.state === 'due') signs.push({ name: 'sign', words: 'waits for a signature' })
  else if (signature.state === 'void') signs.push({ name: 'void', words: 'signature void' })
  if (odd) signs.push({ name: 'odd', words: 'odd reading' })
  if (skipped !== null) signs.push({ name: 'skipped', words: `left out: ${skipped}` })
  if (round > 1) signs.push({ name: 'again', words: `done ${round} times` })
  if (ahead !== null) signs.push({ name: 'ahead', words: `out of turn: ${ahead}` })
  if (signs.length === 0 && status !== 'later') signs.push({ name: status, words: status })
  return (
    <>
      {signs.map(({ name }) => (
        <Sign key={name} name={name} />
      ))}
      <span className="visually-hidden">
        {printed(step.title)}: {signs.map(({ words }) => words).join(', ') || 'not yet'}
      </span>
    </>
  )
}

function NowWords({ state, now, startsAt }: { state: RunState; now: number; startsAt: string }) {
  const current = state.steps[state.now]
  if (!current) return <State level="good">all steps done</State>
  const clock = state.clocks.find(({ step }) => step === current.step.id)
  const since = current.startedAt ?? state.steps[state.now - 1]?.endedAt ?? null
  const over = clock?.dueAt && Date.parse(clock.dueAt) < now
  return (
    <>
      <b>{printed(current.step.title)}</b>
      {clock ? (
        <span className={over ? 'doubt' : ''}>
          {' '}
          <span className="fig">
            {clock.dueAt ? span(Date.parse(clock.dueAt) - now) : span(now - Date.parse(clock.from))}
          </span>{' '}
          {over ? 'over time' : clock.dueAt ? 'left' : 'heat on, no reflux yet'}
        </span>
      ) : (
        <span className="quiet">
          {' '}
          {since ? `since ${ago(since, now)}` : Date.parse(startsAt) > now ? 'not begun' : 'nothing written yet'}
        </span>
      )}
      {current.step.kind === 'reflux' && markedAt(current, 'onset') === null && !clock && (
        <span className="quiet">, heat not on</span>
      )}
    </>
  )
}

function ToSign({
  states,
  zone,
  maySign,
  onSigned,
}: {
  states: { run: BoardRun; state: RunState }[]
  zone: string
  maySign: boolean
  onSigned: (run: string, signed: Numbered[]) => void
}) {
  const [problem, setProblem] = useState<string>()
  const due = states.flatMap(({ run, state }) =>
    state.steps.filter(({ signature }) => signature.state === 'due' || signature.state === 'void').map((step) => ({ run, step })),
  )
  return (
    <section aria-label="Signatures">
      <h2 className="section-title">Waits for a signature</h2>
      {due.length === 0 && <p className="quiet">No reading waits.</p>}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <ul className="sheet-list">
        {due.map(({ run, step }) => (
          <li key={`${run.id} ${step.step.id}`}>
            <span>
              <b>
                Bench {run.bench}, {printed(step.step.title).toLowerCase()}
              </b>{' '}
              <span className="quiet">{run.members}</span>
              <br />
              {step.standing
                .filter(isShown)
                .map((entry) => `${entryLabel(step, entry)} ${entryValue(entry)}`)
                .join('; ')}
              {step.net && <b className="fig"> Net {writeFigureText(step.net.figure, step.net.dimension)}</b>}
              {step.signature.state === 'void' && (
                <span className="danger">
                  {' '}
                  The signature of {step.signature.by}, {clockTime(step.signature.at, zone)}, is void: a signed reading was
                  struck.
                </span>
              )}
            </span>
            {maySign && (
              <Button
                size="sm"
                onClick={async () => {
                  setProblem(undefined)
                  try {
                    const { entries } = await call<{ entries: Numbered[] }>(`/api/runs/${run.id}/signatures`, 'POST', {
                      step: step.step.id,
                    })
                    onSigned(run.id, entries)
                  } catch (error) {
                    setProblem((error as Error).message)
                  }
                }}
              >
                I have seen it: sign
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}

function Odd({ states, zone }: { states: { run: BoardRun; state: RunState }[]; zone: string }) {
  const odd = states.flatMap(({ run, state }) => state.odd.map((entry) => ({ run, entry })))
  if (odd.length === 0) return null
  return (
    <section aria-label="Odd readings">
      <h2 className="section-title">Odd readings, kept when asked</h2>
      <ul className="sheet-list">
        {odd.map(({ run, entry }) => (
          <li key={entry.id}>
            <span>
              <b>Bench {run.bench}</b> <span className="fig">{entryValue(entry)}</span>, {clockTime(entry.at, zone)}:{' '}
              {'asked' in entry.body && entry.body.asked}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
