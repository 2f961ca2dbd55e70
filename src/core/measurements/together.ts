import { writeNumber } from '../quantity/write'
import { entered } from './measurement'

/** Two groups go on as one: each run says with which bench, and whether the work goes on at this one. */
export const joined = entered({
  schema: ({ object, number, boolean }) =>
    object({ bench: number().strict().integer().min(1).max(999).required(), here: boolean().strict().required() }),
  writtenBy: 'a demonstrator',
  always: true,
  apart: true,
  refused: 'joining of groups',
  label: ({ here }) => (here ? 'Another group joins' : 'Goes on with another group'),
  value: ({ bench }) => `bench ${bench}`,
})

/** Material of a sample that was put together with another group's or topped up from the stores, or that was given away. */
export const pooled = entered({
  schema: ({ object, string, number, finite, decimals }) =>
    object({
      sample: string().trim().min(1).max(40).required(),
      way: string().oneOf(['in', 'out']).required(),
      massG: finite.moreThan(0, 'a share weighs more than nothing').max(100_000),
      decimals,
      /** The other bench; absent where it is the stores. */
      bench: number().strict().integer().min(1).max(999).optional(),
    }),
  always: true,
  apart: true,
  refused: 'share of a sample',
  label: ({ sample, way }) => (way === 'in' ? `Put to our ${sample}` : `Given of our ${sample}`),
  value: ({ way, massG, decimals, bench }) =>
    `${writeNumber(massG, decimals)} g ${way === 'in' ? 'from' : 'to'} ${bench === undefined ? 'the stores' : `bench ${bench}`}`,
})
