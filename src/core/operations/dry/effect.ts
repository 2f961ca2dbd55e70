import { driesAway, vesselOfSample } from '../../matter/measuredAs'
import { thingsOf } from '../../matter/things'
import { atRest, leaves } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'
import { substanceOfSample } from '../../plan/plan'
import { weighedNow } from '../weigh/effect'

/** Liquids that boil below this leave a solid in air or in an oven, °C: water, alcohols, esters, toluene. */
const leavesBelowC = 160

/** What is volatile leaves the solid; what it weighs then is its mass. Water of crystallisation stays. */
export const dryEffect: MatterEffect = (bench, doing, world) => {
  if (doing.step.kind !== 'dry') return bench
  const { sample } = doing.step
  const substance = substanceOfSample(doing.plan, sample)
  const name = vesselOfSample(bench, sample, substance && thingsOf(doing.plan).of(substance))
  doing.during(bench)
  const away = driesAway(leavesBelowC)
  const dried = atRest(
    leaves(bench, name, (holding, { kind }) => (kind !== 'solid' && away(holding) ? 1 : 0)),
    name,
    world,
  )
  return weighedNow(
    { ...dried, at: name, samples: { ...dried.samples, [sample]: name } },
    name,
    doing.readings?.samplesG[sample],
    world,
  )
}
