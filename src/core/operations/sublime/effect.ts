import { divided, vesselAt, withVessel, type Holding } from '../../matter/state'
import { movesOn, setAside } from '../../matter/verbs'
import type { World } from '../../matter/world'
import type { MatterEffect } from '../../matter/walk'

/** What collects on the cold finger of what can sublime; nobody can say how much before it was done. */
const collects = { low: 0.3, likely: 0.8, high: 1 } as const

/** Molecules do; what water makes ions of is a salt. */
const canSublime = ({ thing }: Holding, { things }: World) =>
  thing.charge === 0 && thing.atoms !== null && thing.substance.melting !== undefined && things.inWater(thing) === null

/** Molecular solids go over to the cold finger; salts and what else a material holds stay. */
export const sublimeEffect: MatterEffect = (bench, doing, world) => {
  const moved = doing.step.vessel ? bench : movesOn(bench, { name: `sublimation of “${doing.step.title}”` })
  doing.during(moved)
  const vessel = vesselAt(moved)
  const part = world.draw('collects on the finger', collects)
  const gone: Holding[] = []
  const phases = vessel.phases.map((phase) => {
    const parted = divided(phase.holds, (each) => (phase.kind === 'solid' && canSublime(each, world) ? part : 0))
    gone.push(...parted.gone)
    return { ...phase, holds: parted.stays }
  })
  const left = withVessel(moved, { ...vessel, kept: 'residue', phases: phases.filter(({ holds }) => holds.length > 0) })
  const name = `sublimate of “${doing.step.title}”`
  if (gone.length === 0) return left
  return { ...setAside(left, name, [{ kind: 'solid', holds: gone }], 20, 'solid'), at: name }
}
