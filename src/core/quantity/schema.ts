import { Type, type Static, type TSchema } from '@sinclair/typebox'
import { units, type Unit } from './unit'

/** An object that holds these fields and no others. */
export const exact = <T extends Record<string, TSchema>>(fields: T) => Type.Object(fields, { additionalProperties: false })

/** One of a few words. */
export const oneOf = <const T extends string>(words: readonly T[]) => Type.Unsafe<T>({ type: 'string', enum: [...words] })

/** One of several forms, told apart by the word in one field. */
export const oneBy = <T extends TSchema[]>(field: string, forms: readonly [...T]) =>
  Type.Unsafe<Static<T[number]>>({
    type: 'object',
    discriminator: { propertyName: field },
    required: [field],
    oneOf: [...forms],
  })

/** A few words that may not be empty. */
export const words = (maxLength?: number) => Type.String(maxLength === undefined ? { minLength: 1 } : { minLength: 1, maxLength })

export const above0 = Type.Number({ exclusiveMinimum: 0 })
/** A fraction, above 0 and at most 1. */
export const fraction = Type.Number({ exclusiveMinimum: 0, maximum: 1 })

/** Name of a thing of the plan, by which others of it ask for it. */
export const id = Type.String({ maxLength: 80, pattern: '^(?!constructor$)[a-z][a-z0-9-]*$' })

const amounts = (Object.keys(units) as Unit[]).filter((unit) => ['mass', 'volume', 'amount'].includes(units[unit].dimension))

/** A quantity as it was typed: its decimals say how well it is meant. */
export const quantity = exact({
  value: above0,
  unit: oneOf(amounts),
  decimals: Type.Integer({ minimum: -12, maximum: 12 }),
})
