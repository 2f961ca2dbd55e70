'use client'

import { useState } from 'react'
import { besidesDue, dueIn, waysIn, type Due } from '@/core/run/due'
import { pressureMmHg, type Lab } from '@/core/lab/lab'
import type { RunState } from '@/core/run/foldRun'
import type { StepState } from '@/core/run/stepState'
import { AlsoButton } from './AlsoButton'
import { EnterDone } from './EnterDone'
import { EnterNumber } from './EnterNumber'
import { later } from './later'
import type { Write } from './write'

const EnterHead = later(() => import('./EnterHead').then((module) => module.EnterHead))
const EnterWords = later(() => import('./EnterWords').then((module) => module.EnterWords))
const EnterPair = later(() => import('./EnterPair').then((module) => module.EnterPair))
const EnterSpots = later(() => import('./EnterSpots').then((module) => module.EnterSpots))
const Tubes = later(() => import('./Tubes').then((module) => module.Tubes))

/** The one thing to enter now, for the step that is now. */
export function DuePanel({ run, state, lab, write }: { run: RunState; state: StepState; lab: Lab; write: Write }) {
  const choice = waysIn(state)
  // A school has its way of writing hot solvent; otherwise the first is the recommended one.
  const usual = choice?.ways.some(({ key }) => key === lab.crystallisationVolume)
    ? lab.crystallisationVolume
    : choice?.ways[0]?.key
  const [chosen, setChosen] = useState<string>()
  const [beside, setBeside] = useState<string>()
  // What this tablet has written clears its field; what another one writes meanwhile must not.
  const [written, setWritten] = useState(0)
  const besides = besidesDue(state)
  const way = chosen ?? usual
  const due = besides.find(({ slot }) => slot === beside)?.due ?? dueIn(state, way)
  if (!due) return null
  const begun = state.standing.some((entry) => entry.kind === 'reading' && !besides.some(({ slot }) => slot === entry.body.slot))
  return (
    <section className="pad" aria-label="What to enter now">
      {choice && !begun && (
        <div className="choice" role="group" aria-label={choice.words}>
          {choice.ways.map(({ key, words }) => (
            <button key={key} type="button" aria-pressed={key === way} onClick={() => setChosen(key)}>
              {words}
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
      {due.also?.map((also) => (
        <AlsoButton
          key={also.label}
          also={also}
          onTake={() => (also.mark ? write('press', state.step.id, { mark: also.mark }) : write('done', state.step.id, {}))}
        />
      ))}
      {besides.length > 0 && (
        <div className={besides.length > 1 ? 'besides' : 'besides one'}>
          {besides.map(({ slot, words }) => (
            <button key={slot} type="button" className="plain" onClick={() => setBeside(beside === slot ? undefined : slot)}>
              {beside === slot ? 'Not now' : words}
            </button>
          ))}
        </div>
      )}
      {state.step.witness && <p className="hint">A demonstrator signs this step.</p>}
    </section>
  )
}

function Enter({ run, state, due, lab, write }: { run: RunState; state: StepState; due: Due; lab: Lab; write: Write }) {
  const step = state.step.id
  switch (due.kind) {
    case 'press':
    case 'done':
      return (
        <EnterDone
          state={state}
          due={due}
          onTake={() => (due.kind === 'press' ? write('press', step, { mark: due.mark }) : write('done', step, {}))}
        />
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
    case 'pair':
      return (
        <EnterPair
          run={run}
          step={step}
          due={due}
          mmHg={pressureMmHg(lab)}
          instruments={due.apparatus ? lab.instruments : []}
          write={write}
        />
      )
    case 'spots':
      return <EnterSpots step={step} write={write} />
    case 'head':
      return <EnterHead run={run} state={state} first={due.first} lab={lab} write={write} />
    case 'words':
      return <EnterWords due={due} onTake={(said) => write('note', step, { slot: due.slot, ...said })} />
    case 'tubes':
      return <Tubes run={run} state={state} lab={lab} write={write} />
    case 'reading':
      return <EnterNumber run={run} state={state} due={due} write={write} />
  }
}
