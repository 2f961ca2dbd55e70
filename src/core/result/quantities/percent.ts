import type { Figure } from '../../quantity/figure'
import { times, exact } from '../../quantity/figure'
import { writeNumber } from '../../quantity/write'
import type { RunState } from '../../run/foldRun'
import { evidenceIn, type Measured } from '../outcome'

/** A fraction as a result in per cent, with the weighings it rests on. */
export function percent(
  run: RunState,
  sample: string,
  found: { fraction: Figure; whole: Figure | null; dry: boolean; mass: Figure; judgement?: Measured['judgement'] },
): Measured {
  return {
    figure: times(found.fraction, exact(100)),
    unit: '%',
    text: `${writeNumber(100 * found.fraction.value, 0)} %`,
    whole: found.whole,
    mass: found.mass,
    dry: found.dry,
    evidence: evidenceIn(run, (step) => (step.kind === 'weigh' || step.kind === 'dry') && step.sample === sample),
    judgement: found.judgement ?? null,
  }
}
