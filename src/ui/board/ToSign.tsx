'use client'

import { uncapital } from '@/core/words/capital'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { isShown } from '@/core/run/entry'
import { writeFigureText } from '@/core/quantity/write'
import { printed } from '@/core/words/words'
import { call } from '../call'
import { entryLabel, entryValue } from '../run/labels'
import type { Numbered } from '../run/useLive'
import { clockTime } from '../time'
import type { Bench } from './bench'

/** Readings that wait for a signature, those of one bench together. */
export function ToSign({
  states,
  zone,
  maySign,
  onSigned,
}: {
  states: Bench[]
  zone: string
  maySign: boolean
  onSigned: (run: string, signed: Numbered[]) => void
}) {
  const [problem, setProblem] = useState<string>()
  const due = states.flatMap(({ run, state }) =>
    state.steps.filter(({ signature }) => signature.state === 'due' || signature.state === 'void').map((step) => ({ run, step })),
  )
  const sign = async (run: string, steps: readonly string[]) => {
    setProblem(undefined)
    try {
      const { entries } = await call<{ entries: Numbered[] }>(`/api/runs/${run}/signatures`, 'POST', { steps })
      onSigned(run, entries)
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  const several = states.flatMap(({ run }) => {
    const steps = due.filter((each) => each.run === run).map(({ step }) => step.step.id)
    return steps.length > 1 ? [{ run, steps }] : []
  })
  return (
    <section aria-label="Signatures">
      <h2 className="section-title">Waits for a signature</h2>
      {due.length === 0 && <p className="quiet">No reading waits.</p>}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      {maySign &&
        several.map(({ run, steps }) => (
          <p key={run.id}>
            <Button size="sm" variant="quiet" onClick={() => void sign(run.id, steps)}>
              I have seen all {steps.length} of bench {run.bench}: sign
            </Button>
          </p>
        ))}
      <ul className="sheet-list">
        {due.map(({ run, step }) => (
          <li key={`${run.id} ${step.step.id}`}>
            <span>
              <b>
                Bench {run.bench}, {uncapital(printed(step.step.title))}
              </b>{' '}
              <span className="quiet">{run.members}</span>
              <br />
              {step.standing
                .filter(isShown)
                .map((entry) => `${entryLabel(step, entry)} ${entryValue(entry)}`)
                .join('; ')}
              {step.net && <b className="fig"> Net {writeFigureText(step.net.figure, step.net.dimension)}</b>}
              {step.signature.state === 'void' && (
                <span className="danger">
                  {' '}
                  The signature of {step.signature.by}, {clockTime(step.signature.at, zone)}, is void: a signed reading was
                  struck.
                </span>
              )}
            </span>
            {maySign && (
              <Button
                size="sm"
                aria-label={`I have seen ${printed(step.step.title)} of bench ${run.bench}: sign`}
                onClick={() => void sign(run.id, [step.step.id])}
              >
                I have seen it: sign
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}
