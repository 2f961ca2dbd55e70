import { writeNumber } from '../quantity/write'
import { entered } from './measurement'

/** What a group worked out by itself at the end of its run: amounts, the limiting reagent by its line, theory and percentage. */
export const worked = entered({
  schema: ({ object, string, array, finite, number }) =>
    object({
      amounts: array(
        object({
          line: string().min(1).max(80).required(),
          mmol: finite.moreThan(0, 'an amount is more than nothing').max(1e9),
        }).noUnknown(),
      )
        .max(40)
        .required(),
      limiting: string().min(1).max(80).optional(),
      theoreticalG: number().strict().moreThan(0, 'a theoretical yield is more than nothing').max(1e6).optional(),
      percent: number().strict().min(0).max(10_000).optional(),
    }).test(
      'says-something',
      'nothing is worked out yet',
      ({ amounts, limiting, theoreticalG, percent }) =>
        (amounts?.length ?? 0) > 0 || limiting !== undefined || theoreticalG !== undefined || percent !== undefined,
    ),
  always: true,
  apart: true,
  refused: 'working',
  label: () => 'Worked out by us',
  value: ({ theoreticalG, percent }) =>
    [
      theoreticalG === undefined ? '' : `theory ${writeNumber(theoreticalG, 2)} g`,
      percent === undefined ? '' : `${writeNumber(percent, 1)} %`,
    ]
      .filter(Boolean)
      .join(', '),
})

/** A result that does not count for the class: it stays where it is, and out of the median. */
export const excluded = entered({
  schema: ({ empty }) => empty,
  writtenBy: 'a demonstrator',
  always: true,
  apart: true,
  needsReason: 'say why this result does not count',
  refused: 'exclusion',
  label: () => 'Not counted in the class',
  value: (_body, reason) => reason ?? '',
})
