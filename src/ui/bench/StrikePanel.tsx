'use client'

import { useState } from 'react'
import type { Entry } from '@/core/run/entry'
import { isShown } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import { entryValue } from '../run/labels'
import { Question } from './Question'
import { Reason } from './Reason'
import { draftOf, type Write } from './write'
import { NumberPad } from './NumberPad'
import { ReadingField } from './ReadingField'
import { readingOf } from './readingOf'
import { useAsk } from './useAsk'

const reasonsForReadings = ['Misread the display', 'Point in the wrong place', 'Wrong container state', 'Wrong line']
const reasonsForMoments = ['Pressed by mistake', 'Wrong step', 'Too early', 'Seen after all']

interface Props {
  run: RunState
  entry: Entry
  label: string
  signed: boolean
  write: Write
  onClose: () => void
}

/** Strikes anything that was written: a reading, which can be rewritten at once, or a press, a sign, a step that was called done. The old one stays readable with the reason. */
export function StrikePanel({ run, entry, label, signed, write, onClose }: Props) {
  const ask = useAsk()
  const [text, setText] = useState('')
  const [reason, setReason] = useState('')
  const [problem, setProblem] = useState<string>()
  const [asked, setAsked] = useState<string>()
  const correction = { supersedes: entry.id, reason: reason.trim() }
  const old = entryValue(entry)

  const rewrite = (kept?: string) => {
    if (correction.reason === '') return setProblem('Give the reason: it stays beside the struck reading.')
    if (entry.kind !== 'reading') {
      write('strike', entry.step, {}, correction)
      return onClose()
    }
    const read = readingOf(text, entry.body.unit, entry.body.decimals)
    if (!read.ok) return setProblem(read.problem)
    const { asked: _before, ...rest } = entry.body
    const body = { ...rest, ...read.value, ...(kept === undefined ? {} : { asked: kept }) }
    const question = kept === undefined ? ask(run, draftOf('reading', entry.step, body, entry.id)) : null
    if (question) return setAsked(question)
    write('reading', entry.step, body, correction)
    onClose()
  }
  return (
    <section className="pad" aria-label="Strike a reading">
      <h2>
        {label}
        {old !== '' && (
          <>
            : <s className="fig">{old}</s>
          </>
        )}
      </h2>
      {signed && <p className="danger">A signature covers this reading. Striking it makes the signature void.</p>}
      {asked ? (
        <Question question={asked} onCorrect={() => setAsked(undefined)} onKeep={() => rewrite(asked)} />
      ) : (
        <>
          <Reason usual={isShown(entry) ? reasonsForReadings : reasonsForMoments} value={reason} onValue={setReason} />
          {entry.kind === 'reading' && (
            <>
              <ReadingField
                label={`${label}, rewritten`}
                unit={entry.body.unit}
                value={text}
                onValue={setText}
                onEnter={() => rewrite()}
              />
              <NumberPad value={text} onValue={setText} />
            </>
          )}
          {problem && (
            <p className="problem" role="alert">
              {problem}
            </p>
          )}
          <button type="button" className="go" onClick={() => rewrite()}>
            {entry.kind === 'reading' ? 'Strike and rewrite' : entry.kind === 'melting' ? 'Strike, then melt again' : 'Strike it'}
          </button>
          {entry.kind === 'reading' && (
            <button
              type="button"
              className="plain"
              onClick={() => {
                if (correction.reason === '') return setProblem('Give the reason: it stays beside the struck reading.')
                write('strike', entry.step, {}, correction)
                onClose()
              }}
            >
              Only strike it
            </button>
          )}
          <button type="button" className="plain" onClick={onClose}>
            Leave it as it is
          </button>
        </>
      )}
    </section>
  )
}
