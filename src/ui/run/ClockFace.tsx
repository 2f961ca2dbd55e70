'use client'

import { ringsAtMs, type Clock } from '@/core/run/clocks'
import { clockTime, span } from '../time'
import { useNow } from '../useNow'

/** A running clock: what is left (or how long it has run), what it is for, and since when. Over time, it says so in words. */
export function ClockFace({ clock, zone, initialNow }: { clock: Clock; zone: string; initialNow: number }) {
  const now = useNow(initialNow)
  const left =
    clock.everyMin !== undefined ? ringsAtMs(clock, now)! - now : clock.dueAt === null ? null : Date.parse(clock.dueAt) - now
  const over = left !== null && left < 0
  return (
    <div className={`clock${over ? ' due' : ''}`} role="timer" aria-label={clock.label}>
      <span className="v">{left === null ? span(now - Date.parse(clock.from)) : span(left)}</span>
      <span className="l">
        {over ? `over: ${clock.label.replace(/^left:? ?/, '')}` : clock.label}
        <br />
        from {clockTime(clock.from, zone)}
      </span>
    </div>
  )
}
