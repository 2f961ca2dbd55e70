import { mixesWithWater } from './mixing'
import { isLiquid, mainLiquid, millilitresOf } from './phase'
import { solubilityAt } from './solubility'
import { exactly, within, type Span } from './span'
import { massOf, type Holding, type Phase } from './state'
import { isWater, type Thing } from './thing'

/** Grams of a solid that 100 mL of a liquid hold; `all` where it mixes as far as a bench asks. */
export type Dissolves = { gPer100ML: Span } | 'all' | 'cannot be told'

/** Sources of teaching laboratories differ by a tenth. */
const recordFactor = 1.1
/** An organic solid of five carbon atoms or more to each polar group hardly dissolves in cold water, and some ten times better in hot: from the usual scale of solubility tests (under 3 g in 100 mL is insoluble; Shriner and others), the span is judgement. */
const hardly = { cold: within(0.1, 10), hot: within(1, 10), hotFromC: 75 } as const

/** A phase counts as one liquid where a twentieth of it at the most is another; with up to a quarter its solubilities are within a factor of two or so, and beyond that a solubility in a mixture of solvents is neither of its own. Judgement, from mixed solvents of recrystallisations. */
const oneLiquid = { wholly: 0.95, mostly: 0.75, mostlyFactor: 2 } as const

/** The liquid that a phase is for the most part, with how far its solubilities hold there. */
function only(phase: Phase): { liquid: Thing; factor: number } | undefined {
  const main = mainLiquid(phase)
  if (!main) return undefined
  let all = 0
  let own = 0
  for (const holding of phase.holds) {
    if (!isLiquid(holding.thing)) continue
    const mL = millilitresOf(holding, phase.kind) ?? 0
    all += mL
    if (holding.thing === main) own += mL
  }
  if (own < oneLiquid.mostly * all) return undefined
  return { liquid: main, factor: own >= oneLiquid.wholly * all ? 1 : oneLiquid.mostlyFactor }
}

/** More of its mass than this as ions, and a watery phase is no water any more to what dissolves in it: concentrated sulfuric acid takes up what water does not. Less salts it out. */
const mostIons = 0.6

function ionsShare({ holds }: Phase): number {
  const [ions, all] = [massOf(holds.filter(({ thing }) => thing.charge !== 0)), massOf(holds)]
  return ions === null || !all ? 0 : ions / all
}

/** How much of the uncharged form of a solid a liquid phase holds at a temperature: by its record in the liquid that the phase is; in water also by its carbon atoms. */
export function dissolvesIn(thing: Thing, phase: Phase, atC: number): Dissolves {
  // Metals, oxides and what else has no carbon: what water makes ions of is no molecule any more, and nothing else goes in.
  if (!thing.atoms?.C) return { gPer100ML: exactly(0) }
  const found = only(phase)
  if (!found) return 'cannot be told'
  const { liquid: solvent, factor } = found
  // A strong acid or a brine is another liquid than water.
  if (isWater(solvent) && ionsShare(phase) > mostIons) return 'cannot be told'
  const ids = isWater(solvent) ? ['water', solvent.id] : [solvent.substance.id]
  const points = thing.substance.solubility?.find((each) => ids.includes(each.solvent))?.points
  if (points && points.length > 0 && (points.length > 1 || Math.abs(points[0]!.atC - atC) <= 20))
    return { gPer100ML: within(solubilityAt(points, atC), recordFactor * factor) }
  if (!isWater(solvent)) return 'cannot be told'
  switch (mixesWithWater(thing)) {
    case 'part':
      return { gPer100ML: atC >= hardly.hotFromC ? hardly.hot : hardly.cold }
    case 'mix':
      return 'all'
    case 'cannot be told':
      return 'cannot be told'
  }
}

/** mmol of the uncharged form that a phase holds. */
export const heldMmol = (thing: Thing, gPer100ML: number, mL: number): number => (gPer100ML * mL) / 100 / thing.gPer

export const isOf = (thing: Thing) => (holding: Holding) => holding.thing === thing
