'use client'

import type { Lab } from '@/core/lab/lab'
import { blanksOf, contextOf } from '@/core/operations/planners'
import { methodIn, tubeNames, type TestBlanks } from '@/core/operations/test/planner'
import type { Entry, EntryBodies } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import type { StepState } from '@/core/run/stepState'
import { useNow } from '../useNow'
import type { Write } from './write'

const span = (ms: number) => `${Math.floor(ms / 60_000)}:${String(Math.floor((ms % 60_000) / 1000)).padStart(2, '0')}`

const began = (event: EntryBodies['tube']['event']) => event === 'start' || event === 'warm'

/** What was seen in a tube since its stopwatch last started; undefined while it is watched. */
function seenIn(entries: readonly Entry<'tube'>[]): Entry<'tube'> | undefined {
  const last = entries.at(-1)
  return last && !began(last.body.event) ? last : undefined
}

/** The tubes of a test: one stopwatch each, started together, stopped by the sign or without one. */
export function Tubes({ run, state, lab, write }: { run: RunState; state: StepState; lab: Lab; write: Write }) {
  const now = useNow(0)
  const step = state.step.id
  const filled = blanksOf<TestBlanks>(contextOf(run.plan, run.planned, state.step, lab))
  const method = methodIn(filled)
  const tubes = tubeNames(filled)
  const entries = state.standing.filter((entry) => entry.kind === 'tube') as Entry<'tube'>[]
  const of = (tube: string) => entries.filter(({ body }) => body.tube === tube)
  const started = tubes.some((tube) => of(tube).length > 0)
  const open = tubes.filter((tube) => !seenIn(of(tube)))
  return (
    <>
      {!started && (
        <button
          type="button"
          className="go"
          onClick={() => tubes.forEach((tube) => write('tube', step, { tube, event: 'start' }))}
        >
          Start all {tubes.length} stopwatches
        </button>
      )}
      <ul className="tube-clocks">
        {started &&
          tubes.map((tube) => {
            const begun = of(tube).findLast(({ body }) => began(body.event))
            const seen = seenIn(of(tube))
            const warmed = of(tube).some(({ body }) => body.event === 'warm')
            return (
              <li key={tube}>
                <b>{tube}</b>
                <span className="fig">
                  {begun && span(Math.max(0, (seen ? Date.parse(seen.at) : now) - Date.parse(begun.at)))}
                </span>
                {seen ? (
                  <span>
                    {seen.body.event === 'sign' ? `positive: ${method.sign}` : 'no sign'}
                    {warmed && ', warm'}
                    {seen.body.event === 'none' && method.warm && !warmed && (
                      <button
                        type="button"
                        className="plain"
                        onClick={() => write('tube', step, { tube, event: 'warm' })}
                        aria-label={`${tube}: warm it`}
                      >
                        Warm it
                      </button>
                    )}
                  </span>
                ) : (
                  <span className="choice">
                    <button
                      type="button"
                      onClick={() => write('tube', step, { tube, event: 'sign' })}
                      aria-label={`${tube}: ${method.sign}`}
                    >
                      It is there
                    </button>
                    <button
                      type="button"
                      onClick={() => write('tube', step, { tube, event: 'none' })}
                      aria-label={`${tube}: no sign`}
                    >
                      None
                    </button>
                  </span>
                )}
              </li>
            )
          })}
      </ul>
      {started && (
        <>
          <p className="hint">
            Watch for {method.watchMin} min: {method.sign}.{method.warm ? ' Warm once what did nothing.' : ''}
          </p>
          <button type="button" className="go" disabled={open.length > 0} onClick={() => write('done', step, {})}>
            The panel is read
          </button>
        </>
      )}
    </>
  )
}
