import type { Bottle } from './bottle'
import { settingOut, type Need, type ToSetOut } from './settingOut'
import { pickFor } from './stock'

/** A session with the day on which it begins, as 2026-11-26. */
export interface Ahead extends ToSetOut {
  day: string
}

/** Something of which the shelf has not enough for what is set. */
export interface ToOrder {
  need: Need
  /** What is missing for all sessions together, in the unit of the need. */
  missing: number
  /** The first session for which it is not enough, and the day before it. */
  session: string
  by: string
  /** True where there is some in a unit that cannot be compared. */
  unknown: boolean
}

/** The day before another. */
export function dayBefore(day: string): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) - 86_400_000).toISOString().slice(0, 10)
}

/**
 * What must be had before the sessions that are set, and by when: what they need together, session by session, against what is good on the shelf on the day of each. What a bench brings from before is not ordered, and water comes from the tap.
 */
export function orderList(ahead: readonly Ahead[], bottles: readonly Bottle[], spare: number): ToOrder[] {
  const inOrder = ahead.toSorted((a, b) => a.day.localeCompare(b.day))
  const { needs } = settingOut(inOrder, spare)
  return needs.flatMap((all): ToOrder[] => {
    if (all.madeIn !== undefined || all.substance.formula === 'H2O') return []
    const upTo = (count: number) =>
      settingOut(inOrder.slice(0, count), spare).needs.find(
        ({ stuff, unit, madeIn }) => stuff === all.stuff && unit === all.unit && madeIn === undefined,
      )
    for (let count = 1; count <= inOrder.length; count++) {
      const { session, short, unknown } = missingFor(upTo(count), inOrder[count - 1]!)
      if (short > 0) {
        const whole = pickFor(all, bottles, inOrder[count - 1]!.day)
        return [{ need: all, missing: whole.short, session, by: dayBefore(inOrder[count - 1]!.day), unknown }]
      }
    }
    return []
  })

  function missingFor(need: Need | undefined, { id, day }: Ahead) {
    const picked = need && pickFor(need, bottles, day)
    return { session: id, short: picked?.short ?? 0, unknown: picked?.unknown ?? false }
  }
}
