import { deviceOf, uncertaintyOf } from '../../quantity/device'
import { mean } from '../../measurements/concordant'

/** A figure with its standard uncertainty, in the same unit. */
export interface Known {
  value: number
  u: number
}

const relative = ({ value, u }: Known) => (value === 0 ? 0 : u / value)

/** Relative standard uncertainties of independent factors of a product or a quotient, together (GUM 5.1.6). */
const together = (...figures: Known[]) => Math.hypot(...figures.map(relative))

/** The mean of titres that agree: each is the difference of two readings of one burette, and their scatter counts where it is the larger. */
export function titreKnown(agreeing: readonly number[]): Known {
  const value = mean(agreeing)
  const n = agreeing.length
  const scatter = n > 1 ? Math.sqrt(agreeing.reduce((sum, each) => sum + (each - value) ** 2, 0) / (n - 1) / n) : 0
  return { value, u: Math.max(scatter, uncertaintyOf(deviceOf('burette-50')!, 2)) }
}

/** A volume that was taken with glass of a tolerance, mL: a rectangular distribution, tolerance/√3 (GUM 4.3.7). */
export const volumeKnown = (value: number, toleranceML: number): Known => ({ value, u: toleranceML / Math.sqrt(3) })

/** Strength of what is titrated, mol/L: c = c(titrant)·V(titre)·ratio/V(aliquot). */
export function ofTitrated(titrant: Known, titre: Known, aliquot: Known, perMol: number): Known {
  const value = (titrant.value * titre.value * perMol) / aliquot.value
  return { value, u: value * together(titrant, titre, aliquot) }
}

/** Strength of the titrant from a standard that is titrated, mol/L: c = c(standard)·V(aliquot)/(V(titre)·ratio). */
export function ofTitrant(standard: Known, titre: Known, aliquot: Known, perMol: number): Known {
  const value = (standard.value * aliquot.value) / (titre.value * perMol)
  return { value, u: value * together(standard, titre, aliquot) }
}

/** Strength of a primary standard that was weighed and made up, mol/L: c = m·w/(M·V). Mass in g, volume in mL, purity as a fraction. */
export function ofStandard(grams: Known, purity: Known, flask: Known, gPerMol: number): Known {
  const value = (1000 * grams.value * purity.value) / (gPerMol * flask.value)
  return { value, u: value * together(grams, purity, flask) }
}
