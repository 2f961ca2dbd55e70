import type { Outcome } from '../result/outcome'
import type { ClassResults } from './classResults'

/** True for what the table shows already: the result that is counted, its crude sample, the crystallisation and the range of the product. */
export function inColumns(
  {
    counts,
    recovers,
    crystallises,
    melts,
    shown,
  }: Pick<ClassResults, 'counts' | 'recovers' | 'crystallises' | 'melts' | 'shown'>,
  { quantity, sample, ...from }: Pick<Outcome, 'quantity' | 'sample' | 'counts'>,
): boolean {
  if (quantity === 'yield') return counts && !recovers && (sample === shown.product || sample === shown.crude)
  if (sample !== shown.product) return false
  if (quantity === 'melting range') return melts
  if (quantity !== 'recovery' || !from.counts) return false
  return 'line' in from.counts ? recovers : crystallises
}
