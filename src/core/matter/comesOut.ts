import { dissolvesIn, heldMmol } from './dissolves'
import { dissolvedIn, pHOf, unchargedAt, type Dissolved } from './pH'
import { isLiquid, mainLiquid, volumeOf } from './phase'
import { together, type Holding, type Phase, type Vessel } from './state'
import type { Thing } from './thing'
import type { Settling } from './settling'
import type { World } from './world'

/** Solids of the molecular kind: what each liquid holds of them, what comes out, what of the solid goes in. */
export function comesOut(
  watery: readonly Holding[],
  organic: readonly (readonly Holding[])[],
  stays: readonly Holding[],
  vessel: Vessel,
  world: World,
  how: Settling,
): { phases: { watery: readonly Holding[]; organic: readonly (readonly Holding[])[] }; rest: Holding[] } {
  const phases: Phase[] = [{ kind: 'watery', holds: watery }, ...organic.map((holds): Phase => ({ kind: 'organic', holds }))]
  let rest = [...stays]
  // The liquid that dissolves best by volume comes last: what an organic layer holds was shared out before.
  for (const [at, phase] of phases.entries()) {
    if (phase.holds.length === 0 || mainLiquid(phase) === undefined) continue
    const sole = phases.filter(({ holds }) => holds.length > 0).length === 1
    const here = candidates(phase.holds, rest, sole).filter((thing) => world.things.inWater(thing) === null)
    for (const thing of here) {
      const inside = phase.holds.find((each) => each.thing === thing && each.certain)
      const solid = sole ? rest.find((each) => each.thing === thing && each.certain) : undefined
      if (inside?.amount === null) continue
      if (solid?.amount === null) {
        // Some of it goes in, and nobody can say how much.
        if (how.dissolves) phases[at] = { ...phases[at]!, holds: together(phases[at]!.holds, [solid]) }
        continue
      }
      const total = (inside?.amount ?? 0) + (solid?.amount ?? 0)
      const limit = dissolvesIn(thing, phase, vessel.atC)
      let dissolved: number
      if (limit === 'all') dissolved = total
      else if (limit === 'cannot be told') {
        if (how.dissolves) dissolved = total
        else if (phase.kind === 'organic') {
          // Nobody can say how much an organic liquid holds of it; more than its own weight it does not.
          const most = heldMmol(thing, world.draw(`most dissolved ${thing.id}`, atMost), volumeOf(liquidOnly(phase)).mL)
          dissolved = Math.min(inside?.amount ?? 0, most)
        } else continue
      } else {
        const most = heldMmol(
          thing,
          world.draw(`solubility ${thing.id} ${Math.round(vessel.atC)}`, limit.gPer100ML),
          volumeOf(phase).mL,
        )
        dissolved = mostDissolved(thing, total, most, { ...phase, holds: phases[at]!.holds })
      }
      const change = dissolved - (inside?.amount ?? 0)
      // What is saturated already is not weighed to the last digit again.
      if (Math.abs(change) < 1e-4 * total) continue
      const like = inside ?? solid!
      phases[at] = { ...phases[at]!, holds: together(phases[at]!.holds, [{ ...like, amount: change }]) }
      rest = together(rest, [{ ...like, amount: -change }])
      if (change < 0) world.note({ kind: 'solid', thing, mmol: -change, vessel: vessel.name })
    }
  }
  const [first, ...others] = phases
  return { phases: { watery: first!.holds, organic: others.map(({ holds }) => holds) }, rest }
}

/** Grams of a solid in 100 mL of an organic liquid in which its solubility is on no record and which was not heated with it, at the most. Judgement. */
const atMost = { low: 20, likely: 50, high: 100 } as const

const liquidOnly = ({ kind, holds }: Phase): Phase => ({ kind, holds: holds.filter(({ thing }) => isLiquid(thing)) })

/** Molecular solids that stand in a phase, and those beside it where it is the only liquid. */
function candidates(holds: readonly Holding[], rest: readonly Holding[], sole: boolean): Thing[] {
  const isOne = ({ thing, certain }: Holding) =>
    certain && thing.solid && thing.charge === 0 && thing.atoms !== null && !isLiquid(thing)
  return [...new Set([...holds.filter(isOne), ...(sole ? rest.filter(isOne) : [])].map(({ thing }) => thing))]
}

/** mmol of a total that stay dissolved where a phase holds so much of the uncharged form: more of an acid or a base by what stands there as its ion. */
function mostDissolved(thing: Thing, total: number, mostUncharged: number, phase: Phase): number {
  if (total <= mostUncharged) return total
  if (phase.kind !== 'watery' || (thing.acid.length === 0 && thing.base === null)) return mostUncharged
  const dissolved = dissolvedIn(phase.holds.filter((each) => each.thing !== thing))
  const { mL } = volumeOf(phase)
  if (!dissolved || mL <= 0) return mostUncharged
  const volumes = { waterML: mL, organicML: 0 }
  const uncharged = (mmol: number) => {
    const own: Dissolved = { thing, mmol, K: 0 }
    return unchargedAt(own, pHOf([...dissolved, own], volumes), volumes)
  }
  if (uncharged(total) <= mostUncharged) return total
  let [low, high] = [0, total]
  for (let turn = 0; turn < 36; turn++) {
    const middle = (low + high) / 2
    if (uncharged(middle) > mostUncharged) high = middle
    else low = middle
  }
  return low
}
