import { isLiquid } from './phase'
import { massOf, partOf, together, vesselNamed, withVessel, type Bench, type Holding, type Vessel } from './state'
import type { Thing } from './thing'
import type { World } from './world'

/** The vessel that holds a sample: the one it was put in, else a receiver nobody has weighed, else the one with most of its substance among what was kept, else where the work goes on. */
export function vesselOfSample(bench: Bench, sample: string, of: Thing | undefined): string {
  const known = bench.samples[sample]
  if (known !== undefined && vesselNamed(bench, known)) return known
  const [receiver] = bench.receivers
  if (receiver !== undefined && vesselNamed(bench, receiver)) return receiver
  const grams = (vessel: Vessel) =>
    vessel.phases.reduce(
      (sum, { kind, holds }) =>
        sum + holds.reduce((all, each) => all + (each.thing === of && kind !== 'watery' ? (each.amount ?? 0) : 0), 0),
      0,
    )
  if (of === undefined) return bench.at
  const taken = new Set(Object.values(bench.samples))
  const best = bench.vessels
    .filter(({ kept, name }) => !taken.has(name) && kept !== 'aqueous layer' && kept !== 'filtrate' && kept !== 'residue')
    .map((vessel) => ({ name: vessel.name, grams: grams(vessel) }))
    .sort((a, b) => b.grams - a.grams)[0]
  const here = vesselNamed(bench, bench.at)
  if (here && grams(here) > 0.5 * (best?.grams ?? 0)) return bench.at
  return best && best.grams > 0 ? best.name : bench.at
}

/**
 * What was measured replaces what was expected: all of a vessel by the same factor, the difference, with its sign, in `unaccounted`. An unknown amount takes up the difference where it is the only one.
 */
export function weighedAs(bench: Bench, name: string, grams: number, world: World): Bench {
  const vessel = vesselNamed(bench, name)
  if (!vessel) return bench
  const all = vessel.phases.flatMap(({ holds }) => holds)
  const open = all.filter(({ amount }) => amount === null)
  const known = massOf(all.filter(({ amount }) => amount !== null))!
  const [only] = open
  if (open.length === 1 && only && grams > known) {
    const amount = (grams - known) / only.thing.gPer
    const from: Holding['from'] = [`reading ${world.step}`]
    return withVessel(bench, {
      ...vessel,
      phases: vessel.phases.map((phase) => ({
        ...phase,
        holds: phase.holds.map((each) => (each === only ? { ...each, amount, from } : each)),
      })),
    })
  }
  if (open.length > 0 || known <= 0) return bench
  const factor = grams / known
  world.note({ kind: 'unaccounted', grams: grams - known, vessel: name })
  return {
    ...withVessel(bench, { ...vessel, phases: vessel.phases.map(({ kind, holds }) => ({ kind, holds: partOf(holds, factor) })) }),
    unaccounted: together(
      bench.unaccounted,
      all.map((each) => ({ ...each, amount: each.amount! * (1 - factor) })),
    ),
  }
}

/** Liquids that leave a solid in air or in an oven: all that boil below a limit. */
export const driesAway =
  (boilsBelowC: number) =>
  ({ thing }: Holding): boolean =>
    isLiquid(thing) && (thing.substance.boiling?.lowC ?? 100) < boilsBelowC
