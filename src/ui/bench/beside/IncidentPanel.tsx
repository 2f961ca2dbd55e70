'use client'

import { useState } from 'react'
import type { Emergency } from '@/core/lab/lab'
import { happenings } from '@/core/measurements/calls'
import type { Entry } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import { capital } from '@/core/words/capital'
import type { FirstAid } from '@/reference/firstAid'
import { clockTime } from '../../time'
import type { PanelProps } from '../panel'
import { aidAbout } from './aidAbout'

interface Props extends PanelProps {
  run: RunState
  step: string
  members: string
  aid: FirstAid
  emergency: Emergency
  /** Names of what is in the plan, for a spill. */
  substances: readonly string[]
  zone: string
}

/** Something happened: one press tells the demonstrators; to whom, and in words, afterwards. */
export function IncidentPanel({ run, step, members, aid, emergency, substances, zone, write, onClose }: Props) {
  const [substance, setSubstance] = useState('')
  const [amount, setAmount] = useState('')
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
          <WhereHelpIs emergency={emergency} />
          <ol className="measures first-aid" aria-label="What to do now">
            {aidAbout(aid, told.body.what).map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ol>
        </>
      ) : (
        <>
          <h2>What happened?</h2>
          <WhereHelpIs emergency={emergency} />
        </>
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
          {told.body.what === 'spill' && (
            <>
              <div className="choice" role="group" aria-label="What was spilt">
                {substances.map((name) => (
                  <button key={name} type="button" aria-pressed={substance === name} onClick={() => setSubstance(name)}>
                    {name}
                  </button>
                ))}
              </div>
              <label className="reason">
                about how much
                <input
                  maxLength={60}
                  placeholder="50 mL"
                  value={amount}
                  onChange={(event) => setAmount(event.currentTarget.value)}
                />
              </label>
            </>
          )}
          {told.body.what !== 'spill' && people.length > 0 && (
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
            disabled={[who, text, substance, amount].every((each) => each.trim() === '')}
            onClick={() => {
              write(
                'incident',
                told.step,
                {
                  what: told.body.what,
                  who,
                  text: text.trim(),
                  ...(substance ? { substance } : {}),
                  ...(amount.trim() ? { amount: amount.trim() } : {}),
                },
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
    </section>
  )
}

/** Whom one calls and where what helps stands, as the laboratory has said it. */
function WhereHelpIs({ emergency: { number, eyewash, firstAid } }: { emergency: Emergency }) {
  return (
    <dl className="where-help-is">
      <div>
        <dt>Emergency number</dt>
        <dd>{number || 'not written down for this laboratory: ask the person in charge'}</dd>
      </div>
      {eyewash && (
        <div>
          <dt>Eyewash</dt>
          <dd>{eyewash}</dd>
        </div>
      )}
      {firstAid && (
        <div>
          <dt>First aid</dt>
          <dd>{firstAid}</dd>
        </div>
      )}
    </dl>
  )
}
