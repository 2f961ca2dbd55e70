import { writeNumber } from '../quantity/write'
import { entered } from './measurement'

/** Why it is believed what stands in a vessel. */
export const grounds = ['density', 'drop test', 'it was put in', 'colour', 'somebody says so', 'nobody knows'] as const

/** Where a layer stood in the funnel. */
export const layers = ['upper', 'lower'] as const

/** What becomes of what is in a vessel. */
export const waysOut = ['combined', 'poured back', 'used up', 'discarded'] as const

/** Something is set aside in a vessel with a label: what is believed to be in it, and why. */
export const vessel = entered({
  schema: ({ object, string, finite, decimals }) =>
    object({
      label: string().trim().min(1, 'a vessel needs a label').max(12, 'a label has twelve letters at the most').required(),
      what: string().trim().min(1, 'say what is believed to be in it').max(120).required(),
      why: string().oneOf(grounds).required(),
      layer: string().oneOf(layers).optional(),
      /** Its empty mass, g. */
      tareG: finite.moreThan(0).max(100_000).optional(),
      decimals: decimals.notRequired(),
    }),
  always: true,
  apart: true,
  aside: ['what'],
  refused: 'vessel',
  label: ({ label }) => `In ${label}`,
  value: ({ what, why, layer, tareG, decimals }) =>
    [
      `${layer ? `${layer} layer: ` : ''}${what}`,
      why === 'nobody knows' ? 'unknown' : why,
      ...(tareG === undefined ? [] : [`empty ${writeNumber(tareG, decimals ?? 2)} g`]),
    ].join('; '),
})

/** A vessel is emptied: into another, back where it came from, or away. */
export const emptied = entered({
  schema: ({ object, string, named }) =>
    object({ of: named, how: string().oneOf(waysOut).required(), into: string().trim().min(1).max(40).optional() }),
  always: true,
  apart: true,
  names: ({ of }) => [of],
  refused: 'emptying of a vessel',
  label: ({ how }) => `Vessel ${how === 'combined' ? 'combined with another' : how}`,
  value: ({ into }, reason) => [into, reason].filter(Boolean).join('; '),
})
