'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import type { FoundKind } from '@/core/classroom/findable'
import { readFigure } from '@/core/quantity/readQuantity'
import { Problem } from '../course/Problem'
import { refusalOf, type Refused } from '../course/refusalOf'
import { call } from '../call'

interface Props {
  asked: { step: string; kind: FoundKind; sample: string }[]
  runs: { id: string; bench: number; members: string }[]
}

const words: Record<FoundKind, { name: string; first: string; second: string; units: [string, string] }> = {
  purity: { name: 'Purity', first: 'purity, %', second: 'by, for example gas chromatography', units: ['%', ''] },
  spectrum: { name: 'Spectrum', first: 'bands or shifts', second: 'by, for example infrared', units: ['', ''] },
  boiling: { name: 'Boiling range', first: 'from, °C', second: 'to, °C', units: ['°C', '°C'] },
  refraction: { name: 'Refractive index', first: 'index', second: 'prism, °C', units: ['', '°C'] },
}

/** What staff found of the samples after the session: written for the bench whose vial it was. */
export function LateFindings({ asked, runs }: Props) {
  const router = useRouter()
  const [at, setAt] = useState(0)
  const [run, setRun] = useState(runs[0]?.id ?? '')
  const [first, setFirst] = useState('')
  const [second, setSecond] = useState('')
  const [problem, setProblem] = useState<Refused>()
  const [done, setDone] = useState<string>()
  const chosen = asked[at]
  if (!chosen || runs.length === 0) return null
  const said = words[chosen.kind]
  const write = async () => {
    setDone(undefined)
    const body = bodyOf(chosen.kind, first, second)
    if ('words' in body) return setProblem(body)
    setProblem(undefined)
    try {
      await call(`/api/runs/${run}/findings`, 'POST', { step: chosen.step, kind: chosen.kind, body })
      setDone(`Written for bench ${runs.find(({ id }) => id === run)!.bench}.`)
      setFirst('')
      if (!isToldBy(chosen.kind)) setSecond('')
      router.refresh()
    } catch (error) {
      setProblem(refusalOf(error))
    }
  }
  return (
    <section className="late-findings no-print" aria-label="What came back later">
      <h2 className="section-title">
        What came back later <small>it stands among the results of its bench</small>
      </h2>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          void write()
        }}
      >
        <label>
          result
          <select
            className="form-select form-select-sm"
            value={at}
            onChange={(event) => {
              setAt(Number(event.currentTarget.value))
              setFirst('')
              setSecond('')
            }}
          >
            {asked.map(({ step, kind, sample }, index) => (
              <option key={`${step} ${kind}`} value={index}>
                {words[kind].name} of {sample}
              </option>
            ))}
          </select>
        </label>
        <label>
          bench
          <select className="form-select form-select-sm" value={run} onChange={(event) => setRun(event.currentTarget.value)}>
            {runs.map(({ id, bench, members }) => (
              <option key={id} value={id}>
                {bench}, {members}
              </option>
            ))}
          </select>
        </label>
        <label>
          {said.first}
          <input
            className="form-control form-control-sm"
            inputMode={chosen.kind === 'spectrum' ? undefined : 'decimal'}
            name="first"
            maxLength={400}
            value={first}
            onChange={(event) => setFirst(event.currentTarget.value)}
          />
        </label>
        <label>
          {said.second}
          <input
            className="form-control form-control-sm"
            name="second"
            maxLength={80}
            value={second}
            onChange={(event) => setSecond(event.currentTarget.value)}
          />
        </label>
        <Button type="submit" size="sm">
          Write it down
        </Button>
        <Problem words={problem?.words} field={problem?.field} />
      </form>
      <p role="status" className="quiet">
        {done}
      </p>
    </section>
  )
}

/** True for what says in words how it was found. */
const isToldBy = (kind: FoundKind) => kind === 'purity' || kind === 'spectrum'

/** The body of the entry, or what is wrong with what was typed. */
function bodyOf(kind: FoundKind, first: string, second: string): object | Refused {
  if (isToldBy(kind) && second.trim() === '') return { words: `Say how it was found: ${words[kind].second}.`, field: 'second' }
  if (kind === 'spectrum')
    return first.trim() === ''
      ? { words: 'Nothing is entered. Type what was read, for example 1720 and 1600 cm⁻¹.', field: 'first' }
      : { text: first.trim(), by: second.trim() }
  const one = readFigure(first, words[kind].units[0])
  if (!one.ok) return { words: `${words[kind].first}: ${one.problem}`, field: 'first' }
  const { value, decimals } = one.value
  if (kind === 'purity') return { percent: value, decimals, by: second.trim() }
  const two = readFigure(second, words[kind].units[1])
  if (!two.ok) return { words: `${words[kind].second}: ${two.problem}`, field: 'second' }
  if (kind === 'refraction') return { index: value, decimals, atC: two.value.value }
  return { lowC: value, highC: two.value.value, decimals: Math.max(decimals, two.value.decimals) }
}
