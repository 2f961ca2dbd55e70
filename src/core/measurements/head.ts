import { object } from 'yup'
import { writeNumber } from '../quantity/write'
import { asked, decimals, finite, measuredAs, measurement } from './measurement'

/** What the thermometer at the head of a distillation showed when so much stood in the receiver; at 0 mL the first drop fell. */
export const head = measurement({
  schema: object({
    volumeML: finite.min(0).max(100_000),
    volumeDecimals: decimals,
    headC: finite.min(-100).max(500),
    decimals,
    asked,
  }),
  shown: true,
  refuses: measuredAs('head', 'reading of a still head'),
  label: ({ volumeML, volumeDecimals }) =>
    volumeML === 0 ? 'First drop, head' : `Head at ${writeNumber(volumeML, volumeDecimals)} mL`,
  value: (body) => `${writeNumber(body.headC, body.decimals)} °C`,
})
