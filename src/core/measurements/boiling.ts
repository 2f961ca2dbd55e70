import { writeNumber } from '../quantity/write'
import { over } from './due'
import { entered, ofKind, type BodyOf, type Measurement } from './measurement'

/** A boiling range as it was read, and the pressure in mmHg under which it was, where the laboratory knows it. */
export const boiling = entered({
  schema: ({ object, finite, upTo, decimals, asked }) =>
    object({
      lowC: finite.min(-100).max(500),
      highC: upTo('lowC', 'a boiling range ends at or above where it begins'),
      decimals,
      mmHg: finite.min(1).max(1500).notRequired(),
      asked,
    }),
  shown: true,
  ends: true,
  refused: 'boiling range',
  label: () => 'Boiling range',
  value: (body) =>
    `${writeNumber(body.lowC, body.decimals)}–${writeNumber(body.highC, body.decimals)} °C${body.mmHg ? ` at ${writeNumber(body.mmHg, 0)} mmHg` : ''}`,
})

/** So far from every boiling point of the plan a range is of something else, or of another scale, K. */
const farK = 15
/** How a boiling point near one atmosphere follows the pressure, K/mmHg (docs/chemistry.md). */
const kPerMmHg = 0.045

/** Where boiling begins, and where the last of it boils. */
export const boilingRange: Measurement = {
  written: () => 'where boiling begins and ends',
  kinds: ['boiling'],
  due: ({ step, standing }) =>
    ofKind(standing, 'boiling').length > 0
      ? over(step.until)
      : {
          kind: 'pair',
          entry: 'boiling',
          label: 'Boiling range',
          hint: 'Where it begins to boil, and where the last of it boils.',
          faces: [
            { label: 'Boils from', hint: 'Where it begins', unit: '°C', decimals: 1 },
            { label: 'Boils to', hint: 'Where the last goes', unit: '°C', decimals: 1 },
          ],
          next: 'Now where it ends',
          problem: (first, second) =>
            second.value < first.value ? 'A range ends at or above where it begins: for example from 141.0 to 142.5.' : undefined,
          body: (first, second, { mmHg }) => ({
            lowC: first.value,
            highC: second.value,
            decimals: Math.max(first.decimals, second.decimals),
            mmHg,
          }),
        },
  question: (entry, _taken, { boiling: literature = [] }) => {
    if (entry.kind !== 'boiling' || literature.length === 0) return null
    const body = entry.body as BodyOf<typeof boiling>
    const at760 = body.mmHg ? kPerMmHg * (760 - body.mmHg) : 0
    const off = ({ lowC, highC }: { lowC: number; highC: number }) =>
      Math.max(lowC - (body.highC + at760), body.lowC + at760 - highC)
    const nearest = [...literature].sort((a, b) => off(a) - off(b))[0]!
    return off(nearest) > farK
      ? `Nearest in this plan boils ${nearest.name}, at ${writeNumber(nearest.lowC, 0)}–${writeNumber(nearest.highC, 0)} °C. Is ${writeNumber(body.lowC, body.decimals)}–${writeNumber(body.highC, body.decimals)} °C what you saw?`
      : null
  },
}
