/** Two titres agree when they differ by no more than this, mL (Vogel's Textbook of Quantitative Chemical Analysis: concordant titres). */
export const agreeML = 0.1

export const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length

/** The most titres that lie within so much of each other, the later where two sets are as large; null while no two do. */
export function concordant(titres: readonly number[]): number[] | null {
  let best: number[] | null = null
  for (const least of titres) {
    // A float's last bits must not decide what a burette cannot read.
    const set = titres.filter((each) => each >= least && each - least <= agreeML + 1e-9)
    if (set.length > 1 && set.length >= (best?.length ?? 0)) best = set
  }
  return best
}
