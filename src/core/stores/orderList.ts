import { stuffOf, type Bottle } from './bottle'
import { fetchedFor, type Fetched, type Stock } from './batch'
import { settingOut, type ToSetOut } from './settingOut'
import { pickFor } from './stock'

/** A session with the day on which it begins, as 2026-11-26. */
export interface Ahead extends ToSetOut {
  day: string
}

/** Something of which the shelf has not enough for what is set. */
export interface ToOrder extends Fetched {
  /** What is missing for all sessions together, in its unit; `issue` is what they need in all. */
  missing: number
  /** The first session for which it is not enough, and the day before it. */
  session: string
  by: string
  /** True where there is some in a unit that cannot be compared. */
  unknown: boolean
}

/** How a solution of a substance and a form is made here, where anybody has written it down. */
export type Stocks = (substance: Fetched['substance'], form: Fetched['form']) => Stock | undefined

/** The day before another. */
export function dayBefore(day: string): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) - 86_400_000).toISOString().slice(0, 10)
}

/**
 * What must be had before the sessions that are set, and by when: what they need together, session by session, against what is good on the shelf on the day of each. A solution that the shelf has not is made up: then what it is
 * made from is ordered. What a bench brings from before is not ordered, and water comes from the tap.
 */
export function orderList(ahead: readonly Ahead[], bottles: readonly Bottle[], spare: number, stocks: Stocks): ToOrder[] {
  const inOrder = ahead.toSorted((a, b) => a.day.localeCompare(b.day))
  const found = new Map<string, ToOrder>()
  inOrder.forEach(({ id, day }, index) => {
    for (const [key, wanted] of fetchedFrom(inOrder.slice(0, index + 1), bottles, day, spare, stocks)) {
      const { short, unknown } = pickFor(wanted, bottles, day)
      const before = found.get(key)
      if (short > 0)
        found.set(key, {
          session: id,
          by: dayBefore(day),
          ...before,
          ...wanted,
          missing: short,
          unknown: unknown || before?.unknown === true,
        })
      else if (before) found.set(key, { ...before, issue: wanted.issue })
    }
  })
  return [...found.values()]
}

/** What all of them take from the shelf together, each thing once. */
function fetchedFrom(
  sessions: readonly ToSetOut[],
  bottles: readonly Bottle[],
  day: string,
  spare: number,
  stocks: Stocks,
): Map<string, Fetched> {
  const all = new Map<string, Fetched>()
  for (const need of settingOut(sessions, spare).needs) {
    if (need.madeIn !== undefined || need.substance.formula === 'H2O') continue
    const made = pickFor(need, bottles, day).short > 0 ? fetchedFor(need, stocks(need.substance, need.form)) : null
    const { substance, form, unit, issue } = made ?? need
    const key = `${stuffOf(substance, form)} ${unit}`
    all.set(key, { substance, form, unit, issue: (all.get(key)?.issue ?? 0) + issue })
  }
  return all
}
