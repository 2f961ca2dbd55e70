'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import type { ResultRow } from '@/core/classroom/classResults'
import { call } from '../call'

/** Which results count for the class: one is taken out with a reason and stays visible. */
export function Counts({ rows, may }: { rows: ResultRow[]; may: boolean }) {
  const router = useRouter()
  const out = rows.filter(({ excluded }) => excluded)
  const counted = rows.filter(({ excluded, outcomes }) => !excluded && outcomes.length > 0)
  const [run, setRun] = useState('')
  const [reason, setReason] = useState('')
  const [problem, setProblem] = useState<string>()
  if (!may && out.length === 0) return null
  const send = async (id: string, method: 'POST' | 'DELETE', body?: object) => {
    setProblem(undefined)
    try {
      await call(`/api/runs/${id}/exclusion`, method, body)
      setReason('')
      setRun('')
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  return (
    <section className="counts" aria-label="Which results count">
      {out.map(({ id, bench, members, excluded }) => (
        <p key={id}>
          Bench {bench}, {members}, does not count for the class: {excluded!.reason}{' '}
          <span className="quiet">({excluded!.by})</span>{' '}
          {may && (
            <Button className="no-print" variant="quiet" onClick={() => void send(id, 'DELETE')}>
              It counts again
            </Button>
          )}
        </p>
      ))}
      {may && counted.length > 0 && (
        <form
          className="no-print"
          onSubmit={(event) => {
            event.preventDefault()
            if (run === '') setProblem('Say which bench.')
            else if (reason.trim() === '') setProblem('Say why this result does not count.')
            else void send(run, 'POST', { reason: reason.trim() })
          }}
        >
          <label>
            Leave out of the class’s figures
            <Form.Select value={run} onChange={(event) => setRun(event.currentTarget.value)}>
              <option value="">a bench</option>
              {counted.map(({ id, bench, members }) => (
                <option key={id} value={id}>
                  {bench}, {members}
                </option>
              ))}
            </Form.Select>
          </label>
          <label>
            because
            <Form.Control maxLength={200} value={reason} onChange={(event) => setReason(event.currentTarget.value)} />
          </label>
          <Button type="submit" variant="quiet">
            Leave it out
          </Button>
        </form>
      )}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
    </section>
  )
}
