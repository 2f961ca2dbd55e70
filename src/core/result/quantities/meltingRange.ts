import { correctedRange } from '../../measurements/melting'
import { meltingReading, type MeltingReading } from '../../operations/melt/meltingReading'
import { substanceOfSample } from '../../plan/plan'
import { readTo } from '../../quantity/figure'
import { writeBand, writeNumber } from '../../quantity/write'
import { offWords, type Judgement } from '../judge'
import { evidenceIn, type Quantity } from '../outcome'

const judged: Record<
  Exclude<MeltingReading['verdict'], 'sharp but low' | 'sharp but high'>,
  Pick<Judgement, 'level' | 'words'>
> = {
  'consistent with pure': { level: 'good', words: 'Consistent with pure' },
  broad: { level: 'doubt', words: 'Broad: melt again at 1 °C/min' },
  'low and broad': { level: 'doubt', words: 'Low and broad: wet or impure' },
  'high and broad': { level: 'doubt', words: 'High and broad: heated too fast?' },
}

/** The melting range of a sample, put right by the standards of its apparatus. */
export const meltingRange: Quantity = {
  id: 'melting range',
  by: 'melt',
  asked: (plan) =>
    plan.steps.flatMap((step) =>
      step.kind === 'melt'
        ? [{ sample: step.sample, of: substanceOfSample(plan, step.sample)?.name ?? step.sample, from: '' }]
        : [],
    ),
  measure: (run, _base, { sample }) => {
    const entry = run.melting[sample]
    if (!entry) return null
    const { onsetC, clearC } = correctedRange(entry.body)
    const literature = substanceOfSample(run.plan, sample)?.melting
    const reading = literature && meltingReading({ onsetC, clearC }, literature)
    const text = `${writeNumber(onsetC, 1)}–${writeNumber(clearC, 1)} °C`
    return {
      figure: readTo(onsetC, entry.body.decimals),
      to: clearC,
      unit: '°C',
      text,
      literature: literature ? { low: literature.lowC, high: literature.highC } : null,
      evidence: evidenceIn(run, (step) => step.kind === 'melt' && step.sample === sample),
      judgement: reading
        ? {
            ...(reading.verdict === 'sharp but low' || reading.verdict === 'sharp but high'
              ? { level: 'doubt' as const, words: offWords(reading) }
              : judged[reading.verdict]),
            evidence: `Melts ${text} against ${writeBand(literature.lowC, literature.highC)} °C${entry.body.instrument ? ', corrected by its standards' : ''}.`,
          }
        : { level: 'open', words: 'Nothing to compare with', evidence: `Melts ${text}; no melting point of it is on record.` },
    }
  },
}
