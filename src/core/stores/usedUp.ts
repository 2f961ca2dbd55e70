import { scalePlan } from '../edit/scalePlan'
import { densityOf, isCharged, lineOf, substanceOf, type Plan } from '../plan/plan'
import type { Charge } from '../reaction/reactionTable'
import { stuffOf } from './bottle'

/** What the benches really took of something, in the unit in which it was issued. */
export interface UsedUp {
  /** As in a need: stuff and unit. */
  item: string
  amount: number
  benches: number
  /** Benches whose figure is in the other unit, with no density to turn it. */
  unreadable: number
}

/** Adds up what runs charged, by what it was; lines that nobody measured are not counted, and nobody says that they were used. */
export function usedUp(
  plan: Plan,
  runs: readonly { scale: number; charged: Readonly<Record<string, Charge>> }[],
  units: Readonly<Record<string, 'g' | 'mL'>>,
): UsedUp[] {
  const all = new Map<string, UsedUp>()
  for (const { scale, charged } of runs) {
    const scaled = scale === 1 ? plan : scalePlan(plan, scale)
    const seen = new Set<string>()
    for (const [id, { measure, figure }] of Object.entries(charged)) {
      if (!scaled.lines.some((line) => line.id === id)) continue
      const line = lineOf(scaled, id)
      if (!isCharged(line) || line.madeIn !== undefined) continue
      const stuff = stuffOf(substanceOf(scaled, line), line.form)
      const own = measure === 'mass' ? 'g' : 'mL'
      const unit = units[stuff] ?? own
      const density = densityOf(scaled, line)?.gPerML
      const amount =
        unit === own
          ? figure.value
          : density === undefined
            ? null
            : unit === 'g'
              ? figure.value * density
              : figure.value / density
      const item = `${stuff} ${unit}`
      const before = all.get(item) ?? { item, amount: 0, benches: 0, unreadable: 0 }
      all.set(item, {
        item,
        amount: before.amount + (amount ?? 0),
        benches: before.benches + (amount === null || seen.has(item) ? 0 : 1),
        unreadable: before.unreadable + (amount === null ? 1 : 0),
      })
      seen.add(item)
    }
  }
  return [...all.values()]
}
