import { writeNumber } from '../quantity/write'
import { over } from './due'
import { entered, ofKind, type Measurement } from './measurement'

/** By so much the index of an organic liquid falls when it is a degree warmer, 1/K (Vogel's Textbook of Practical Organic Chemistry: about 4.5 × 10⁻⁴). */
const fallsPerK = 4.5e-4

/** What the thermometer of the prism adds to an index, read to 0.1 °C: the last digit over √12 (GUM 4.3.7). */
export const indexPerThermometer = (fallsPerK * 0.1) / Math.sqrt(12)

/** What a refractometer of this bench reads. */
const [lowest, highest] = [1.2, 1.9]

/** A refractive index at the sodium D line as it would be read at 20 °C. */
export function indexAt20C({ index, atC }: { index: number; atC: number }): number {
  return index + fallsPerK * (atC - 20)
}

/** A refractive index at the sodium D line, with the temperature of the prism. */
export const refraction = entered({
  schema: ({ object, finite, decimals, asked }) =>
    object({
      index: finite
        .min(lowest, `a refractometer of this bench reads from ${lowest}`)
        .max(highest, `a refractometer of this bench reads to ${highest}`),
      decimals,
      atC: finite.min(-20).max(120),
      asked,
    }),
  shown: true,
  ends: true,
  refused: 'refractive index',
  label: () => 'Refractive index',
  value: (body) =>
    `${writeNumber(body.index, body.decimals)} at ${writeNumber(body.atC, 1)} °C${body.atC === 20 ? '' : `, ${writeNumber(indexAt20C(body), body.decimals)} at 20 °C`}`,
})

/** The index of a liquid and the temperature at which it was read. */
export const refractiveIndex: Measurement = {
  written: () => 'index and temperature of the prism',
  kinds: ['refraction'],
  due: ({ step, standing }) =>
    ofKind(standing, 'refraction').length > 0
      ? over(step.until)
      : {
          kind: 'pair',
          entry: 'refraction',
          label: 'Refractive index',
          hint: 'The index to four places, and what the prism’s thermometer shows.',
          faces: [
            { label: 'Index', hint: 'Four places', unit: '', decimals: 4 },
            { label: 'Prism', hint: 'Its temperature', unit: '°C', decimals: 1 },
          ],
          next: 'Now the prism',
          problem: ({ value }) =>
            value < lowest || value > highest
              ? `An index read here lies between ${lowest} and ${highest}, for example 1.4003.`
              : undefined,
          body: (first, second) => ({ index: first.value, decimals: first.decimals, atC: second.value }),
        },
}
