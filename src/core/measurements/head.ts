import { writeNumber } from '../quantity/write'
import { entered, ofKind, type BodyOf, type Measurement } from './measurement'

/** What the thermometer at the head of a distillation showed when so much stood in the receiver; at 0 mL the first drop fell. */
export const head = entered({
  schema: ({ object, finite, decimals, asked }) =>
    object({
      volumeML: finite.min(0).max(100_000),
      volumeDecimals: decimals,
      headC: finite.min(-100).max(500),
      decimals,
      asked,
    }),
  shown: true,
  refused: 'reading of a still head',
  label: ({ volumeML, volumeDecimals }) =>
    volumeML === 0 ? 'First drop, head' : `Head at ${writeNumber(volumeML, volumeDecimals)} mL`,
  value: (body) => `${writeNumber(body.headC, body.decimals)} °C`,
})

type HeadBody = BodyOf<typeof head>

/** The standing readings at the head, in their order. */
export const headsIn = (standing: Parameters<typeof ofKind>[0]) => ofKind<HeadBody>(standing, 'head')

/** A head this much above the highest boiling point is a slip: no thermometer is off by more, K. */
const hotter = 20

/** The head against the volume in the receiver, from the first drop on. */
export const headAgainstVolume: Measurement = {
  written: () => 'head at the first drop, then volume and head',
  kinds: ['head', 'window'],
  due: ({ standing }) => {
    const count = headsIn(standing).length
    return count === 0
      ? {
          kind: 'head',
          first: true,
          label: 'First drop',
          hint: 'What the head shows as the first drop falls into this receiver.',
        }
      : {
          kind: 'head',
          first: false,
          label: `Head, reading ${count + 1}`,
          hint: 'Volume in this receiver and what the head shows: every few mL, and whenever it jumps.',
        }
  },
  // The receiver only fills, and the head does not pass what boils last by much.
  question: (entry, { standing }, { hottestC }) => {
    if (entry.kind !== 'head') return null
    const body = entry.body as HeadBody
    const others = headsIn(standing).filter(({ id }) => id !== entry.id)
    const most = Math.max(...others.map((other) => other.body.volumeML))
    if (body.volumeML < most)
      return `There were ${writeNumber(most, 1)} mL in the receiver already. Is ${writeNumber(body.volumeML, body.volumeDecimals)} mL right, and is it the same receiver?`
    return hottestC !== undefined && body.headC > hottestC + hotter
      ? `Nothing in this plan boils above ${writeNumber(hottestC, 0)} °C. Is ${writeNumber(body.headC, body.decimals)} °C what the head shows?`
      : null
  },
}
