import { decimalsOf } from '../quantity/figure'
import { writeBand, writeNumber } from '../quantity/write'
import { entered, type BodyOf, type Measurement } from './measurement'
import { readability } from './numbers'

interface Range {
  onsetC: number
  clearC: number
  instrument?: { offsetC: number; slope: number } | undefined
}

/** A range put right by the standards of its apparatus, as they stood when it was read; as it was read where it had none. */
export function correctedRange<R extends Range>({ onsetC, clearC, instrument }: R): { onsetC: number; clearC: number } {
  if (!instrument) return { onsetC, clearC }
  const right = (readC: number) => instrument.offsetC + instrument.slope * readC
  return { onsetC: right(onsetC), clearC: right(clearC) }
}

/** A melting range: first liquid, last solid gone. */
export const melting = entered({
  schema: ({ object, string, finite, upTo, decimals, asked }) =>
    object({
      onsetC: finite.min(-100).max(500),
      clearC: upTo('onsetC', 'the clear point cannot lie below the onset'),
      decimals,
      asked,
      /** The apparatus and the line of its standards as they stood then: true = offset + slope·read. The range is as read. */
      instrument: object({
        name: string().min(1).max(80).required(),
        offsetC: finite.min(-100).max(100),
        slope: finite.min(0.5).max(2),
      })
        .noUnknown()
        .default(undefined)
        .optional(),
    }),
  shown: true,
  ends: true,
  refused: 'melting range',
  label: () => 'Melting range',
  value: (body) => {
    const range = `${writeNumber(body.onsetC, body.decimals)}–${writeNumber(body.clearC, body.decimals)} °C`
    if (!body.instrument) return range
    const { onsetC, clearC } = correctedRange(body)
    return `${range}, corrected ${writeNumber(onsetC, 1)}–${writeNumber(clearC, 1)} °C`
  },
})

/** So far from the literature a range is of another substance, or of another scale, K. */
const farK = 20

/** Where a solid begins to melt and where the last of it has gone. */
export const meltingRange: Measurement = {
  written: (of) => `onset and clear point of ${of}`,
  kinds: ['melting'],
  due: ({ step }) => {
    const decimals = decimalsOf(readability(step.kind === 'melt' ? step.device : ''))
    return {
      kind: 'pair',
      entry: 'melting',
      label: 'Melting range',
      hint: 'Onset: first liquid. Clear: last solid gone.',
      faces: [
        { label: 'Onset', hint: 'First liquid', unit: '°C', decimals },
        { label: 'Clear', hint: 'Last solid gone', unit: '°C', decimals },
      ],
      next: 'Now the clear point',
      apparatus: true,
      problem: (first, second) =>
        second.value < first.value
          ? 'The last solid cannot be gone before the first liquid shows: clear must be at or above onset.'
          : undefined,
      body: (first, second, { instrument }) => ({
        onsetC: first.value,
        clearC: second.value,
        decimals: Math.max(first.decimals, second.decimals),
        ...(instrument ? { instrument } : {}),
      }),
    }
  },
  question: (entry, _taken, { melting: literature }) => {
    if (entry.kind !== 'melting' || !literature) return null
    const body = entry.body as BodyOf<typeof melting>
    const { onsetC, clearC } = correctedRange(body)
    const off = Math.max(literature.lowC - clearC, onsetC - literature.highC)
    return off > farK
      ? `The literature says ${writeBand(literature.lowC, literature.highC)} °C. Is ${writeNumber(body.onsetC, body.decimals)}–${writeNumber(body.clearC, body.decimals)} °C what you saw?`
      : null
  },
}
