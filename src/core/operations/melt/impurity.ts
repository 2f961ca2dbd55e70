const gasConstant = 8.314462618

/**
 * Mole fraction of impurity from how far the last solid melts below the pure substance: x = ΔH_fus·ΔT/(R·T²) (van 't Hoff), T in kelvin of the pure one. Assumes an impurity that dissolves in the melt and does not enter the crystal, and
 * little of it. 0 where it melts no lower.
 */
export function impurityFromDepression(pureC: number, clearC: number, fusionKJPerMol: number): number {
  const pureK = pureC + 273.15
  return Math.max(0, (fusionKJPerMol * 1000 * (pureC - clearC)) / (gasConstant * pureK ** 2))
}
