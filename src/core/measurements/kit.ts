import { array, boolean, number, object, string } from 'yup'

const finite = number().strict().required()
const ulid = string()
  .matches(/^[0-9A-HJKMNP-TV-Z]{26}$/, '${path} must be a ULID')
  .required()

/** What schemas of entries are made of. Only what checks an entry loads it: a bench that writes one needs its types alone. */
export const kit = {
  object,
  string,
  array,
  number,
  boolean,
  finite,
  /** Digits after the point as they were read. */
  decimals: number().strict().integer().min(0).max(6).required(),
  /** The question the program asked about it, where the group kept it all the same. */
  asked: string().max(500).optional(),
  empty: object({}),
  /** The id of another entry of the same step. */
  named: ulid,
  /** The upper end of a range of two temperatures, °C, which does not lie below the first. */
  upTo: (first: string, problem: string) =>
    finite
      .min(-100)
      .max(500)
      .test('in-order', problem, function (value) {
        return value >= (this.parent as Record<string, number>)[first]!
      }),
}

export type Kit = typeof kit
