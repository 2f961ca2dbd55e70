'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { criteria, criterionKeys, problemWithScheme, type Scheme } from '@/core/marking/scheme'
import { readNumber } from '@/core/quantity/readQuantity'
import { Problem } from '../course/Problem'
import { refusalOf, type Refused } from '../course/refusalOf'
import { call, CallError } from '../call'

/** What is judged: points of each criterion, and what part of them a yield gets by the class's median. */
export function SchemeForm({ session, scheme }: { session: string; scheme: Scheme }) {
  const router = useRouter()
  const [points, setPoints] = useState(() => Object.fromEntries(criterionKeys.map((key) => [key, String(scheme.points[key])])))
  const [bands, setBands] = useState(() =>
    scheme.bands.map(({ from, part }) => ({ from: String(Math.round(100 * from)), part: String(Math.round(100 * part)) })),
  )
  const [problem, setProblem] = useState<Refused>()
  const [done, setDone] = useState(false)
  const save = async () => {
    setDone(false)
    const number = (text: string, what: string, field: string) => {
      const read = readNumber(text.trim() === '' ? '0' : text)
      if (!read.ok) throw new CallError(400, `${what}: ${read.problem}`, { field })
      return read.value.value
    }
    try {
      const next = {
        points: Object.fromEntries(
          criterionKeys.map((key) => [key, number(points[key]!, criteria[key], key)]),
        ) as Scheme['points'],
        bands: bands.map(({ from, part }, index) => ({
          from: number(from, 'a band', `from ${index}`) / 100,
          part: number(part, 'a band', `part ${index}`) / 100,
        })),
      }
      const wrong = problemWithScheme(next)
      if (wrong) throw new Error(wrong)
      setProblem(undefined)
      await call(`/api/sessions/${session}/marking`, 'PUT', next)
      setDone(true)
      router.refresh()
    } catch (error) {
      setProblem(refusalOf(error))
    }
  }
  return (
    <details className="scheme no-print">
      <summary>What is judged, and how</summary>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          void save()
        }}
      >
        <fieldset>
          <legend>Points; 0 is not judged</legend>
          {criterionKeys.map((key) => (
            <label key={key}>
              {criteria[key]}
              <Form.Control
                inputMode="decimal"
                name={key}
                value={points[key]}
                onChange={(event) => setPoints({ ...points, [key]: event.currentTarget.value })}
              />
            </label>
          ))}
        </fieldset>
        <fieldset>
          <legend>Yield: from so many per cent of the median, so many per cent of its points</legend>
          {bands.map((band, index) => (
            <span key={index} className="band">
              <label>
                from
                <Form.Control
                  inputMode="decimal"
                  name={`from ${index}`}
                  value={band.from}
                  onChange={(event) =>
                    setBands(bands.map((each, at) => (at === index ? { ...each, from: event.currentTarget.value } : each)))
                  }
                />
              </label>
              <label>
                gives
                <Form.Control
                  inputMode="decimal"
                  name={`part ${index}`}
                  value={band.part}
                  onChange={(event) =>
                    setBands(bands.map((each, at) => (at === index ? { ...each, part: event.currentTarget.value } : each)))
                  }
                />
              </label>
              <Button
                variant="quiet"
                aria-label={`Take band ${index + 1} out`}
                onClick={() => setBands(bands.filter((_, at) => at !== index))}
              >
                Out
              </Button>
            </span>
          ))}
          <Button variant="quiet" disabled={bands.length >= 10} onClick={() => setBands([...bands, { from: '', part: '' }])}>
            Another band
          </Button>
        </fieldset>
        <Problem words={problem?.words} field={problem?.field} />
        <Button type="submit">Judge it so</Button>
        {done && <span role="status"> It is judged so from now.</span>}
      </form>
    </details>
  )
}
