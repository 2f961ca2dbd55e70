import { useContext, useState } from 'react'
import type { NumberDue } from '@/core/measurements/due'
import type { EntryBodies } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import type { StepState } from '@/core/run/stepState'
import { NumberPad } from './NumberPad'
import { Question } from './Question'
import { ReadingField } from './ReadingField'
import { readingOf } from './readingOf'
import { draftOf, type Write } from './write'
import { later } from './later'
import { RunId } from './others'
import { useAsk } from './useAsk'

const Vials = later(() => import('./Vials').then((module) => module.Vials))
const FromInstrument = later(() => import('./FromInstrument').then((module) => module.FromInstrument))

type Closure = 'with cap' | 'without cap'

interface Props {
  run: RunState
  state: StepState
  due: NumberDue
  write: Write
}

/** One number from one device, with the state of the container where it counts. */
export function EnterNumber({ run, state, due, write }: Props) {
  const first = state.standing.find((entry) => entry.kind === 'reading')
  const closureBefore = first?.kind === 'reading' ? first.body.weighing?.closure : undefined
  const ask = useAsk()
  const runId = useContext(RunId)
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
    const question = kept === undefined ? ask(run, draftOf('reading', state.step.id, body)) : null
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
      {due.slot === 'empty' && (
        <Vials
          decimals={due.decimals}
          onTake={(mass, capped) => {
            setText(mass)
            setClosure(capped ? 'with cap' : 'without cap')
            setProblem(undefined)
          }}
        />
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
      {(due.unit === 'g' || (due.unit === '°C' && due.slot === 'temperature')) && (
        <FromInstrument
          run={runId}
          step={state.step.id}
          slot={due.slot}
          kind={due.unit === 'g' ? 'balance' : 'thermometer'}
          onRead={({ value, decimals }) => {
            setText(value.toFixed(Math.min(decimals, due.decimals)))
            setProblem(undefined)
          }}
        />
      )}
      <NumberPad value={text} onValue={setText} />
      <button type="button" className="go" onClick={() => take()}>
        Write it down
      </button>
    </>
  )
}
