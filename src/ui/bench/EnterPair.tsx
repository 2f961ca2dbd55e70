import { useContext, useState } from 'react'
import type { Instrument } from '@/core/lab/lab'
import type { PairDue, ReadNumber } from '@/core/measurements/due'
import { calibrationOf } from '@/core/operations/melt/calibration'
import type { EntryBodies } from '@/core/run/entry'
import { substanceOfSample } from '@/core/plan/plan'
import type { RunState } from '@/core/run/foldRun'
import { Question } from './Question'
import { readingOf } from './readingOf'
import { SideBySide } from './SideBySide'
import { draftOf, type Write } from './write'
import { later } from './later'
import { RunId } from './others'
import { useAsk } from './useAsk'

const FromInstrument = later(() => import('./FromInstrument').then((module) => module.FromInstrument))
const MeltingRamp = later(() => import('./MeltingRamp').then((module) => module.MeltingRamp))

type Key = 'first' | 'second'
const keys = ['first', 'second'] as const

interface Props {
  run: RunState
  step: string
  due: PairDue
  /** Pressure of the laboratory. */
  mmHg: number
  /** What it may be read on, where each has a correction of its own. */
  instruments: readonly Instrument[]
  write: Write
}

/** Two numbers that make one line of the book. */
export function EnterPair({ run, step, due, mmHg, instruments, write }: Props) {
  const ask = useAsk()
  const runId = useContext(RunId)
  const here = run.plan.steps.find(({ id }) => id === step)
  const expectedC = (here && 'sample' in here && substanceOfSample(run.plan, here.sample)?.melting?.lowC) || null
  const [apparatus, setApparatus] = useState<string>()
  const [texts, setTexts] = useState<Record<Key, string>>({ first: '', second: '' })
  const [at, setAt] = useState<Key>('first')
  const [problem, setProblem] = useState<string>()
  const [asked, setAsked] = useState<string>()
  const take = (kept?: string) => {
    const read = due.faces.map(({ unit, decimals }, index) => readingOf(texts[keys[index]!], unit, decimals))
    for (const [index, each] of read.entries()) if (!each.ok) return setProblem(`${due.faces[index]!.label}: ${each.problem}`)
    const [first, second] = read.map((each) => (each as { value: ReadNumber }).value) as [ReadNumber, ReadNumber]
    const wrong = due.problem(first, second)
    if (wrong) return setProblem(wrong)
    if (instruments.length > 1 && apparatus === undefined)
      return setProblem('Say which apparatus it was read on: each has its own correction.')
    const instrument = instruments.find(({ id }) => id === (apparatus ?? instruments[0]?.id))
    const line = instrument && calibrationOf(instrument.standards)
    const around = {
      mmHg,
      ...(line ? { instrument: { name: instrument.name, offsetC: line.offsetC, slope: line.slope } } : {}),
    }
    const said = { ...due.body(first, second, around), ...(kept === undefined ? {} : { asked: kept }) }
    const body = said as EntryBodies[PairDue['entry']]
    const question = kept === undefined ? ask(run, draftOf(due.entry, step, body)) : null
    if (question) return setAsked(question)
    write(due.entry, step, body)
  }
  // The first, then the second, by the key as by the button.
  const toSecond = at === 'first' && texts.second === ''
  const next = () => (toSecond ? setAt('second') : take())
  if (asked) return <Question question={asked} onCorrect={() => setAsked(undefined)} onKeep={() => take(asked)} />
  return (
    <>
      {instruments.length > 1 && (
        <div className="choice" role="group" aria-label="Apparatus">
          {instruments.map(({ id, name }) => (
            <button key={id} type="button" aria-pressed={apparatus === id} onClick={() => setApparatus(id)}>
              {name}
            </button>
          ))}
        </div>
      )}
      <SideBySide
        faces={due.faces.map((face, index) => ({ ...face, key: keys[index]! }))}
        texts={texts}
        at={at}
        onAt={setAt}
        onText={(key, text) => setTexts({ ...texts, [key]: text })}
        onEnter={next}
        problem={problem}
      />
      {due.entry === 'melting' && (
        <MeltingRamp
          run={runId}
          step={step}
          expectedC={expectedC}
          onFirst={(first) => {
            setTexts({ ...texts, first })
            setAt('second')
          }}
          onSecond={(second) => setTexts({ ...texts, second })}
        />
      )}
      {due.entry === 'refraction' && (
        <FromInstrument
          run={runId}
          step={step}
          slot="index"
          kind="refractometer"
          onRead={({ value, decimals, atC }) =>
            setTexts({ first: value.toFixed(decimals), second: atC === undefined ? '' : atC.toFixed(1) })
          }
        />
      )}
      <button type="button" className="go" onClick={next}>
        {toSecond ? due.next : 'Write it down'}
      </button>
    </>
  )
}
