import { isGas, staysByPH } from './gas'
import { dissolvedIn, pHOf as balanceOf } from './pH'
import { gramsOf, massOf, type Holding, type Phase } from './state'
import type { Thing } from './thing'

/** Room that what is dissolved takes, mL to the gram: ions of salts (26 % sodium chloride is 1.20 g/mL), and organic solids of 1.1 to 1.4 g/mL. */
const dissolvedMLPerG = { ion: 0.35, organic: 0.8 } as const
/** A solid between others, mL to the gram. */
const solidMLPerG = 0.8
/** A liquid whose density nobody has on record, g/mL; organic liquids lie between 0.7 and 1.3. */
const unknownGPerML = 0.9

/** True for what is a liquid at the bench by itself: no ion, no gas, no solid. */
export const isLiquid = (thing: Thing): boolean => !thing.solid && thing.charge === 0 && !staysByPH(thing) && !isGas(thing)

/** Millilitres that a holding takes in a phase; null where its amount is unknown. */
export function millilitresOf(holding: Holding, kind: Phase['kind']): number | null {
  const grams = gramsOf(holding)
  if (grams === null) return null
  const { thing } = holding
  if (kind === 'solid') return grams * solidMLPerG
  if (thing.charge !== 0) return grams * dissolvedMLPerG.ion
  if (!isLiquid(thing)) return grams * dissolvedMLPerG.organic
  return grams / (thing.substance.density?.gPerML ?? unknownGPerML)
}

/** Volume of a phase, volumes taken to add up; what has no known amount is left out and said: `least` is true then. */
export function volumeOf({ kind, holds }: Phase): { mL: number; least: boolean } {
  let mL = 0
  let least = false
  for (const holding of holds) {
    const own = millilitresOf(holding, kind)
    if (own === null) least = true
    else mL += own
  }
  return { mL, least }
}

/** Density in g/mL; null where an amount is unknown or nothing is there. */
export function densityOf(phase: Phase): number | null {
  const [grams, { mL, least }] = [massOf(phase.holds), volumeOf(phase)]
  return grams === null || least || mL <= 0 ? null : grams / mL
}

/** The pH of a watery phase by itself; null for any other, and where the amount of something that counts is unknown. */
export function pHOfPhase({ kind, holds }: Phase): number | null {
  if (kind !== 'watery') return null
  const dissolved = dissolvedIn(holds)
  const { mL } = volumeOf({ kind, holds })
  return dissolved && mL > 0 ? balanceOf(dissolved, { waterML: mL, organicML: 0 }) : null
}

/** The liquid that there is most of by volume. */
export function mainLiquid({ kind, holds }: Phase): Thing | undefined {
  let most: Thing | undefined
  let mostML = 0
  for (const holding of holds) {
    if (!isLiquid(holding.thing)) continue
    const mL = millilitresOf(holding, kind) ?? 0
    if (most === undefined || mL > mostML) [most, mostML] = [holding.thing, mL]
  }
  return most
}
