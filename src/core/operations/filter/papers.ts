/** Diameters in mm of the papers that suction funnels take. */
export const suctionPapersMM = [20, 32, 42, 55, 70, 90, 110] as const
/** Volumes in mL that fluted papers of each diameter in mm hold. */
const flutedHoldsML: readonly [number, number][] = [
  [70, 15],
  [90, 30],
  [110, 50],
  [150, 120],
  [185, 220],
  [240, 500],
]

/** Crystals straight from a filtration lie loose: about 2 mL to the gram. */
const looseMLPerG = 2
/** A cake thicker than this rinses and dries badly, mm. */
const cakeMM = 10

export type Filtering = 'suction' | 'fluted paper' | 'fluted paper, hot' | 'cotton plug'

/**
 * How to filter: suction where the solid is kept; fluted paper where the solution is, warmed where it would crystallise on the way; a cotton plug below 10 mL.
 */
export function filteringFor(keep: 'solid' | 'solution', hot: boolean, volumeML: number): { way: Filtering; why: string } {
  if (keep === 'solid') return { way: 'suction', why: 'the solid is kept: it is rinsed and drawn dry on the paper' }
  if (hot)
    return {
      way: 'fluted paper, hot',
      why: 'what crystallises in a cold funnel stays in the paper: warm it and keep the filtrate boiling',
    }
  return volumeML <= 10
    ? { way: 'cotton plug', why: 'paper would hold a good part of so little' }
    : { way: 'fluted paper', why: 'the solution is kept: suction would boil it off' }
}

/** The least paper in mm on which so much solid lies no thicker than 10 mm; the largest where none does. */
export function suctionPaper(solidG: number): number {
  const wantedMM = 2 * Math.sqrt((solidG * looseMLPerG * 1000) / (Math.PI * cakeMM))
  return suctionPapersMM.find((size) => size >= wantedMM) ?? suctionPapersMM.at(-1)!
}

/** The least fluted paper in mm that holds a third of the volume at a time; the largest where none does. */
export function flutedPaper(volumeML: number): number {
  return (flutedHoldsML.find(([, holds]) => holds >= volumeML / 3) ?? flutedHoldsML.at(-1)!)[0]
}

/** Grams that rinses of so many mL carry off at a solubility in g/100 mL, never more than there is. */
export function rinseLoss(rinseML: number, coldGPer100ML: number, solidG: number): number {
  return Math.min(solidG, (rinseML * coldGPer100ML) / 100)
}

/** A rinse wets the cake through: about 1 mL to the gram, twice. */
export function rinseML(solidG: number): number {
  return Math.max(1, Math.round(solidG))
}
