import type { Charged } from './charged'
import { volumeOf } from './phase'
import { massOf, partOf, vesselAt, withVessel, withoutVessel, type Bench, type Kept, type Phase, type Vessel } from './state'
import { atRest, brings, freshName } from './verbs'
import type { World } from './world'

/** Liquor that clings to a gram of solid pressed flat under suction, mL (Furniss et al., Vogel's Textbook of Practical Organic Chemistry, ch. 2.20: a cake holds a third to its own mass; judgement). */
export const clings = { low: 0.2, likely: 0.5, high: 1 } as const

export interface Filtering {
  /** How often it is rinsed, each time with a part of what rinses. */
  times: number
  keep: 'solid' | 'solution'
  /** Names of the vessels that the solid and the liquid go into. */
  solid: string
  liquid: string
  /** What the liquid is called. */
  kept: Kept
}

const volume = (phases: readonly Phase[]) => phases.reduce((sum, phase) => sum + volumeOf(phase).mL, 0)
const scaled = (phases: readonly Phase[], part: number): Phase[] =>
  phases.map(({ kind, holds }) => ({ kind, holds: partOf(holds, part) })).filter(({ holds }) => holds.length > 0)

/**
 * Parts what is in the vessel into the solid, with the liquor that clings to it, and the rest of the liquid. A rinse mixes with the liquor and takes its place; one that would dissolve the solid stays with it, for then it is there to dissolve it.
 */
export function filtered(bench: Bench, rinse: Charged, how: Filtering, world: World): Bench {
  const vessel = vesselAt(bench)
  const solids = vessel.phases.filter(({ kind }) => kind === 'solid')
  const liquids = vessel.phases.filter(({ kind }) => kind !== 'solid')
  const solidG = solids.reduce<number | null>((sum, { holds }) => {
    const own = massOf(holds)
    return sum === null || own === null ? null : sum + own
  }, 0)
  const liquidML = volume(liquids)
  const clingML = (solidG ?? 0) * world.draw('liquor that clings', clings)
  const part = liquidML > 0 ? Math.min(1, clingML / liquidML) : 0
  // A filter aid stays with the solid.
  const aid: Phase[] = rinse.solid.length > 0 ? [{ kind: 'solid', holds: rinse.solid }] : []
  let cake = [...solids, ...aid, ...scaled(liquids, part)]
  let away = scaled(liquids, 1 - part)
  const solidName = freshName(bench, how.solid)
  const rinsing = rinse.liquid.length > 0
  let { air } = bench
  if (rinsing && how.keep === 'solid' && solids.length > 0)
    for (let turn = 0; turn < how.times; turn++) {
      const part: Phase = { kind: 'organic', holds: partOf(rinse.liquid, 1 / how.times) }
      const wet: Vessel = { name: solidName, atC: vessel.atC, phases: [...cake, part] }
      const trial = atRest(withVessel({ ...bench, air }, wet), solidName, { ...world, note: () => undefined })
      air = trial.air
      const rested = trial.vessels.find(({ name }) => name === solidName)!
      const left = rested.phases.filter(({ kind }) => kind === 'solid')
      const rinsed = rested.phases.filter(({ kind }) => kind !== 'solid')
      if (left.length === 0) {
        // It is dissolved in what should have rinsed it, and goes on with that.
        cake = [...rested.phases]
        continue
      }
      const again = volume(rinsed) > 0 ? Math.min(1, clingML / volume(rinsed)) : 0
      cake = [...left, ...scaled(rinsed, again)]
      away = [...away, ...scaled(rinsed, 1 - again)]
    }
  else if (rinsing) away = [...away, { kind: 'organic', holds: rinse.liquid }]
  const without = withoutVessel(brings({ ...bench, air }, rinse), vessel.name)
  const solidVessel: Vessel = { name: solidName, kept: how.keep === 'solid' ? 'solid' : 'residue', phases: cake, atC: vessel.atC }
  const liquidName = freshName(without, how.liquid)
  const liquidVessel: Vessel = { name: liquidName, kept: how.kept, phases: away, atC: vessel.atC }
  const both = [solidVessel, liquidVessel].filter(({ phases }) => phases.length > 0)
  // An empty vessel stays where the work goes on.
  const wanted = how.keep === 'solid' ? solidVessel : liquidVessel
  let parted: Bench = both.includes(wanted) ? without : { ...without, vessels: [...without.vessels, wanted] }
  for (const each of both) parted = withVessel(parted, each)
  const rested = both.reduce((now, { name }) => atRest(now, name, world), parted)
  const samples = Object.fromEntries(
    Object.entries(rested.samples).map(([sample, at]) => [sample, at === vessel.name ? wanted.name : at]),
  )
  return { ...rested, at: wanted.name, samples }
}
