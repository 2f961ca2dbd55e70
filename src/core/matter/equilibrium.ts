import { activityCoefficients, type ActivityModel } from './activity'

/** A component of a mixture that is distilled. Vapour pressure: log10(p/mmHg) = a − b/(c + t/°C). */
export interface Component {
  name: string
  a: number
  b: number
  c: number
  gPerMol: number
  gPerML: number
}

export interface Mixture {
  components: readonly Component[]
  model: ActivityModel
  mmHg: number
}

export interface PhasePoint {
  atC: number
  /** Mole fractions of the other phase. */
  other: number[]
}

const ln10 = Math.LN10
/** Vapour pressure of the pure liquid, mmHg. */
export const vapourPressure = ({ a, b, c }: Component, atC: number) => Math.exp(ln10 * (a - b / (c + atC)))
const slope = ({ b, c }: Component, atC: number) => (ln10 * b) / (c + atC) ** 2

/** A temperature to begin with: where the components boil, weighted by how much of each there is. */
function firstGuess({ components, mmHg }: Mixture, fractions: readonly number[]): number {
  return components.reduce((sum, { a, b, c }, i) => sum + fractions[i]! * (b / (a - Math.log10(mmHg)) - c), 0)
}

/**
 * Boiling point of a liquid of mole fractions x and the vapour over it: Σ γi·xi·pi(t) = P (Raoult with activity coefficients), by Newton's method on the logarithm.
 */
export function bubblePoint(mixture: Mixture, x: readonly number[], guessC = firstGuess(mixture, x)): PhasePoint {
  const { components, model, mmHg } = mixture
  const gamma = model.kind === 'ideal' ? null : activityCoefficients(model, x)
  let atC = guessC
  for (let turn = 0; turn < 50; turn++) {
    let sum = 0
    let rises = 0
    for (let i = 0; i < components.length; i++) {
      const partial = (gamma ? gamma[i]! : 1) * x[i]! * vapourPressure(components[i]!, atC)
      sum += partial
      rises += partial * slope(components[i]!, atC)
    }
    const step = (Math.log(sum / mmHg) * sum) / rises
    atC -= step
    if (Math.abs(step) < 1e-9) break
  }
  return {
    atC,
    other: components.map((component, i) => ((gamma ? gamma[i]! : 1) * x[i]! * vapourPressure(component, atC)) / mmHg),
  }
}
