'use client'

import { useState } from 'react'
import type { WeighingMethod } from '@/core/plan/lists'
import { askAbout } from '@/core/run/askAbout'
import { endsEarly } from '@/core/run/endsEarly'
import { besidesDue, dueIn, weighingChoices, type Due } from '@/core/run/due'
import type { Lab } from '@/core/lab/lab'
import type { EntryBodies } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import type { StepState } from '@/core/run/stepState'
import { NumberPad } from './NumberPad'
import { Question } from './Question'
import { ReadingField } from './ReadingField'
import { readingOf } from './readingOf'
import { EnterPair } from './EnterPair'
import { EnterSpots } from './EnterSpots'
import { later } from './later'
import { draftOf, type Write } from './write'

const EnterHead = later(() => import('./EnterHead').then((module) => module.EnterHead))
const Tubes = later(() => import('./Tubes').then((module) => module.Tubes))

const methodWords: Record<WeighingMethod, string> = { tare: 'Tare and add', difference: 'By difference' }
type Closure = 'with cap' | 'without cap'

/** The one thing to enter now, for the step that is now. */
export function DuePanel({ run, state, lab, write }: { run: RunState; state: StepState; lab: Lab; write: Write }) {
  const [method, setMethod] = useState<WeighingMethod>()
  const [portioned, setPortioned] = useState(lab.crystallisationVolume === 'portions')
  const [beside, setBeside] = useState<string>()
  // What this tablet has written clears its field; what another one writes meanwhile must not.
  const [written, setWritten] = useState(0)
  const besides = besidesDue(state)
  const due = besides.find(({ slot }) => slot === beside) ?? dueIn(state, method, portioned)
  if (!due) return null
  const choices = weighingChoices(state)
  const begun = state.standing.some((entry) => entry.kind === 'reading' && !['temperature', 'heater'].includes(entry.body.slot))
  const current = method ?? choices[0]
  return (
    <section className="pad" aria-label="What to enter now">
      {choices.length > 1 && !begun && (
        <div className="choice" role="group" aria-label="Way of weighing">
          {choices.map((choice) => (
            <button key={choice} type="button" aria-pressed={choice === current} onClick={() => setMethod(choice)}>
              {methodWords[choice]}
            </button>
          ))}
        </div>
      )}
      {state.step.kind === 'crystallise' && !begun && (
        <div className="choice" role="group" aria-label="How the hot solvent is written">
          {[true, false].map((each) => (
            <button key={String(each)} type="button" aria-pressed={portioned === each} onClick={() => setPortioned(each)}>
              {each ? 'Portion by portion' : 'All of it at once'}
            </button>
          ))}
        </div>
      )}
      <h2>{due.label}</h2>
      {due.hint && <p className="hint">{due.hint}</p>}
      <Enter
        key={`${state.step.id} ${due.kind} ${'slot' in due ? due.slot : ''} ${written}`}
        run={run}
        state={state}
        due={due}
        lab={lab}
        write={(...entry) => {
          setBeside(undefined)
          setWritten(written + 1)
          write(...entry)
        }}
      />
      {due.kind === 'reading' && due.ends && (
        <button type="button" className="plain" onClick={() => write('done', state.step.id, {})}>
          {due.ends}
        </button>
      )}
      {due.kind === 'reading' && due.slot === 'portion' && begun && (
        <button type="button" className="plain" onClick={() => write('press', state.step.id, { mark: 'dissolved' })}>
          All of it has dissolved
        </button>
      )}
      {besides.length > 0 && (
        <div className={besides.length > 1 ? 'besides' : 'besides one'}>
          {besides.map(({ slot }) => (
            <button key={slot} type="button" className="plain" onClick={() => setBeside(beside === slot ? undefined : slot)}>
              {beside === slot ? 'Not now' : slot === 'heater' ? 'Heater’s setting' : 'Write a temperature'}
            </button>
          ))}
        </div>
      )}
      {state.step.witness && <p className="hint">A demonstrator signs this step.</p>}
      {state.step.kind === 'dry' && (state.net?.series?.length ?? 0) > 0 && <StopDrying step={state.step.id} write={write} />}
    </section>
  )
}

function Enter({ run, state, due, lab, write }: { run: RunState; state: StepState; due: Due; lab: Lab; write: Write }) {
  const step = state.step.id
  switch (due.kind) {
    case 'press':
      return (
        <Ending state={state} ends={due.mark === 'heat-off'} onEnd={() => write('press', step, { mark: due.mark })}>
          {(end) => (
            <button type="button" className="go" onClick={end}>
              {due.label}
            </button>
          )}
        </Ending>
      )
    case 'tare':
      return (
        <button
          type="button"
          className="go"
          onClick={() =>
            write('reading', step, { slot: 'tared', value: 0, unit: 'g', decimals: due.decimals, weighing: { method: 'tare' } })
          }
        >
          It shows zero: tared
        </button>
      )
    case 'done':
      return (
        <Ending state={state} ends={state.step.kind === 'hold'} onEnd={() => write('done', step, {})}>
          {(end) => <Done due={due} onDone={end} />}
        </Ending>
      )
    case 'melting':
    case 'boiling':
    case 'refraction':
      return <EnterPair run={run} step={step} kind={due.kind} lab={lab} write={write} />
    case 'spots':
      return <EnterSpots step={step} write={write} />
    case 'head':
      return <EnterHead run={run} state={state} first={due.first} lab={lab} write={write} />
    case 'note':
      return <EnterNote step={step} slot={due.slot} label={due.label} write={write} />
    case 'tubes':
      return <Tubes run={run} state={state} lab={lab} write={write} />
    case 'reading':
      return <EnterReading run={run} state={state} due={due} write={write} />
  }
}

