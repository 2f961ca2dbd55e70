import type { Quantity } from '../outcome'
import { cameBack, sentAway } from './sentAway'

/** What an instrument showed of a sample that was sent away. It is told as it was read: to assign it is for people. */
export const spectrumOf: Quantity = {
  id: 'spectrum',
  by: 'send',
  asked: sentAway,
  measure: (run, _base, { sample }) => {
    const entry = cameBack(run, sample, 'spectrum')
    if (!entry) return null
    const { text, by } = entry.body
    return {
      text,
      unit: '',
      evidence: [entry.id],
      judgement: { level: 'open', words: `By ${by}`, evidence: `${text}, by ${by}.` },
    }
  },
}
