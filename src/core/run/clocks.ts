import { measurementIn } from '../operations/readings'
import type { Entry } from './entry'
import type { StepState } from './stepState'

/** A clock that runs: what it is for, when it began, and when it is due; a clock without an end counts up. */
export interface Clock {
  step: string
  label: string
  from: string
  dueAt: string | null
  /** It rings again every so many minutes. */
  everyMin?: number
  /** The entry that started it, where it is one of the group's own. */
  own?: string
}

/** The clocks that a group has started for itself and not stopped. */
export function ownClocks(standing: readonly Entry[]): Clock[] {
  const over = new Set(standing.flatMap((entry) => (entry.kind === 'stopped' ? [entry.body.of] : [])))
  return standing.flatMap((entry): Clock[] => {
    if (entry.kind !== 'timer' || over.has(entry.id)) return []
    const { label, minutes, repeats } = entry.body
    return [
      {
        ...{ step: entry.step, label, from: entry.at, own: entry.id },
        dueAt: minutes === undefined || repeats ? null : after(entry.at, minutes),
        ...(repeats ? { everyMin: minutes! } : {}),
      },
    ]
  })
}

/** When a clock rings next after a moment, ms; null where it rings no more. */
export function ringsAtMs({ from, dueAt, everyMin }: Clock, afterMs: number): number | null {
  if (everyMin !== undefined) {
    const every = everyMin * 60_000
    return Date.parse(from) + Math.max(1, Math.floor((afterMs - Date.parse(from)) / every) + 1) * every
  }
  const due = dueAt === null ? null : Date.parse(dueAt)
  return due !== null && due > afterMs ? due : null
}

/** The clocks of a run: those of the steps that are not over. */
export function clocksOf(steps: readonly StepState[]): Clock[] {
  return steps.flatMap((state): Clock[] => {
    const running = state.status === 'done' ? null : measurementIn(state.step).clock?.(state)
    if (!running) return []
    const { label, from, minutes } = running
    return [{ step: state.step.id, label, from, dueAt: minutes === null ? null : after(from, minutes) }]
  })
}

function after(at: string, minutes: number): string {
  return new Date(Date.parse(at) + minutes * 60_000).toISOString()
}
