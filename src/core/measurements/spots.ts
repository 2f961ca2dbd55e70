import { writeNumber } from '../quantity/write'
import { over } from './due'
import { entered, ofKind, type Measurement } from './measurement'

/** Retention factor: how far a spot went, of how far the front went. */
export const retention = (mm: number, frontMM: number): number => mm / frontMM

/** A spot and a front are read to half a millimetre: a rectangular distribution of ±0.5 mm. */
const uMM = 0.5 / Math.sqrt(3)

/** Standard uncertainty of a retention factor from reading both distances; they are independent (GUM 5.1.2). */
export const uRetention = (mm: number, frontMM: number): number => (uMM / frontMM) * Math.hypot(1, retention(mm, frontMM))

/** A retention factor in print, with twice its standard uncertainty. */
export const writeRetention = (mm: number, frontMM: number): string =>
  `Rf ${writeNumber(retention(mm, frontMM), 2)} ± ${writeNumber(2 * uRetention(mm, frontMM), 2)}`

/** As many spots as a plate of the bench has room for. */
export const mostSpots = 12

/** The spots of a plate, each with how far it went from the start, and the front, mm. */
export const spots = entered({
  schema: ({ object, string, array, finite }) =>
    object({
      frontMM: finite.moreThan(0).max(300),
      spots: array(
        object({
          of: string().trim().min(1).max(60).required(),
          mm: finite.min(0).test('within', 'no spot runs ahead of the front', function (value) {
            const { from } = this as unknown as { from: { value: { frontMM?: number } }[] }
            return value <= (from.at(-1)?.value.frontMM ?? Infinity)
          }),
        }).noUnknown(),
      )
        .min(1)
        .max(mostSpots)
        .required(),
    }),
  shown: true,
  ends: true,
  refused: 'plate',
  label: () => 'Plate',
  value: ({ frontMM, spots: all }) => all.map(({ of, mm }) => `${of} ${writeRetention(mm, frontMM)}`).join(', '),
})

/** A plate: how far the front went, and each spot. */
export const plate: Measurement = {
  written: () => 'front and spots',
  kinds: ['spots'],
  due: ({ step, standing }) =>
    ofKind(standing, 'spots').length > 0
      ? over(step.until)
      : { kind: 'spots', label: 'The plate', hint: 'How far the front went from the start, and how far each spot, in mm.' },
}
