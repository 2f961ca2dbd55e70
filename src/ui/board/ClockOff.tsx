import type { Numbered } from '../run/useLive'
import { span } from '../time'

/** A tablet whose clock is off by so much is shown: its times are put right, and somebody should put its clock right. */
const clockOffMs = 120_000

export function ClockOff({ entries }: { entries: readonly Numbered[] }) {
  const off = entries.findLast(({ clockMs }) => clockMs !== undefined)?.clockMs ?? 0
  if (Math.abs(off) < clockOffMs) return null
  return (
    <small className="doubt">
      {' '}
      its tablet’s clock is {span(Math.abs(off))} {off > 0 ? 'ahead' : 'behind'}
    </small>
  )
}
