import type { Logged } from '@/core/timetable/stepMinutes'
import { willNotFinish } from '@/core/timetable/willFinish'
import { sentence } from '@/core/words/sentence'
import { printed } from '@/core/words/words'
import { State } from '../figures/State'
import { clockAt } from '../stores/clockAt'
import type { Bench } from './bench'

interface Props {
  states: readonly Bench[]
  now: number
  startsAt: string
  endsAt: string
  zone: string
  /** How long steps took in earlier classes, by the step. */
  logged: Readonly<Record<string, Logged>>
  /** Steps of this day. */
  today: readonly string[]
}

/** Who will not be done when the room closes, said while something can still be changed: where one can stop in time, and what can be left for another day. */
export function WillFinish({ states, now, startsAt, endsAt, zone, logged, today }: Props) {
  const [begin, end] = [Date.parse(startsAt), Date.parse(endsAt)]
  if (now < begin || now > end) return null
  const nowMin = (now - begin) / 60_000
  const late = states.flatMap(({ run, state }) => {
    const left = state.steps.filter(({ status, step }) => status !== 'done' && today.includes(step.id))
    const first = left[0]
    // Who has not begun yet is not late in a step.
    const since = first?.startedAt ?? state.steps.findLast(({ endedAt }) => endedAt !== null)?.endedAt
    const found = willNotFinish(
      left.map(({ step }) => step),
      { nowMin, closesMin: (end - begin) / 60_000, into: since ? Math.max(0, (now - Date.parse(since)) / 60_000) : 0 },
      logged,
    )
    const title = (id: string) => printed(state.steps.find(({ step }) => step.id === id)!.step.title)
    return found ? [{ run, found, title }] : []
  })
  if (late.length === 0) return null
  const clock = (minutes: number) => clockAt(startsAt, minutes, zone)
  return (
    <section className="will-finish" aria-label="Will not be done in time">
      <h2 className="section-title">Will not be done by {clock((end - begin) / 60_000)}, or hardly</h2>
      <ul>
        {late
          .toSorted((a, b) => b.found.doneMin - a.found.doneMin)
          .map(({ run, found, title }) => (
            <li key={run.id}>
              <State level={found.level === 'late' ? 'danger' : 'doubt'}>
                Bench {run.bench}:{' '}
                {found.level === 'late'
                  ? `will not finish, usually done ${clock(found.doneMin)}`
                  : `just fits, usually done ${clock(found.doneMin)}`}
              </State>{' '}
              <span>
                {found.stops[0]
                  ? `Can stop after “${title(found.stops[0].step)}”, usually there at ${clock(found.stops[0].atMin)}. ${found.stops[0].meanwhile ? `${sentence(found.stops[0].meanwhile)} ` : ''}`
                  : 'The plan names no place to stop that is still in reach. '}
                {found.leaveOut.length > 0 &&
                  `Could be left for another day: ${found.leaveOut.map(({ step, minutes }) => `“${title(step)}” (${Math.round(minutes)} min)`).join(', ')}.`}
              </span>
            </li>
          ))}
      </ul>
    </section>
  )
}
