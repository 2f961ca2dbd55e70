import { object } from 'yup'
import { writeNumber } from '../quantity/write'
import { asked, decimals, finite, measuredAs, measurement } from './measurement'

/** By so much the index of an organic liquid falls when it is a degree warmer, 1/K (Vogel's Textbook of Practical Organic Chemistry: about 4.5 × 10⁻⁴). */
const fallsPerK = 4.5e-4

/** A refractive index at the sodium D line as it would be read at 20 °C. */
export function indexAt20C({ index, atC }: { index: number; atC: number }): number {
  return index + fallsPerK * (atC - 20)
}

/** A refractive index at the sodium D line, with the temperature of the prism. */
export const refraction = measurement({
  schema: object({
    index: finite.min(1.2, 'a refractometer of this bench reads from 1.2').max(1.9, 'a refractometer of this bench reads to 1.9'),
    decimals,
    atC: finite.min(-20).max(120),
    asked,
  }),
  shown: true,
  ends: true,
  refuses: measuredAs('refractive index', 'refractive index'),
  label: () => 'Refractive index',
  value: (body) =>
    `${writeNumber(body.index, body.decimals)} at ${writeNumber(body.atC, 1)} °C${body.atC === 20 ? '' : `, ${writeNumber(indexAt20C(body), body.decimals)} at 20 °C`}`,
})
