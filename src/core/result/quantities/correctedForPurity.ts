import { mainResult, productSample } from '../../plan/plan'
import { times, written } from '../../quantity/figure'
import type { Quantity } from '../outcome'
import { percent } from './percent'
import { cameBack, sentAway } from './sentAway'

/** The yield or recovery of a run that counts only what is pure: times the purity that came back of its vial. It says from what it counts, as the one it is made of does. */
export const correctedForPurity: Quantity = {
  id: 'corrected for purity',
  by: 'send',
  asked: (plan) => {
    const result = mainResult(plan)
    if (!result) return []
    const final = result.recovery?.sample ?? productSample(plan)
    return sentAway(plan)
      .filter(({ sample }) => sample === final)
      .map((asked) => ({ ...asked, from: result.recovery ? 'what was put in' : 'theory' }))
  },
  measure: (run, { result, whole }, { sample }) => {
    const purity = cameBack(run, sample, 'purity')
    const product = run.samples[sample]
    if (!purity || !product || result?.sample !== sample) return null
    const part = written(purity.body.percent / 100, purity.body.decimals + 2)
    const found = percent(run, sample, {
      fraction: times(result.figure, part),
      whole,
      dry: product.dry,
      mass: times(product.mass, part),
    })
    return { ...found, evidence: [...(found.evidence ?? []), purity.id] }
  },
}
