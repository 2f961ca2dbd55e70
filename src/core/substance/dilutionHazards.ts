import { elementsIn } from './atoms'
import type { Substance } from './substance'

/** From which mass fraction on a statement stands on the label of a solution. */
interface Limit {
  from: number
  codes: readonly string[]
}

/**
 * Concentration limits of the regulation, by formula, the strongest first: Regulation (EC) No 1272/2008, annex VI, specific limits, and the general limits of annex I where it has none (not yet compared with it). A solution
 * below the last bears none of these statements.
 */
const limits: Readonly<Record<string, readonly Limit[]>> = {
  NaOH: [
    { from: 0.02, codes: ['H290', 'H314'] },
    { from: 0.005, codes: ['H315', 'H319'] },
  ],
  KOH: [
    { from: 0.25, codes: ['H290', 'H302', 'H314'] },
    { from: 0.02, codes: ['H290', 'H314'] },
    { from: 0.005, codes: ['H315', 'H319'] },
  ],
  HCl: [
    { from: 0.25, codes: ['H290', 'H314', 'H335'] },
    { from: 0.1, codes: ['H290', 'H315', 'H319', 'H335'] },
  ],
  HBr: [
    { from: 0.4, codes: ['H290', 'H314', 'H335'] },
    { from: 0.1, codes: ['H290', 'H315', 'H319', 'H335'] },
  ],
  H2SO4: [
    { from: 0.15, codes: ['H290', 'H314'] },
    { from: 0.05, codes: ['H290', 'H315', 'H319'] },
  ],
  HNO3: [
    { from: 0.65, codes: ['H272', 'H290', 'H331', 'H314', 'EUH071'] },
    { from: 0.2, codes: ['H290', 'H314'] },
    { from: 0.05, codes: ['H290', 'H314'] },
    { from: 0.01, codes: ['H315', 'H319'] },
  ],
  H3PO4: [
    { from: 0.25, codes: ['H290', 'H314'] },
    { from: 0.1, codes: ['H315', 'H319'] },
  ],
  C2H4O2: [
    { from: 0.9, codes: ['H226', 'H314'] },
    { from: 0.25, codes: ['H314'] },
    { from: 0.1, codes: ['H315', 'H319'] },
  ],
  CH2O2: [
    { from: 0.85, codes: ['H226', 'H302', 'H314', 'H331'] },
    { from: 0.1, codes: ['H314'] },
    { from: 0.02, codes: ['H315', 'H319'] },
  ],
  NH3: [
    { from: 0.25, codes: ['H314', 'H335', 'H400'] },
    { from: 0.05, codes: ['H314', 'H335'] },
    { from: 0.03, codes: ['H318'] },
    { from: 0.01, codes: ['H319'] },
  ],
  H2O2: [
    { from: 0.7, codes: ['H271', 'H302', 'H332', 'H314'] },
    { from: 0.5, codes: ['H272', 'H302', 'H332', 'H314'] },
    { from: 0.35, codes: ['H302', 'H315', 'H318', 'H335'] },
    { from: 0.08, codes: ['H302', 'H318'] },
    { from: 0.05, codes: ['H319'] },
  ],
  NaOCl: [
    { from: 0.05, codes: ['H290', 'H314', 'H410', 'EUH031'] },
    { from: 0.03, codes: ['H318', 'H411', 'EUH031'] },
    { from: 0.01, codes: ['H315', 'H319', 'H412', 'EUH031'] },
  ],
}

/** The statements that a solution of a mass fraction bears in water; null where the regulation's limits are not on record here: then those of the pure substance stand. */
export function dilutionHazards(
  { formula, groups }: Pick<Substance, 'formula' | 'groups'>,
  fraction: number,
): readonly string[] | null {
  const known = limits[formula ?? '']
  // Those with carbon are acids: methyl formate has the formula of acetic acid, and not its limits.
  if (!known || (elementsIn(formula).has('C') && groups && !groups.includes('carboxylic acid'))) return null
  // Of a fraction that was worked out a last digit may be missing.
  return known.find(({ from }) => fraction >= from - 1e-9)?.codes ?? []
}
