import { useRouter } from 'next/navigation'
import type { ReactNode } from 'react'
import type { Plan } from '@/core/plan/plan'
import { openCalls } from '@/core/run/calls'
import type { RunState } from '@/core/run/foldRun'
import { call } from '../call'
import { ClockFace } from '../run/ClockFace'
import { forgetBooked } from '../run/useBooked'
import type { useRun } from '../run/useRun'
import { forgetPage } from './forgetPage'

interface Props extends Pick<ReturnType<typeof useRun>, 'entries' | 'onTablet' | 'refused' | 'held' | 'unkept' | 'write'> {
  run: RunState
  runId: string
  bench: number
  scale: number
  plan: Plan
  zone: string
  /** The server's time while rendering. */
  now: number
  reading: boolean
  /** The step that is looked at. */
  here: string
  /** What may be asked for beside a hand. */
  children: ReactNode
}

/** Along the top of a bench: who and what, the clocks that run, a hand, and whether all that was written is in the book. */
export function BenchStrip({
  run,
  runId,
  bench,
  scale,
  plan,
  zone,
  now,
  reading,
  here,
  entries,
  onTablet,
  refused,
  held,
  unkept,
  write,
  children,
}: Props) {
  const router = useRouter()
  const booked = entries.length - onTablet.size
  const handUp = openCalls(run.calls).some(({ entry }) => entry.kind === 'hand')
  return (
    <header className="strip-top">
      <div className="who">
        <b>
          Bench {bench}
          {reading && ', to read'}
        </b>
        <span>
          {plan.title}
          {scale === 1 ? '' : `, our scale ${scale}`}
        </span>
      </div>
      {run.clocks.map((clock) => (
        <ClockFace key={clock.own ?? `${clock.step} ${clock.label}`} clock={clock} zone={zone} initialNow={now} />
      ))}
      {!reading && (
        <div className="ask">
          <button type="button" disabled={handUp} onClick={() => write('hand', here, { text: '' })}>
            Hand up
          </button>
          {children}
        </div>
      )}
      <div className="book" role="status">
        {onTablet.size === 0 ? (
          <span>{booked === 1 ? 'one entry in the book' : `all ${booked} entries in the book`}</span>
        ) : (
          <span>
            {onTablet.size} {unkept ? 'on this page only' : 'kept on this tablet'}
            {held ? `: ${held}` : ', on the way to the book'}
          </span>
        )}
        <button
          type="button"
          disabled={onTablet.size > 0 || refused.length > 0}
          onClick={async () => {
            await call('/api/bench', 'DELETE')
            await Promise.all([forgetPage(), forgetBooked(runId)])
            router.refresh()
          }}
        >
          Leave
        </button>
      </div>
    </header>
  )
}
