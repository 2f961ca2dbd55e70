import { writeNumber } from '../quantity/write'
import { entered } from './measurement'

/** What came back of a sample that was sent away: its purity in per cent, and how it was found. */
export const purity = entered({
  schema: ({ object, string, finite, decimals }) =>
    object({
      percent: finite.min(0).max(100, 'nothing is purer than 100 %'),
      decimals,
      by: string().trim().min(1).max(80).required(),
    }),
  shown: true,
  writtenBy: 'a demonstrator',
  refused: 'purity',
  label: ({ by }) => `Purity by ${by}`,
  value: (body) => `${writeNumber(body.percent, body.decimals)} %`,
})
