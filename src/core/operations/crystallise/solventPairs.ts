import { heldById } from '../../substance/heldById'
import type { Substance } from '../../substance/substance'
import { boilsAt } from '../../substance/boilsAt'
import { handyMLPerG, type Solvent } from './compareSolvents'
import { cropFrom, hotVolume, solubilityInMixture } from './crop'
import { solubilityAt } from '../../matter/solubility'

export interface SolventPair {
  /** The one that dissolves more cold, then the other. */
  solvents: [string, string]
  /** Volume fraction of the second. */
  fraction: number
  hotC: number
  volumeML: number
  recovery: number
}

/**
 * Mixtures of two solvents on record: for each pair the volume fraction, in tenths, that gives most back from a volume that is still handy; solubilities in a mixture by the log-linear rule, a first estimate.
 * Solvents that have one point only or whose boiling point is not on record are left out.
 */
export function solventPairs(
  solute: Pick<Substance, 'solubility'>,
  solvents: readonly Solvent[],
  soluteG: number,
  coldC: number,
  mmHg: number,
): SolventPair[] {
  const known = (solute.solubility ?? []).flatMap(({ solvent: id, points }) => {
    const solvent = heldById(solvents, id)
    const boil = solvent && boilsAt(solvent, mmHg)
    return solvent && boil && points.length > 1
      ? [{ name: solvent.name, points, boilC: boil.atC, cold: solubilityAt(points, coldC) }]
      : []
  })
  const ordered = [...known].sort((a, b) => b.cold - a.cold)
  return ordered.flatMap((first, index) =>
    ordered.slice(index + 1).flatMap((second): SolventPair[] => {
      const hotC = Math.min(first.boilC, second.boilC) - 1
      const at = (points: typeof first.points) => solubilityAt(points, Math.min(hotC, Math.max(...points.map(({ atC }) => atC))))
      const mixtures = [1, 2, 3, 4, 5, 6, 7, 8, 9].flatMap((tenth): SolventPair[] => {
        const fraction = tenth / 10
        const volumeML = hotVolume(soluteG, solubilityInMixture(at(first.points), at(second.points), fraction), false)
        const { recovery } = cropFrom(soluteG, volumeML, solubilityInMixture(first.cold, second.cold, fraction))
        return volumeML / soluteG > handyMLPerG
          ? []
          : [{ solvents: [first.name, second.name], fraction, hotC, volumeML, recovery }]
      })
      const best = mixtures.reduce<SolventPair | null>(
        (most, each) => (!most || each.recovery > most.recovery ? each : most),
        null,
      )
      return best ? [best] : []
    }),
  )
}
