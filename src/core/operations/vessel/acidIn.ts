import { hydroxide, proton } from '../../matter/minerals'
import { holdingsIn, type Vessel } from '../../matter/state'
import type { Thing } from '../../matter/thing'
import { protonsOf } from '../../substance/acidBase'
import type { Substance } from '../../substance/substance'

/** Acids stronger than this are met by any base of a work-up, bases stronger than this by any acid (bicarbonate reaches pH 8). */
const met = { acidBelow: 7, baseAbove: 7 } as const

/** Protons that a base of a work-up takes from one of a thing that is whole. */
const protonsGiven = ({ acid, substance }: Thing): number =>
  Math.max(acid.filter((pKa) => pKa < met.acidBelow).length, protonsOf(substance))

interface Charges {
  acid: number
  base: number
}

/** mmol of protons that what is in a vessel gives to a base, and takes from an acid, all of it counted; what is kept does not count. Null where an amount is unknown. */
function chargesIn(vessel: Vessel | undefined, kept: Substance | undefined): Charges | null {
  let [acid, base] = [0, 0]
  for (const { thing, amount, certain } of vessel ? holdingsIn(vessel) : []) {
    if (!certain) continue
    const acids = thing === proton ? 1 : thing.substance === kept ? 0 : protonsGiven(thing)
    const bases = thing === hydroxide ? 1 : thing.substance !== kept && thing.base !== null && thing.base > met.baseAbove ? 1 : 0
    if (acids + bases === 0) continue
    if (amount === null) return null
    acid += acids * amount
    base += bases * amount
  }
  return { acid, base }
}

/** mmol of acid that a base would still meet in a vessel; null where nobody can say. */
export function acidIn(vessel: Vessel | undefined, kept?: Substance): number | null {
  const found = chargesIn(vessel, kept)
  return found && Math.max(0, found.acid - found.base)
}

/** mmol of base that an acid would meet in a vessel, what an acid there holds of it counted; null where nobody can say. */
export function baseIn(vessel: Vessel | undefined, kept?: Substance): number | null {
  const found = chargesIn(vessel, kept)
  return found && Math.max(0, found.base)
}
