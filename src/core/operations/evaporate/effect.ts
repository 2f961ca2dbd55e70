import { isVolatile } from '../../matter/boiling'
import { isLiquid } from '../../matter/phase'
import { divided, vesselAt, withVessel, type Bench, type Holding, type Vessel } from '../../matter/state'
import { atRest, setAside } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** What boils below this is a solvent that is taken off, °C; what boils above it stays for the most part. Judgement: toluene goes, an ester of 140 °C stays. */
const goesBelowC = 125
/** How much of the solvent is off when the mass no longer falls. */
const off = { low: 0.95, likely: 0.99, high: 1 } as const

const isSolvent = ({ thing }: Holding) =>
  isLiquid(thing) && isVolatile(thing) && (thing.substance.boiling?.lowC ?? 100) < goesBelowC

const holdsSolvent = ({ phases }: Vessel) => phases.some(({ kind, holds }) => kind === 'organic' && holds.some(isSolvent))

/** Where the solvent is: where the work stands, else the last vessel with an organic one that is no waste. */
function withSolvent(bench: Bench): Bench {
  if (holdsSolvent(vesselAt(bench))) return bench
  const other = bench.vessels.findLast(
    (vessel) => vessel.kept !== 'aqueous layer' && vessel.kept !== 'distillate' && holdsSolvent(vessel),
  )
  return other ? { ...bench, at: other.name } : bench
}

/** The solvent goes over into a vessel of its own; what it held stays, as solid where it is one. */
export const evaporateEffect: MatterEffect = (bench, doing, world) => {
  const there = withSolvent(bench)
  const vessel = vesselAt(there)
  doing.during(there)
  // The drying agent that it stands over stays behind on the filter.
  const part = world.draw('solvent that is taken off', off)
  const gone: Holding[] = []
  const phases = vessel.phases.map((phase) => {
    if (phase.kind === 'solid') return phase
    const parted = divided(phase.holds, (each) => (isSolvent(each) ? part : 0))
    gone.push(...parted.gone)
    return { ...phase, holds: parted.stays }
  })
  const left = withVessel(there, { ...vessel, phases: phases.filter(({ holds }) => holds.length > 0) })
  return atRest(
    setAside(left, `solvent of “${doing.step.title}”`, [{ kind: 'organic', holds: gone }], 20, 'distillate'),
    vessel.name,
    world,
  )
}
