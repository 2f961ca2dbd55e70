import { array, object, string } from 'yup'
import { writeNumber } from '../quantity/write'
import { finite, measuredAs, measurement } from './measurement'

/** Retention factor: how far a spot went, of how far the front went. */
export const retention = (mm: number, frontMM: number): number => mm / frontMM

/** The spots of a plate, each with how far it went from the start, and the front, mm. */
export const spots = measurement({
  schema: object({
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
      .max(12)
      .required(),
  }),
  shown: true,
  ends: true,
  refuses: measuredAs('spots', 'plate'),
  label: () => 'Plate',
  value: ({ frontMM, spots: all }) => all.map(({ of, mm }) => `${of} Rf ${writeNumber(retention(mm, frontMM), 2)}`).join(', '),
})
