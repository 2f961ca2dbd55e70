'use client'

import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { call } from '../call'
import { Problem } from '../course/Problem'
import type { Numbered } from '../run/useLive'
import type { Bench } from './bench'

interface Props {
  session: string
  states: readonly Bench[]
  onSaid: (entries: Record<string, Numbered[]>) => void
}

/** Something is said to a bench or to all of them, which they acknowledge; and two groups go on as one. */
export function Tell({ session, states, onSaid }: Props) {
  const [to, setTo] = useState('')
  const [text, setText] = useState('')
  const [said, setSaid] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const [here, setHere] = useState('')
  const [other, setOther] = useState('')
  const doing = async (work: () => Promise<void>) => {
    setProblem(undefined)
    setSaid(undefined)
    try {
      await work()
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  const tell = () =>
    doing(async () => {
      if (text.trim() === '') throw new Error('Write what the bench should know.')
      if (to === '') {
        const { entries } = await call<{ entries: Record<string, Numbered[]> }>(`/api/sessions/${session}/notes`, 'POST', {
          text,
        })
        onSaid(entries)
      } else {
        const { entries } = await call<{ entries: Numbered[] }>(`/api/runs/${to}/notes`, 'POST', { text })
        onSaid({ [to]: entries })
      }
      setText('')
      setSaid('Said. Each bench acknowledges it.')
    })
  const join = () =>
    doing(async () => {
      if (here === '' || other === '') throw new Error('Choose both benches.')
      const { entries } = await call<{ entries: Record<string, Numbered[]> }>(`/api/sessions/${session}/joined`, 'POST', {
        here,
        other,
      })
      onSaid(entries)
      setHere('')
      setOther('')
    })
  const part = (run: string) =>
    doing(async () => {
      const { entries } = await call<{ entries: Record<string, Numbered[]> }>(`/api/sessions/${session}/joined`, 'DELETE', {
        run,
      })
      onSaid(entries)
    })
  const together = states.filter(({ state }) => state.joined && !state.joined.here)
  const benches = (label: string, value: string, onValue: (value: string) => void, empty: string) => (
    <Form.Select size="sm" aria-label={label} value={value} onChange={(event) => onValue(event.currentTarget.value)}>
      <option value="">{empty}</option>
      {states.map(({ run }) => (
        <option key={run.id} value={run.id}>
          bench {run.bench}
        </option>
      ))}
    </Form.Select>
  )
  return (
    <section aria-label="Say to the benches" className="tell no-print">
      <Problem words={problem} />
      {said && <p role="status">{said}</p>}
      <form
        className="in-a-row"
        noValidate
        aria-label="A note"
        onSubmit={(event) => {
          event.preventDefault()
          void tell()
        }}
      >
        {benches('To which bench', to, setTo, 'all benches')}
        <input
          className="form-control form-control-sm"
          aria-label="What is said"
          placeholder="say something to the benches"
          maxLength={400}
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <Button type="submit" size="sm">
          Say it
        </Button>
      </form>
      <details>
        <summary>Two groups go on as one</summary>
        <form
          className="in-a-row"
          noValidate
          aria-label="Two groups go on as one"
          onSubmit={(event) => {
            event.preventDefault()
            void join()
          }}
        >
          {benches('The group of', other, setOther, 'the group of')}
          {benches('Goes on at', here, setHere, 'goes on at')}
          <Button type="submit" size="sm" variant="quiet">
            Put them together
          </Button>
        </form>
        {together.map(({ run, state }) => (
          <p key={run.id}>
            Bench {run.bench} goes on at bench {state.joined!.bench}.{' '}
            <Button size="sm" variant="quiet" onClick={() => void part(run.id)}>
              Part them again
            </Button>
          </p>
        ))}
      </details>
    </section>
  )
}
