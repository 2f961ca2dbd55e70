import { vesselOfSample, weighedAs } from '../../matter/measuredAs'
import type { Bench } from '../../matter/state'
import { thingsOf } from '../../matter/things'
import type { MatterEffect } from '../../matter/walk'
import type { World } from '../../matter/world'
import { substanceOfSample } from '../../plan/plan'

/** A vessel that was weighed: what it is said to hold follows the balance. */
export const weighedNow = (bench: Bench, name: string, grams: number | undefined, world: World): Bench => {
  const receivers = bench.receivers.filter((each) => each !== name)
  const noted = receivers.length === bench.receivers.length ? bench : { ...bench, receivers }
  return grams === undefined ? noted : weighedAs(noted, name, grams, world)
}

/** Nothing moves; what was measured replaces what was expected. */
export const weighEffect: MatterEffect = (bench, doing, world) => {
  if (doing.step.kind !== 'weigh') return bench
  const { sample } = doing.step
  const substance = substanceOfSample(doing.plan, sample)
  const name = vesselOfSample(bench, sample, substance && thingsOf(doing.plan).of(substance))
  doing.during(bench)
  return weighedNow(
    { ...bench, at: name, samples: { ...bench.samples, [sample]: name } },
    name,
    doing.readings?.samplesG[sample],
    world,
  )
}
