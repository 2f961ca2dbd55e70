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
