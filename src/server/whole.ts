import { isDeepStrictEqual } from 'node:util'
import { array, object, type ObjectSchema } from 'yup'
import { Refusal } from './refusal'

/** A thing that is written whole: what shall stand, and what its page knows to stand, one of them where answers were lost. */
export interface Written<T> {
  value: T
  over: T[]
}

/** As many as a page keeps (ui/kept/wholeKeeper.ts). */
const mostOver = 8

/** @param value what is written, as its own schema checks it */
export const writtenWhole = <T extends object>(value: ObjectSchema<T>): ObjectSchema<Written<T>> =>
  object({ value: value.required(), over: array(value.required()).min(1).max(mostOver).required() })
    .noUnknown()
    .required() as unknown as ObjectSchema<Written<T>>

/**
 * Whether what was sent is to be written, or stands already.
 * @throws Refusal 409 with what stands `now` where that is neither what shall stand nor what the page knew: somebody else was first
 */
export function standsOver<T>(now: T, { value, over }: Written<T>): boolean {
  const stands = plain(now)
  if (isDeepStrictEqual(stands, plain(value))) return false
  if (over.some((each) => isDeepStrictEqual(stands, plain(each)))) return true
  throw new Refusal(409, 'Somebody else changed this meanwhile: theirs stands here now, and yours was not written.', { now })
}

/** As it goes over the network, where what is not there and what is undefined are one. */
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))
