'use client'

import { useState } from 'react'
import { happenings } from '@/core/measurements/calls'
import type { Entry } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import { capital } from '@/core/words/capital'
import { clockTime } from '../../time'
import type { PanelProps } from '../panel'

interface Props extends PanelProps {
  run: RunState
  step: string
  members: string
  measures: readonly string[]
  zone: string
}

/** Something happened: one press tells the demonstrators; to whom, and in words, afterwards. */
export function IncidentPanel({ run, step, members, measures, zone, write, onClose }: Props) {
  const [who, setWho] = useState('')
  const [text, setText] = useState('')
  const last = run.calls.findLast(({ entry }) => entry.kind === 'incident')
  const told = last && last.answers.length === 0 ? (last.entry as Entry<'incident'>) : undefined
  const people = members
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean)
  return (
    <section className="pad" aria-label="Something happened">
      {told ? (
        <>
          <h2>They are told: {told.body.what}</h2>
          <p className="hint">At {clockTime(told.at, zone)}. Stay with whoever is hurt; somebody comes.</p>
        </>
      ) : (
        <h2>What happened?</h2>
      )}
      <div className="choice alarm" role="group" aria-label="What happened">
        {happenings.map((what) => (
          <button
            key={what}
            type="button"
            aria-pressed={told?.body.what === what}
            // A second touch of the same says nothing new.
            onClick={() => told?.body.what !== what && write('incident', step, { what, who: '', text: '' })}
          >
            {capital(what)}
          </button>
        ))}
      </div>
      {told && (
        <>
          {people.length > 0 && (
            <div className="choice" role="group" aria-label="To whom">
              {people.map((name) => (
                <button key={name} type="button" aria-pressed={who === name} onClick={() => setWho(name)}>
                  {name}
                </button>
              ))}
            </div>
          )}
          <textarea
            className="reason"
            aria-label="In our words"
            placeholder="what else should be known"
            rows={2}
            maxLength={400}
            value={text}
            onChange={(event) => setText(event.currentTarget.value)}
          />
          <button
            type="button"
            className="go"
            disabled={who === '' && text.trim() === ''}
            onClick={() => {
              write(
                'incident',
                told.step,
                { what: told.body.what, who, text: text.trim() },
                { supersedes: told.id, reason: 'more was said' },
              )
              onClose()
            }}
          >
            Say this too
          </button>
        </>
      )}
      <button type="button" className="plain" onClick={onClose}>
        {told ? 'Close this' : 'Nothing happened'}
      </button>
      {measures.length > 0 && (
        <>
          <h2>What the safety page says</h2>
          <ul className="measures">
            {measures.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}
