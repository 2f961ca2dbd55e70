'use client'

import { useState } from 'react'
import type { Lab } from '@/core/lab/lab'
import { windowOf } from '@/core/operations/distil/receivers'
import { type DistilBlanks } from '@/core/operations/distil/blanks'
import { blanksOf, contextOf } from '@/core/operations/planners'
import { headsIn } from '@/core/measurements/head'
import type { EntryBodies } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import type { StepState } from '@/core/run/stepState'
import { measuredOf } from '@/core/run/measured'
import { HeadTaps } from './HeadTaps'
import { Question } from './Question'
import { readingOf } from './readingOf'
import { SideBySide, type Face } from './SideBySide'
import { draftOf, type Write } from './write'
import { useAsk } from './useAsk'

/** One digit is estimated between the lines of thermometer and receiver. */
const estimated = 1

const volumeFace: Face<'volume'> = { key: 'volume', label: 'Volume in this receiver', hint: 'In this receiver', unit: 'mL' }
const headFace: Face<'head'> = { key: 'head', label: 'Head temperature', hint: 'At the head', unit: '°C' }
const windowFaces: readonly Face<'low' | 'high'>[] = [
  { key: 'low', label: 'Window from', hint: 'From', unit: '°C' },
  { key: 'high', label: 'Window to', hint: 'To', unit: '°C' },
]

/** Volume in the receiver and head temperature, as one line of the book; of the first drop only the temperature. */
export function EnterHead({
  run,
  state,
  first,
  lab,
  write,
}: {
  run: RunState
  state: StepState
  first: boolean
  lab: Lab
  write: Write
}) {
  const ask = useAsk()
  const [texts, setTexts] = useState({ volume: '', head: '' })
  const [field, setField] = useState<'volume' | 'head'>(first ? 'head' : 'volume')
  const [problem, setProblem] = useState<string>()
  const [asked, setAsked] = useState<{ question: string; body: EntryBodies['head'] }>()
  const [widening, setWidening] = useState(false)
  const step = state.step.id
  const take = () => {
    const volume = first ? ({ ok: true, value: { value: 0, decimals: 1 } } as const) : readingOf(texts.volume, 'mL', estimated)
    const head = readingOf(texts.head, '°C', estimated)
    if (!volume.ok) return setProblem(`Volume: ${volume.problem}`)
    if (!head.ok) return setProblem(`Head: ${head.problem}`)
    line({
      volumeML: volume.value.value,
      volumeDecimals: volume.value.decimals,
      headC: head.value.value,
      decimals: head.value.decimals,
    })
  }
  const line = (body: EntryBodies['head'], kept?: string) => {
    const question = kept === undefined ? ask(run, draftOf('head', step, body)) : null
    if (question) return setAsked({ question, body })
    write('head', step, { ...body, ...(kept === undefined ? {} : { asked: kept }) })
  }
  if (asked)
    return (
      <Question question={asked.question} onCorrect={() => setAsked(undefined)} onKeep={() => line(asked.body, asked.question)} />
    )
  if (widening) {
    const context = contextOf(run.plan, run.planned, state.step, lab, measuredOf(run))
    return (
      <WidenWindow
        step={step}
        window={windowOf(context, blanksOf<DistilBlanks>(context))}
        write={write}
        onClose={() => setWidening(false)}
      />
    )
  }
  const toHead = field === 'volume' && texts.head === ''
  const last = headsIn(state.standing).at(-1)?.body
  return (
    <>
      {last && <HeadTaps last={last} onTap={line} />}
      <SideBySide
        faces={first ? [headFace] : [volumeFace, headFace]}
        texts={texts}
        at={field}
        onAt={setField}
        onText={(key, text) => {
          setTexts({ ...texts, [key]: text })
          setProblem(undefined)
        }}
        onEnter={() => (toHead ? setField('head') : take())}
        problem={problem}
      />
      <button type="button" className="go" onClick={() => (toHead ? setField('head') : take())}>
        {toHead ? 'Now the head' : 'Write it down'}
      </button>
      {!first && (
        <button type="button" className="plain" onClick={() => write('done', step, {})}>
          That was the last drop
        </button>
      )}
      <button type="button" className="plain" onClick={() => setWidening(true)}>
        Widen the window
      </button>
    </>
  )
}

/** The window that the procedure prints is not always what the thermometer shows: a group may widen it, and says why. */
function WidenWindow({
  step,
  window,
  write,
  onClose,
}: {
  step: string
  window: { lowC: number; highC: number }
  write: Write
  onClose: () => void
}) {
  const [texts, setTexts] = useState({ low: String(window.lowC), high: String(window.highC) })
  const [field, setField] = useState<'low' | 'high'>('low')
  const [reason, setReason] = useState('')
  const [problem, setProblem] = useState<string>()
  const take = () => {
    const [low, high] = [readingOf(texts.low, '°C', 0), readingOf(texts.high, '°C', 0)]
    if (!low.ok) return setProblem(`From: ${low.problem}`)
    if (!high.ok) return setProblem(`To: ${high.problem}`)
    if (high.value.value <= low.value.value)
      return setProblem('The window ends above where it begins: for example from 134 to 144 °C.')
    if (reason.trim() === '')
      return setProblem('Say why, for example: the head stands still at 134 °C, and our thermometer reads low.')
    write('window', step, { lowC: low.value.value, highC: high.value.value }, { supersedes: null, reason: reason.trim() })
    onClose()
  }
  return (
    <>
      <p className="hint">Widen the window of this fraction:</p>
      <SideBySide
        faces={windowFaces}
        texts={texts}
        at={field}
        onAt={setField}
        onText={(key, text) => setTexts({ ...texts, [key]: text })}
        onEnter={take}
        problem={problem}
      >
        <input
          className="reason"
          aria-label="Why the window is widened"
          placeholder="why"
          maxLength={200}
          value={reason}
          onChange={(event) => setReason(event.currentTarget.value)}
        />
      </SideBySide>
      <button type="button" className="go" onClick={take}>
        Widen it
      </button>
      <button type="button" className="plain" onClick={onClose}>
        Leave it as it is
      </button>
    </>
  )
}
