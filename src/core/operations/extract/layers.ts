/** Densities in g/mL at 20 °C of the watery layers of a bench (CRC Handbook, concentrative properties; pure water 0.998). */
export const wateryLayers: Readonly<Record<string, number>> = {
  water: 0.998,
  brine: 1.2,
  'saturated sodium bicarbonate': 1.07,
  '5 % sodium bicarbonate': 1.034,
  '10 % sodium carbonate': 1.1,
  '10 % sodium hydroxide': 1.11,
  '5 % sodium hydroxide': 1.054,
  '10 % hydrochloric acid': 1.048,
  '5 % hydrochloric acid': 1.023,
}

/** Organic matter that dissolves takes about this much room, mL to the gram: solids of 1.1 to 1.4 g/mL. */
const dissolvedMLPerG = 0.8

/** Density of a layer with what is dissolved in it, volumes taken to add up: (V·ρ + m)/(V + 0.8·m). */
export function loadedDensity(volumeML: number, gPerML: number, soluteG: number): number {
  return (volumeML * gPerML + soluteG) / (volumeML + dissolvedMLPerG * soluteG)
}

/** Closer than this the layers may lie either way, g/mL. */
export const uncertainBelow = 0.05

export interface WhichOnTop {
  top: 'organic' | 'watery'
  difference: number
  certain: boolean
}

/** Which layer lies on top: the lighter one; uncertain where the two differ by less than 0.05 g/mL. */
export function whichOnTop(organicGPerML: number, wateryGPerML: number): WhichOnTop {
  const difference = Math.abs(wateryGPerML - organicGPerML)
  return { top: organicGPerML < wateryGPerML ? 'organic' : 'watery', difference, certain: difference >= uncertainBelow }
}

/** What breaks an emulsion, gentlest first. */
export const emulsionLadder: readonly string[] = [
  'Wait five minutes, funnel upright.',
  'Swirl it gently, or stir the boundary with a glass rod.',
  'Add a few millilitres of brine, swirl, wait.',
  'Add a little more of one of the two solvents.',
  'Filter the cloudy layer through filter aid, and part the layers again.',
]
