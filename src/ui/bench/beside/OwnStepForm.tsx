'use client'

import { useState } from 'react'
import { effectWords } from '@/core/measurements/ownStep'
import { lineName } from '@/core/plan/lineName'
import { ownEffects } from '@/core/plan/lists'
import { isCharged, samplesOf } from '@/core/plan/plan'
import { operations } from '@/core/operations/registry'
import type { RunState } from '@/core/run/foldRun'
import { puttable, putWants } from '@/core/run/ownSteps'
import { capital } from '@/core/words/capital'
import type { PanelProps } from '../panel'
import { PadEnd } from '../PadEnd'

/** A step that the plan does not have is put in: what is done, to what, and what it does to what is in the vessel where nobody else knows. */
export function OwnStepForm({ run, at, after, write, onClose }: PanelProps & { run: RunState; at: string; after: boolean }) {
  const [operation, setOperation] = useState<string>()
  const [title, setTitle] = useState('')
  const [line, setLine] = useState('')
  const [sample, setSample] = useState('')
  const [effect, setEffect] = useState<(typeof ownEffects)[number]>()
  const [problem, setProblem] = useState<string>()
  const wants = operation === undefined ? null : putWants(operation)
  const take = () => {
    if (operation === undefined) return setProblem('Choose what is done; “something else” for what is not named.')
    const named = operations[operation as keyof typeof operations]
    const said = title.trim() || (named ? capital(named.name) : '')
    if (said === '') return setProblem('Say in a few words what is done.')
    if (wants === 'line' && line === '') return setProblem('Choose what goes in.')
    if (wants === 'sample' && sample.trim() === '') return setProblem('Say which sample it is of.')
    write('step', at, {
      title: said,
      ...(named ? { operation } : {}),
      ...(wants === 'line' ? { line } : {}),
      ...(wants === 'sample' ? { sample: sample.trim() } : {}),
      ...(!named && effect ? { effect } : {}),
    })
    onClose()
  }
  return (
    <section className="pad" aria-label="A further step">
      <h2>A further step {after ? 'after this one' : 'before this one'}</h2>
      <div className="choice three" role="group" aria-label="What is done">
        {[...puttable, 'other'].map((key) => (
          <button key={key} type="button" aria-pressed={operation === key} onClick={() => setOperation(key)}>
            {key === 'other' ? 'something else' : operations[key as keyof typeof operations].name}
          </button>
        ))}
      </div>
      {wants === 'line' && (
        <select
          className="reason"
          aria-label="What goes in"
          value={line}
          onChange={(event) => setLine(event.currentTarget.value)}
        >
          <option value="">What goes in?</option>
          {run.plan.lines.filter(isCharged).map((each) => (
            <option key={each.id} value={each.id}>
              {lineName(run.plan, each)}
            </option>
          ))}
        </select>
      )}
      {wants === 'sample' && (
        <>
          <input
            className="reason"
            aria-label="Which sample"
            placeholder="which sample"
            list="samples-here"
            maxLength={40}
            value={sample}
            onChange={(event) => setSample(event.currentTarget.value)}
          />
          <datalist id="samples-here">
            {samplesOf(run.plan).map((each) => (
              <option key={each} value={each} />
            ))}
          </datalist>
        </>
      )}
      {operation === 'other' && (
        <div className="choice" role="group" aria-label="What it does to what is in the vessel">
          {ownEffects.map((each) => (
            <button
              key={each}
              type="button"
              aria-pressed={effect === each}
              onClick={() => setEffect(effect === each ? undefined : each)}
            >
              {effectWords[each]}
            </button>
          ))}
        </div>
      )}
      <input
        className="reason"
        aria-label="In a few words"
        placeholder="in a few words"
        maxLength={80}
        value={title}
        onChange={(event) => setTitle(event.currentTarget.value)}
      />
      <PadEnd problem={problem} take="Put it in" onTake={take} onClose={onClose} />
    </section>
  )
}
