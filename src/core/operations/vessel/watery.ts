import type { Line } from '../../plan/plan'
import type { Substance } from '../../substance/substance'

/** True for water and what is dissolved in it. */
export function isWatery({ line, substance }: { line: Line; substance: Substance }): boolean {
  return (
    line.form.kind === 'solution' ||
    line.form.kind === 'mass-volume' ||
    line.form.kind === 'mass-fraction' ||
    substance.formula === 'H2O'
  )
}
