import type { Holding } from '@/core/matter/state'

/** Totals of holdings: grams, moles of each element of what has a formula, and charge. What has no known amount is counted apart. */
export interface Totals {
  grams: number
  elements: Readonly<Record<string, number>>
  /** Grams of materials, by thing. */
  materials: Readonly<Record<string, number>>
  charge: number
  unknown: ReadonlySet<string>
}

export function totalsOf(holds: readonly Holding[]): Totals {
  let grams = 0
  let charge = 0
  const elements: Record<string, number> = {}
  const materials: Record<string, number> = {}
  const unknown = new Set<string>()
  for (const { thing, amount } of holds) {
    if (amount === null) {
      unknown.add(thing.id)
      continue
    }
    grams += amount * thing.gPer
    charge += amount * thing.charge
    if (thing.atoms === null) materials[thing.id] = (materials[thing.id] ?? 0) + amount
    else for (const [symbol, count] of Object.entries(thing.atoms)) elements[symbol] = (elements[symbol] ?? 0) + amount * count
  }
  return { grams, elements, materials, charge, unknown }
}

/** The greatest difference of two totals, relative to the greatest amount: 0 where everything that went in is there. */
export function offBy(one: Totals, other: Totals): number {
  const keys = (a: object, b: object) => [...new Set([...Object.keys(a), ...Object.keys(b)])]
  const most = Math.max(1, ...Object.values(one.elements), ...Object.values(one.materials), one.grams)
  return (
    Math.max(
      Math.abs(one.grams - other.grams),
      Math.abs(one.charge - other.charge),
      ...keys(one.elements, other.elements).map((key) => Math.abs((one.elements[key] ?? 0) - (other.elements[key] ?? 0))),
      ...keys(one.materials, other.materials).map((key) => Math.abs((one.materials[key] ?? 0) - (other.materials[key] ?? 0))),
    ) / most
  )
}
