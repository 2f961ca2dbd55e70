import type { Line } from '../../plan/plan'
import type { Substance } from '../../substance/substance'

/** True for water and what is dissolved in it. */
export function isWatery({ line, substance }: { line: Line; substance: Substance }): boolean {
  const { form } = line
  if (form.kind === 'solution' || form.kind === 'mass-volume') return form.solvent === undefined
  return form.kind === 'mass-fraction' || substance.formula === 'H2O'
}
