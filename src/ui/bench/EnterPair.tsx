import { useState } from 'react'
import { pressureMmHg, type Instrument, type Lab } from '@/core/lab/lab'
import { calibrationOf } from '@/core/operations/melt/calibration'
import { askAbout } from '@/core/run/askAbout'
import type { EntryBodies } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import { Question } from './Question'
import { readingOf } from './readingOf'
import { SideBySide, type Face } from './SideBySide'
import { draftOf, type Write } from './write'

type Kind = 'melting' | 'boiling' | 'refraction'
type Key = 'first' | 'second'
interface Read {
  value: number
  decimals: number
}

interface Pair<K extends Kind> {
  faces: readonly [Face<Key>, Face<Key>]
  decimals: readonly [number, number]
  /** The button while the second is still empty. */
  next: string
  problem: (first: Read, second: Read) => string | undefined
  /** What is corrected by the standards of an apparatus. */
  apparatus?: true
  body: (first: Read, second: Read, lab: Lab, instrument: Instrument | undefined) => EntryBodies[K]
}

const pairs: { readonly [K in Kind]: Pair<K> } = {
  melting: {
    faces: [
      { key: 'first', label: 'Onset', hint: 'First liquid', unit: '°C' },
      { key: 'second', label: 'Clear', hint: 'Last solid gone', unit: '°C' },
    ],
    decimals: [1, 1],
    next: 'Now the clear point',
    problem: (first, second) =>
      second.value < first.value
        ? 'The last solid cannot be gone before the first liquid shows: clear must be at or above onset.'
        : undefined,
    apparatus: true,
    body: (first, second, _lab, instrument) => {
      const line = instrument && calibrationOf(instrument.standards)
      return {
        onsetC: first.value,
        clearC: second.value,
        decimals: Math.max(first.decimals, second.decimals),
        ...(instrument && line ? { instrument: { name: instrument.name, offsetC: line.offsetC, slope: line.slope } } : {}),
      }
    },
  },
  boiling: {
    faces: [
      { key: 'first', label: 'Boils from', hint: 'Where it begins', unit: '°C' },
      { key: 'second', label: 'Boils to', hint: 'Where the last goes', unit: '°C' },
    ],
    decimals: [1, 1],
    next: 'Now where it ends',
    problem: (first, second) =>
      second.value < first.value ? 'A range ends at or above where it begins: for example from 141.0 to 142.5.' : undefined,
    body: (first, second, lab) => ({
      lowC: first.value,
      highC: second.value,
      decimals: Math.max(first.decimals, second.decimals),
      mmHg: pressureMmHg(lab),
    }),
  },
  refraction: {
    faces: [
      { key: 'first', label: 'Index', hint: 'Four places', unit: '' },
      { key: 'second', label: 'Prism', hint: 'Its temperature', unit: '°C' },
    ],
    decimals: [4, 1],
    next: 'Now the prism',
    problem: ({ value }) =>
      value < 1.2 || value > 1.9 ? 'An index read here lies between 1.2 and 1.9, for example 1.4003.' : undefined,
    body: (first, second) => ({ index: first.value, decimals: first.decimals, atC: second.value }),
  },
}

interface Props {
  run: RunState
  step: string
  kind: Kind
  lab: Lab
  write: Write
}

/** Two numbers that make one line of the book. */
export function EnterPair({ run, step, kind, lab, write }: Props) {
  const pair: Pair<Kind> = pairs[kind]
  const instruments = pair.apparatus ? lab.instruments : []
  const [apparatus, setApparatus] = useState<string>()
  const [texts, setTexts] = useState<Record<Key, string>>({ first: '', second: '' })
  const [at, setAt] = useState<Key>('first')
  const [problem, setProblem] = useState<string>()
  const [asked, setAsked] = useState<string>()
  const take = (kept?: string) => {
    const read = pair.faces.map(({ key, unit }, index) => readingOf(texts[key], unit, pair.decimals[index]!))
    for (const [index, each] of read.entries()) if (!each.ok) return setProblem(`${pair.faces[index]!.label}: ${each.problem}`)
    const [first, second] = read.map((each) => (each as { value: Read }).value) as [Read, Read]
    const wrong = pair.problem(first, second)
    if (wrong) return setProblem(wrong)
    if (instruments.length > 1 && apparatus === undefined)
      return setProblem('Say which apparatus it was read on: each has its own correction.')
    const instrument = instruments.find(({ id }) => id === (apparatus ?? instruments[0]?.id))
    const body = { ...pair.body(first, second, lab, instrument), ...(kept === undefined ? {} : { asked: kept }) }
    const question = kept === undefined ? askAbout(run, draftOf(kind, step, body)) : null
    if (question) return setAsked(question)
    write(kind, step, body)
  }
  // The first, then the second, by the key as by the button.
  const next = () => (at === 'first' && texts.second === '' ? setAt('second') : take())
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
        faces={pair.faces}
        texts={texts}
        at={at}
        onAt={setAt}
        onText={(key, text) => setTexts({ ...texts, [key]: text })}
        onEnter={next}
        problem={problem}
      />
      <button type="button" className="go" onClick={next}>
        {at === 'first' && texts.second === '' ? pair.next : 'Write it down'}
      </button>
    </>
  )
}
