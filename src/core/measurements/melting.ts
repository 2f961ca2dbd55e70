import { object, string, type InferType } from 'yup'
import { writeNumber } from '../quantity/write'
import { asked, decimals, finite, measuredAs, measurement, upTo } from './measurement'

const schema = object({
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
})

/** A range put right by the standards of its apparatus, as they stood when it was read; as it was read where it had none. */
export function correctedRange({ onsetC, clearC, instrument }: InferType<typeof schema>): { onsetC: number; clearC: number } {
  if (!instrument) return { onsetC, clearC }
  const right = (readC: number) => instrument.offsetC + instrument.slope * readC
  return { onsetC: right(onsetC), clearC: right(clearC) }
}

/** A melting range: first liquid, last solid gone. */
export const melting = measurement({
  schema,
  shown: true,
  ends: true,
  refuses: measuredAs('melting range', 'melting range'),
  label: () => 'Melting range',
  value: (body) => {
    const range = `${writeNumber(body.onsetC, body.decimals)}–${writeNumber(body.clearC, body.decimals)} °C`
    if (!body.instrument) return range
    const { onsetC, clearC } = correctedRange(body)
    return `${range}, corrected ${writeNumber(onsetC, 1)}–${writeNumber(clearC, 1)} °C`
  },
})
