import { operationIn } from '../operations/registry'
import type { Step } from '../plan/plan'
import { stepMinutes, type Logged } from './stepMinutes'

/** Why a group will not be done in time, and what can still be done about it. */
export interface WillNotFinish {
  level: 'late' | 'tight'
  /** When it would be done with the usual minutes, minutes from the beginning of the session. */
  doneMin: number
  lateMin: number
  /** Where it can stop in time, the last first: after which step, and when it would get there. */
  stops: { step: string; atMin: number; meanwhile: string }[]
  /** What can be left for another day: measurements of samples that keep, with the minutes that they take. */
  leaveOut: { step: string; minutes: number }[]
}

/** It is said so long before the last moment at which anything can still be changed. */
const saidBeforeMin = 30
/** With less than this to spare it hardly fits. */
const littleMin = 10

/**
 * Whether a group will be done when the room closes. It is *late* when its usual minutes no longer fit, and *tight* when they hardly do and half an hour later it would be too late to stop somewhere
 * or to leave something out. Null where neither is so.
 * @param left the steps that it has not ended, in their order
 * @param into minutes that it has spent in the first of them
 */
export function willNotFinish(
  left: readonly Step[],
  { nowMin, closesMin, into }: { nowMin: number; closesMin: number; into: number },
  logged: Readonly<Record<string, Logged>> = {},
): WillNotFinish | null {
  if (left.length === 0) return null
  const ends: { step: Step; atMin: number; minutes: number }[] = []
  let doneMin = nowMin
  left.forEach((step, index) => {
    const { hands, wait } = stepMinutes(step, logged[step.id])
    const minutes = hands.usual + wait.usual
    // What has taken longer than usual already still takes a moment.
    doneMin += index === 0 ? Math.max(Math.min(leastRest, minutes), minutes - into) : minutes
    ends.push({ step, atMin: doneMin, minutes })
  })
  const safe = ends.slice(0, -1).filter(({ step }) => step.safeStop !== undefined || step.kind === 'pause')
  const leaveOut = ends.slice(1).filter(({ step }) => operationIn(step)?.meanwhile === 'measures a sample')
  const without = doneMin - leaveOut.reduce((sum, { minutes }) => sum + minutes, 0)
  const soonest = Math.min(safe[0]?.atMin ?? doneMin, without)
  const late = doneMin > closesMin
  const tight = closesMin - doneMin < littleMin && soonest < doneMin && soonest + saidBeforeMin > closesMin
  if (!late && !tight) return null
  return {
    level: late ? 'late' : 'tight',
    doneMin,
    lateMin: Math.max(0, doneMin - closesMin),
    stops: safe
      .filter(({ atMin }) => atMin <= closesMin)
      .toReversed()
      .map(({ step, atMin }) => ({ step: step.id, atMin, meanwhile: step.safeStop?.meanwhile ?? '' })),
    leaveOut: leaveOut.map(({ step, minutes }) => ({ step: step.id, minutes })),
  }
}

const leastRest = 1
