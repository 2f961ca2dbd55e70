import { markedAt } from '@/core/measurements/press'
import { behindMin } from '@/core/run/behind'
import type { RunState } from '@/core/run/foldRun'
import { overdue } from '@/core/timetable/overdue'
import type { Logged } from '@/core/timetable/stepMinutes'
import { printed } from '@/core/words/words'
import { State } from '../figures/State'
import { ago, span } from '../time'

/** What is now at a bench, for how long, and whether it is behind. */
export function NowWords({
  state,
  now,
  startsAt,
  logged,
}: {
  state: RunState
  now: number
  startsAt: string
  logged: Readonly<Record<string, Logged>>
}) {
  if (state.joined && !state.joined.here) return <span>goes on at bench {state.joined.bench}</span>
  const current = state.steps[state.now]
  if (!current) return <State level="good">all steps done</State>
  const clock = state.clocks.find(({ step, own }) => step === current.step.id && own === undefined)
  const behind = behindMin(state, startsAt, now)
  const since = current.startedAt ?? state.steps[state.now - 1]?.endedAt ?? null
  const late = overdue(state, now, logged)
  const over = late?.why === 'clock over'
  return (
    <>
      <b>{printed(current.step.title)}</b>
      {clock ? (
        <span className={over ? 'doubt' : ''}>
          {' '}
          <span className="fig">
            {clock.dueAt ? span(Date.parse(clock.dueAt) - now) : span(now - Date.parse(clock.from))}
          </span>{' '}
          {over ? 'over time' : clock.dueAt ? 'left' : 'heat on, no reflux yet'}
        </span>
      ) : (
        <span className="quiet">
          {' '}
          {since ? `since ${ago(since, now)}` : Date.parse(startsAt) > now ? 'not begun' : 'nothing written yet'}
        </span>
      )}
      {current.step.kind === 'reflux' && markedAt(current, 'onset') === null && !clock && (
        <span className="quiet">, heat not on</span>
      )}
      {late?.why === 'heat without reflux' && (
        <State level="doubt">late: the heat has been on for {late.min} min without reflux</State>
      )}
      {late?.why === 'over its usual span' && <State level="doubt">late: {late.min} min over its usual span</State>}
      {behind !== null && (
        <span className="doubt">
          , about <span className="fig">{behind}</span> min behind the plan
        </span>
      )}
      {state.joined && <span className="quiet">, with bench {state.joined.bench}</span>}
    </>
  )
}
