/** Standard normal density and distribution function (Abramowitz and Stegun 7.1.26, to 1.5·10⁻⁷). */
const density = (z: number) => Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)
function distribution(z: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2)
  const tail =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) * Math.exp((-z * z) / 2)
  return z >= 0 ? 1 - tail / 2 : tail / 2
}

/** An amount per coefficient with its standard uncertainty, both in the same unit. */
export interface Uncertain {
  value: number
  u: number
}

/**
 * The smaller of two uncertain amounts as a distribution, its mean and standard deviation: E[min] = μ₁Φ(d) + μ₂Φ(−d) − θφ(d) with θ² = u₁² + u₂² and d = (μ₂ − μ₁)/θ (Clark, Operations Research 9 (1961) 145). Two equal amounts limit
 * at less than either: their smaller one lies θ/√(2π) below.
 */
export function limitOfTwo(one: Uncertain, other: Uncertain): Uncertain {
  const theta = Math.hypot(one.u, other.u)
  if (theta === 0) return { value: Math.min(one.value, other.value), u: 0 }
  const d = (other.value - one.value) / theta
  const [a, b, f] = [distribution(d), distribution(-d), density(d)]
  const mean = one.value * a + other.value * b - theta * f
  const square = (one.value ** 2 + one.u ** 2) * a + (other.value ** 2 + other.u ** 2) * b - (one.value + other.value) * theta * f
  return { value: mean, u: Math.sqrt(Math.max(0, square - mean ** 2)) }
}
