'use client'

import { Link } from '../page/Link'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'
import type { BoardRun } from '../board/bench'
import { Presence } from './Presence'

export type CardRun = Pick<BoardRun, 'id' | 'bench' | 'members' | 'scale' | 'code'> & {
  readCode: string | null
  people: { id: string; name: string | null; absent: boolean }[]
}

/** Bench cards: what each group types to open its bench, and to read its run afterwards. */
export function BenchCards({
  session,
  runs,
  planTitle,
  mayChange,
}: {
  session: string
  runs: CardRun[]
  planTitle: string
  mayChange: boolean
}) {
  const [codes, setCodes] = useState<Record<string, string>>({})
  const [problem, setProblem] = useState<string>()
  const renew = async (run: string) => {
    setProblem(undefined)
    try {
      const { code } = await call<{ code: string }>(`/api/runs/${run}/code`, 'POST', { day: session })
      setCodes((all) => ({ ...all, [run]: code }))
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  return (
    <section className="cards" aria-label="Bench cards">
      <h2 className="section-title">
        Bench cards <small>typed at /bench while the session is on</small>
      </h2>
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <ul>
        {runs.map((run) => (
          <li key={run.id}>
            <b>Bench {run.bench}</b>
            {mayChange && run.people.length > 0 ? <Presence run={run.id} people={run.people} /> : <span>{run.members}</span>}
            <span className="code fig">{codes[run.id] ?? run.code}</span>
            <small className="quiet">
              {planTitle}, scale {run.scale}
              {run.readCode && (
                <>
                  <br />
                  to read afterwards: <span className="fig">{run.readCode}</span>
                </>
              )}
            </small>
            {mayChange && (
              <Button
                variant="quiet"
                size="sm"
                className="no-print"
                aria-label={`New code for bench ${run.bench}`}
                onClick={() => renew(run.id)}
              >
                New code
              </Button>
            )}
          </li>
        ))}
      </ul>
      <p className="no-print doing">
        <Link href={`/class/${session}/cards`}>Cards to print, with our amounts</Link>
        <Link href="/bench">Open a bench on this device</Link>
      </p>
    </section>
  )
}
