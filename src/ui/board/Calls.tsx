'use client'

import { uncapital } from '@/core/words/capital'
import { Link } from '../page/Link'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { openCalls, type Call } from '@/core/run/calls'
import { printed } from '@/core/words/words'
import { call } from '../call'
import { entryLabel, entryValue } from '../run/labels'
import type { Numbered } from '../run/useLive'
import { ago, clockTime } from '../time'
import type { Bench } from './bench'

/** A note that a bench has not read for so long is shown to who wrote it. */
const unreadMs = 60_000

interface Props {
  session: string
  states: readonly Bench[]
  now: number
  zone: string
  mayAnswer: boolean
  onAnswered: (run: string, entries: Numbered[]) => void
}

const gravity = { incident: 0, hand: 1, message: 2 } as const

/** Who needs a person, and why: what happened first, then hands that are up, figures that two tablets wrote, notes that nobody has read. */
export function Calls({ session, states, now, zone, mayAnswer, onAnswered }: Props) {
  const calls = states
    .flatMap((bench) => openCalls(bench.state.calls).map((open) => ({ ...bench, open })))
    .filter(({ open }) => open.entry.kind !== 'message' || now - Date.parse(open.entry.at) > unreadMs)
    .sort(
      (a, b) =>
        gravity[a.open.entry.kind] - gravity[b.open.entry.kind] || Date.parse(a.open.entry.at) - Date.parse(b.open.entry.at),
    )
  const twice = states.flatMap((bench) =>
    bench.state.steps.filter((state) => state.twice.length > 0).map((state) => ({ ...bench, at: state })),
  )
  const seenTo = states.flatMap((bench) =>
    bench.state.calls
      .filter(({ entry, answers }) => entry.kind === 'incident' && answers.length > 0)
      .map((done) => ({ ...bench, done })),
  )
  if (calls.length + twice.length + seenTo.length === 0) return null
  return (
    <section aria-label="Needs a person" className="calls">
      <h2 className="section-title">
        Needs a person{' '}
        {states.some(({ state }) => state.calls.some(({ entry }) => entry.kind === 'incident')) && (
          <Link className="no-print" href={`/class/${session}/happened`}>
            The record of what happened
          </Link>
        )}
      </h2>
      <ul className="sheet-list">
        {calls.map(({ run, open }) => (
          <CallRow key={open.entry.id} {...{ run, open, now, zone, mayAnswer, onAnswered }} />
        ))}
        {twice.map(({ run, at }) => (
          <li key={`${run.id} ${at.step.id}`}>
            <span>
              <b>Bench {run.bench}</b>, {uncapital(printed(at.step.title))}: two tablets wrote the same reading.{' '}
              {at.twice
                .flat()
                .map((entry) => `${entryLabel(at, entry)} ${entryValue(entry)}`)
                .join('; ')}
              . One of them is struck at the bench.
            </span>
          </li>
        ))}
        {seenTo.map(({ run, done: { entry, answers } }) => (
          <li key={entry.id} className="quiet">
            <span>
              Bench {run.bench}, {clockTime(entry.at, zone)}: {entryValue(entry)}. Seen to by {answers[0]!.by},{' '}
              {clockTime(answers[0]!.at, zone)}
              {answers[0]!.body.text && `: ${answers[0]!.body.text}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

function CallRow({
  run,
  open: { entry },
  now,
  zone,
  mayAnswer,
  onAnswered,
}: { run: Bench['run']; open: Call } & Pick<Props, 'now' | 'zone' | 'mayAnswer' | 'onAnswered'>) {
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string>()
  const answer = async () => {
    setProblem(undefined)
    try {
      const { entries } = await call<{ entries: Numbered[] }>(`/api/runs/${run.id}/notes`, 'PUT', { of: entry.id, text })
      onAnswered(run.id, entries)
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  const what = { incident: 'something happened', hand: 'hand up', message: 'has not read' }[entry.kind]
  return (
    <li className={entry.kind === 'incident' ? 'alarm' : undefined}>
      <span>
        <b className={entry.kind === 'incident' ? 'danger' : undefined}>
          Bench {run.bench}, {what}
        </b>
        {entryValue(entry) && `: ${entryValue(entry)}`}{' '}
        <span className="quiet">
          {clockTime(entry.at, zone)}, {ago(entry.at, now)}, {run.members}
        </span>
        {problem && (
          <span className="problem" role="alert">
            {problem}
          </span>
        )}
      </span>
      {mayAnswer && entry.kind !== 'message' && (
        <span className="answer">
          {entry.kind === 'incident' && (
            <input
              className="form-control form-control-sm"
              aria-label={`What was done at bench ${run.bench}`}
              placeholder="what was done"
              maxLength={400}
              value={text}
              onChange={(event) => setText(event.currentTarget.value)}
            />
          )}
          <Button size="sm" onClick={() => void answer()}>
            I have been there
          </Button>
        </span>
      )}
    </li>
  )
}
