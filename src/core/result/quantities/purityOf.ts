import { written } from '../../quantity/figure'
import { writeNumber } from '../../quantity/write'
import type { Quantity } from '../outcome'
import { cameBack, sentAway } from './sentAway'

/** The purity of a sample that was sent away, as it came back. */
export const purityOf: Quantity = {
  id: 'purity',
  by: 'send',
  asked: sentAway,
  measure: (run, _base, { sample }) => {
    const entry = cameBack(run, sample, 'purity')
    if (!entry) return null
    const { percent, decimals, by } = entry.body
    const text = `${writeNumber(percent, decimals)} %`
    return {
      figure: written(percent, decimals),
      unit: '%',
      text,
      evidence: [entry.id],
      judgement: { level: 'open', words: `By ${by}`, evidence: `${text} by ${by}.` },
    }
  },
}
