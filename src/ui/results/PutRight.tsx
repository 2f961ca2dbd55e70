'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { readFigure } from '@/core/quantity/readQuantity'
import { Problem } from '../course/Problem'
import { refusalOf, type Refused } from '../course/refusalOf'
import { call } from '../call'

/** A reading that can be put right: which numbers it has, as they were written. */
export interface Correctable {
  id: string
  label: string
  was: string
  fields: { key: string; label: string; unit: string; value: number; decimals?: string }[]
}

/** Puts a reading right after the day: the old one stays readable, with who, when and why. */
export function PutRight({ run, readings }: { run: string; readings: Correctable[] }) {
  const router = useRouter()
  const [of, setOf] = useState('')
  const [texts, setTexts] = useState<Record<string, string>>({})
  const [reason, setReason] = useState('')
  const [problem, setProblem] = useState<Refused>()
  const [done, setDone] = useState<string>()
  const chosen = readings.find(({ id }) => id === of)
  if (readings.length === 0) return null
  const send = async () => {
    setDone(undefined)
    if (!chosen) return setProblem({ words: 'Say which reading.', field: 'of' })
    const body: Record<string, number> = {}
    for (const { key, label, unit, decimals } of chosen.fields) {
      const read = readFigure(texts[key] ?? '', unit)
      if (!read.ok) return setProblem({ words: `${label}: ${read.problem}`, field: key })
      body[key] = read.value.value
      if (decimals) body[decimals] = read.value.decimals
    }
    if (reason.trim() === '')
      return setProblem({ words: 'Say why it is put right: it stays beside the old reading.', field: 'reason' })
    setProblem(undefined)
    try {
      await call(`/api/runs/${run}/corrections`, 'POST', { of, body, reason: reason.trim() })
      setDone(`${chosen.label} is put right. The old reading stays beside it.`)
      setOf('')
      setReason('')
      setTexts({})
      router.refresh()
    } catch (error) {
      setProblem(refusalOf(error))
    }
  }
  return (
    <section className="put-right no-print" aria-label="Put a reading right">
      <h2 className="section-title">
        Put a reading right <small>the old one stays readable, with your name and the reason</small>
      </h2>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          void send()
        }}
      >
        <label>
          reading
          <Form.Select
            name="of"
            value={of}
            onChange={(event) => {
              setOf(event.currentTarget.value)
              setTexts({})
            }}
          >
            <option value="">which one</option>
            {readings.map(({ id, label, was }) => (
              <option key={id} value={id}>
                {label}: {was}
              </option>
            ))}
          </Form.Select>
        </label>
        {chosen?.fields.map(({ key, label, unit, value }) => (
          <label key={key}>
            {unit ? `${label}, ${unit}` : label}
            <Form.Control
              inputMode="decimal"
              name={key}
              placeholder={String(value)}
              value={texts[key] ?? ''}
              onChange={(event) => setTexts({ ...texts, [key]: event.currentTarget.value })}
            />
          </label>
        ))}
        <label>
          because
          <Form.Control name="reason" maxLength={200} value={reason} onChange={(event) => setReason(event.currentTarget.value)} />
        </label>
        <Button type="submit" variant="quiet">
          Put it right
        </Button>
        <Problem words={problem?.words} field={problem?.field} />
      </form>
      {done && <p role="status">{done}</p>}
    </section>
  )
}
