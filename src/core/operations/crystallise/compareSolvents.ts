import type { Substance } from '../../substance/substance'
import { betweenTwo } from '../../reaction/meetings'
import { boilsAt } from '../../substance/boilsAt'
import { cropFrom, hotVolume, leastRatio, mayOilOut, meltsLowerK, type Crop } from './crop'
import { solubilityIn, solubilityAt } from '../../matter/solubility'

/** How much of the solute a solvent holds hot and cold, g to 100 mL, and what comes of it. */
export interface SolventTried extends Crop {
  hotGPer100ML: number
  coldGPer100ML: number
  ratio: number
  volumeML: number
}

export interface SolventJudged {
  solvent: string
  /** As hot as it is used: a degree below its boil here. */
  hotC: number
  /** Null where its solubility is neither on record nor tried. */
  tried: SolventTried | null
  /** What speaks against it; empty where it will do. */
  against: string[]
}

/** What is known of a solvent without having tried it. */
export type Solvent = Pick<Substance, 'id' | 'name' | 'antoine' | 'boiling' | 'formula' | 'smiles' | 'groups'>
export type Solute = Partial<Pick<Substance, 'solubility' | 'melting' | 'formula' | 'smiles' | 'groups'>>

/** Hot enough to dissolve and to pour without boiling over, K below the boil. */
const belowBoilK = 1
/** Below this a solvent is gone while the flask is swirled; above it crystals stay damp, °C. */
const volatile = { least: 50, most: 120 } as const
/** More hot solvent to the gram than this is not handy, mL. */
export const handyMLPerG = 60

/**
 * Solvents for a solute, those that were tried first, best crop first: how much dissolves hot and cold, the volume, what is got back. Against one speak a ratio below five, a boil too near the solute's melting point, more
 * solvent than is handy, a boil at which it dries too fast or too slowly, and what the classes of both do to each other. Solvents whose boiling point is not on record are left out.
 */
export function compareSolvents(
  solute: Solute,
  solvents: readonly Solvent[],
  soluteG: number,
  coldC: number,
  mmHg: number,
): SolventJudged[] {
  const once = solvents.filter((each, index) => solvents.findIndex(({ id }) => id === each.id) === index)
  return once
    .flatMap((solvent): SolventJudged[] => {
      const boil = boilsAt(solvent, mmHg)
      if (!boil) return []
      const points = solubilityIn(solute, solvent) ?? []
      const hottest = points.length > 1 ? Math.max(...points.map(({ atC }) => atC)) : Infinity
      const hotC = Math.min(boil.atC - belowBoilK, hottest)
      const tried = points.length > 1 ? triedAt(points, hotC, coldC, soluteG) : null
      return [
        {
          solvent: solvent.name,
          hotC,
          tried,
          against: [...againstTried(tried, soluteG), ...againstSolvent(solute, solvent, boil.atC)],
        },
      ]
    })
    .sort(
      (a, b) =>
        Number(b.tried !== null) - Number(a.tried !== null) ||
        a.against.length - b.against.length ||
        (b.tried?.recovery ?? 0) - (a.tried?.recovery ?? 0),
    )
}

function triedAt(
  points: readonly { atC: number; gPer100ML: number }[],
  hotC: number,
  coldC: number,
  soluteG: number,
): SolventTried {
  const [hot, cold] = [solubilityAt(points, hotC), solubilityAt(points, coldC)]
  const volumeML = hotVolume(soluteG, hot, false)
  return { hotGPer100ML: hot, coldGPer100ML: cold, ratio: hot / cold, volumeML, ...cropFrom(soluteG, volumeML, cold) }
}

function againstTried(tried: SolventTried | null, soluteG: number): string[] {
  if (!tried) return []
  const perG = tried.volumeML / soluteG
  return [
    ...(tried.ratio < leastRatio ? [`hot dissolves only ${tried.ratio.toFixed(1)} times what cold does`] : []),
    ...(perG > handyMLPerG ? [`${Math.round(perG)} mL to the gram`] : []),
  ]
}

function againstSolvent(solute: Solute, solvent: Solvent, boilC: number): string[] {
  const clash = betweenTwo([solute, { form: { kind: 'solid', purity: 1 } }], [solvent, { form: { kind: 'neat', purity: 1 } }])
  return [
    ...(solute.melting && mayOilOut(boilC - belowBoilK, solute.melting.lowC - meltsLowerK)
      ? ['the solute may come as an oil']
      : []),
    ...(clash ? [`does not bear the solute: ${clash}`] : []),
    ...(boilC < volatile.least
      ? ['boils away while it is swirled']
      : boilC > volatile.most
        ? ['crystals stay damp with it']
        : []),
  ]
}
