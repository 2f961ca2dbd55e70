import { holdingsIn, together, type Holding, type Origin, type Phase, type Vessel } from '../state'
import { isLiquid } from '../phase'
import { thingOfAtoms, type Thing } from '../thing'

/** Moles of things that a mole of a reaction takes (below 0) and gives. */
export type Change = readonly (readonly [thing: Thing, moles: number])[]

/** Changes of the same thing in one. */
export function net(...changes: readonly Change[]): [Thing, number][] {
  const all = new Map<Thing, number>()
  for (const change of changes) for (const [thing, moles] of change) all.set(thing, (all.get(thing) ?? 0) + moles)
  return [...all].filter(([, moles]) => Math.abs(moles) > 1e-12)
}

/** mmol of a thing in a vessel, in whatever phase; null where it is there in an unknown amount. */
export function amountIn(vessel: Vessel, thing: Thing): number | null {
  let sum = 0
  for (const { holds } of vessel.phases)
    for (const each of holds) {
      if (each.thing !== thing || !each.certain) continue
      if (each.amount === null) return null
      sum += each.amount
    }
  return sum
}

/** What a reaction leaves out: the difference of its two sides, as one thing, so that nothing is lost where an equation does not balance. */
export function leftOut(change: Change, id: string): Change {
  const atoms: Record<string, number> = {}
  let charge = 0
  let grams = 0
  for (const [thing, moles] of change) {
    charge += thing.charge * moles
    grams += thing.gPer * moles
    for (const [symbol, count] of Object.entries(thing.atoms ?? {})) atoms[symbol] = (atoms[symbol] ?? 0) - count * moles
  }
  const rest = thingOfAtoms(`left out ${id}`, 'what the equation leaves out', atoms, -charge)
  return Object.keys(rest.atoms!).length === 0 && Math.abs(charge) < 1e-9 && Math.abs(grams) < 1e-9 ? [] : [[rest, 1]]
}

/**
 * A vessel after so many mmol of a reaction: what it takes goes out of every phase that holds it in proportion, what it gives stands in a liquid phase where there is one, solids by themselves; nothing is at rest yet (settle.ts). A negative amount can only come
 * from a change of more than is there, which no caller asks for.
 */
export function changed(vessel: Vessel, change: Change, mmol: number, from: Origin): Vessel {
  let phases: Phase[] = [...vessel.phases]
  const added: Holding[] = []
  for (const [thing, moles] of change) {
    const amount = moles * mmol
    if (amount >= 0) {
      added.push({ thing, amount, from: [from], certain: true })
      continue
    }
    const there = amountIn(vessel, thing) ?? 0
    const part = there > 0 ? Math.min(1, -amount / there) : 0
    phases = phases.map((phase) => ({
      ...phase,
      holds: phase.holds.map((each) =>
        each.thing === thing && each.certain && each.amount !== null ? { ...each, amount: each.amount * (1 - part) } : each,
      ),
    }))
    // Protons and hydroxide may be owed for a moment: settling makes water of what is over.
    const owed = -amount - there * part
    if (owed > 1e-12) added.push({ thing, amount: -owed, from: [from], certain: true })
  }
  const liquidAt = phases.findIndex(({ kind, holds }) => kind !== 'solid' && holds.length > 0)
  const solids = added.filter(({ thing }) => thing.solid && thing.charge === 0 && liquidAt < 0)
  const liquids = added.filter((each) => !solids.includes(each))
  if (liquids.length > 0)
    phases =
      liquidAt < 0
        ? [...phases, { kind: liquids.some(({ thing }) => isLiquid(thing)) ? 'organic' : 'solid', holds: liquids }]
        : phases.with(liquidAt, { ...phases[liquidAt]!, holds: together(phases[liquidAt]!.holds, liquids) })
  if (solids.length > 0) phases = [...phases, { kind: 'solid', holds: solids }]
  return { ...vessel, phases: phases.map((phase) => ({ ...phase, holds: together(phase.holds) })) }
}

/** The most of a change that a vessel has enough for, in mmol; null where the amount of something is unknown, 0 where something is not there. */
export function mostOf(vessel: Vessel, change: Change, never: (thing: Thing) => boolean = () => false): number | null {
  let most = Infinity
  let unknown = false
  for (const [thing, moles] of change) {
    if (moles >= 0 || never(thing)) continue
    const there = amountIn(vessel, thing)
    if (there === 0) return 0
    if (there === null) unknown = true
    else most = Math.min(most, there / -moles)
  }
  return unknown ? null : Number.isFinite(most) ? most : 0
}

export const holdsThing = (vessel: Vessel, thing: Thing): boolean => holdingsIn(vessel).some((each) => each.thing === thing)
