import type { Vessel } from '../../plan/plan'

/** Sizes in mL in which each kind of vessel is made. */
export const vesselSizes: Readonly<Record<Vessel['kind'], readonly number[]>> = {
  'round-bottom': [5, 10, 25, 50, 100, 250, 500, 1000],
  'separating funnel': [30, 60, 125, 250, 500, 1000],
  conical: [10, 25, 50, 125, 250, 500, 1000],
  vial: [4, 8, 20, 40],
}

/** How full each kind may be with everything in, as a fraction of its size: bumping and frothing above, scorching below. */
export const fillRule: Readonly<Record<Vessel['kind'], { least: number; most: number }>> = {
  'round-bottom': { least: 1 / 3, most: 2 / 3 },
  'separating funnel': { least: 0, most: 3 / 4 },
  conical: { least: 0, most: 1 / 2 },
  vial: { least: 0, most: 3 / 4 },
}

/** The smallest standard size that obeys the fill rule, or null where none does. */
export function fittingSize(kind: Vessel['kind'], volumeML: number): number | null {
  const { least, most } = fillRule[kind]
  return vesselSizes[kind].find((size) => volumeML <= most * size && volumeML >= least * size) ?? null
}
