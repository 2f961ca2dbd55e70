import { object } from 'yup'
import { writeNumber } from '../quantity/write'
import { asked, decimals, finite, measuredAs, measurement, upTo } from './measurement'

/** A boiling range as it was read, and the pressure in mmHg under which it was, where the laboratory knows it. */
export const boiling = measurement({
  schema: object({
    lowC: finite.min(-100).max(500),
    highC: upTo('lowC', 'a boiling range ends at or above where it begins'),
    decimals,
    mmHg: finite.min(1).max(1500).notRequired(),
    asked,
  }),
  shown: true,
  ends: true,
  refuses: measuredAs('boiling range', 'boiling range'),
  label: () => 'Boiling range',
  value: (body) =>
    `${writeNumber(body.lowC, body.decimals)}–${writeNumber(body.highC, body.decimals)} °C${body.mmHg ? ` at ${writeNumber(body.mmHg, 0)} mmHg` : ''}`,
})
