import type { Substance } from '../../plan/plan'
import { boilsAt } from '../boiling/boilingAt'
import { cropFrom, hotVolume, leastRatio, mayOilOut, type Crop } from './crystallise'
import { solubilityAt } from './solubility'

export interface SolventJudged extends Crop {
  solvent: string
  hotC: number
  hotGPer100ML: number
  coldGPer100ML: number
  ratio: number
  volumeML: number
  /** What speaks against it; empty where it will do. */
  against: string[]
}

/** Hot enough to dissolve and to pour without boiling over, K below the boil. */
const belowBoilK = 1

/**
 * Solvents for a solute, best crop first: how much dissolves hot and cold, the volume, what is got back; against it speak a ratio below five, a boil above the solute's melting point, and more solvent than is handy. Solvents whose boiling point or
 * solubility is not on record are left out.
 */
export function compareSolvents(
  solute: Pick<Substance, 'solubility' | 'melting'>,
  solvents: readonly Pick<Substance, 'id' | 'name' | 'antoine' | 'boiling'>[],
  soluteG: number,
  coldC: number,
  mmHg: number,
): SolventJudged[] {
  return (solute.solubility ?? [])
    .flatMap(({ solvent: id, points }): SolventJudged[] => {
      const solvent = solvents.find((each) => each.id === id || each.name === id)
      const boil = solvent && boilsAt(solvent, mmHg)
      if (!solvent || !boil || points.length < 2) return []
      const hottest = Math.max(...points.map(({ atC }) => atC))
      const hotC = Math.min(boil.atC - belowBoilK, hottest)
      const [hot, cold] = [solubilityAt(points, hotC), solubilityAt(points, coldC)]
      const volumeML = hotVolume(soluteG, hot, false)
      const ratio = hot / cold
      const perG = volumeML / soluteG
      return [
        {
          solvent: solvent.name,
          hotC,
          hotGPer100ML: hot,
          coldGPer100ML: cold,
          ratio,
          volumeML,
          ...cropFrom(soluteG, volumeML, cold),
          against: [
            ...(ratio < leastRatio ? [`hot dissolves only ${ratio.toFixed(1)} times what cold does`] : []),
            ...(solute.melting && mayOilOut(hotC, solute.melting.lowC) ? ['the solute may come as an oil'] : []),
            ...(perG > 60 ? [`${Math.round(perG)} mL to the gram`] : []),
          ],
        },
      ]
    })
    .sort((a, b) => a.against.length - b.against.length || b.recovery - a.recovery)
}