interface EndingProps {
  state: StepState
  /** True where this press ends a time that runs. */
  ends: boolean
  onEnd: () => void
  children: (end: () => void) => React.ReactNode
}

/** A press that ends a hold is asked about once where the hold has hardly begun. */
function Ending({ state, ends, onEnd, children }: EndingProps) {
  const [asked, setAsked] = useState<string>()
  if (asked)
    return <Question question={asked} onCorrect={() => setAsked(undefined)} onKeep={onEnd} correct="Go on" keep="It is over" />
  const end = () => {
    const question = ends ? endsEarly(state, new Date().getTime()) : null
    if (question) setAsked(question)
    else onEnd()
  }
  return children(end)
}

function Done({ due, onDone }: { due: Due & { kind: 'done' }; onDone: () => void }) {
  const [checked, setChecked] = useState<ReadonlySet<string>>(new Set())
  const left = (due.checks ?? []).filter((check) => !checked.has(check)).length
  return (
    <>
      {due.checks?.map((check) => (
        <label className="check" key={check}>
          <input
            type="checkbox"
            checked={checked.has(check)}
            onChange={(event) => {
              const next = new Set(checked)
              if (event.currentTarget.checked) next.add(check)
              else next.delete(check)
              setChecked(next)
            }}
          />
          <span>{check}</span>
        </label>
      ))}
      <button type="button" className="go" disabled={left > 0} onClick={onDone}>
        {due.label}
      </button>
      {left > 0 && <p className="hint">{left === 1 ? 'One line is' : `${left} lines are`} still to be checked.</p>}
    </>
  )
}

function EnterReading({
  run,
  state,
  due,
  write,
}: {
  run: RunState
  state: StepState
  due: Due & { kind: 'reading' }
  write: Write
}) {
  const first = state.standing.find((entry) => entry.kind === 'reading')
  const closureBefore = first?.kind === 'reading' ? first.body.weighing?.closure : undefined
  const [text, setText] = useState('')
  const [closure, setClosure] = useState<Closure | undefined>(closureBefore)
  const [problem, setProblem] = useState<string>()
  const [asked, setAsked] = useState<string>()

  const take = (kept?: string) => {
    const read = readingOf(text, due.unit, due.decimals)
    if (!read.ok) return setProblem(read.problem)
    if (due.asksClosure && !closure)
      return setProblem('Say whether the cap is on: the second weighing must be in the same state.')
    const body: EntryBodies['reading'] = {
      slot: due.slot,
      ...read.value,
      unit: due.unit,
      ...(due.weighing ? { weighing: { method: due.weighing, ...(due.asksClosure && closure ? { closure } : {}) } } : {}),
      ...(kept === undefined ? {} : { asked: kept }),
    }
    const question = kept === undefined ? askAbout(run, draftOf('reading', state.step.id, body)) : null
    if (question) return setAsked(question)
    write('reading', state.step.id, body)
  }
  if (asked) return <Question question={asked} onCorrect={() => setAsked(undefined)} onKeep={() => take(asked)} />
  return (
    <>
      {due.asksClosure && (
        <div className="choice" role="group" aria-label="State of the container">
          {(['with cap', 'without cap'] as const).map((choice) => (
            <button key={choice} type="button" aria-pressed={closure === choice} onClick={() => setClosure(choice)}>
              {choice === 'with cap' ? 'With cap' : 'Without cap'}
            </button>
          ))}
        </div>
      )}
      <ReadingField
        label={due.label}
        unit={due.unit}
        value={text}
        onValue={(value) => {
          setText(value)
          setProblem(undefined)
        }}
        onEnter={() => take()}
        problem={problem}
      />
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <NumberPad value={text} onValue={setText} />
      <button type="button" className="go" onClick={() => take()}>
        Write it down
      </button>
    </>
  )
}

/** A few words, such as the slot of a vial. */
function EnterNote({ step, slot, label, write }: { step: string; slot: string; label: string; write: Write }) {
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string>()
  const take = () =>
    text.trim() === ''
      ? setProblem('Nothing is entered. Write it as it stands on the tray, for example A3.')
      : write('note', step, { slot, text: text.trim() })
  return (
    <>
      <input
        className="reason"
        aria-label={label}
        maxLength={40}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => event.key === 'Enter' && take()}
      />
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <button type="button" className="go" onClick={take}>
        Write it down
      </button>
    </>
  )
}

function StopDrying({ step, write }: { step: string; write: Write }) {
  const [sure, setSure] = useState(false)
  if (!sure) {
    return (
      <button type="button" className="plain" onClick={() => setSure(true)}>
        Stop drying here
      </button>
    )
  }
  return (
    <div className="question">
      <p>Two weighings do not agree yet. The yield will be marked wet.</p>
      <button type="button" className="plain" onClick={() => write('done', step, {})}>
        Stop, and mark it wet
      </button>
      <button type="button" className="plain" onClick={() => setSure(false)}>
        Go on drying
      </button>
    </div>
  )
}
