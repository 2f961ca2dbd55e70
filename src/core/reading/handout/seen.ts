import type { Clause } from './clauses'
import type { Figure } from './figures'
import type { Portion } from './portions'
import type { Span } from './span'
import type { ReadField } from './step'
import type { NamedVessel } from './vessels'

/** A clause with all that stands in it. */
export interface Seen extends Clause {
  text: string
  portions: Portion[]
  figures: Figure[]
  vessels: NamedVessel[]
}

export const dryingAgents: Readonly<Record<string, string>> = {
  'magnesium-sulfate': 'magnesium sulfate',
  'sodium-sulfate': 'sodium sulfate',
  'calcium-chloride': 'calcium chloride',
  'potassium-carbonate': 'potassium carbonate',
  'calcium-sulfate': 'calcium sulfate',
}
/** What is cooler than this is cooled to, and what is warmer heated, where a text only says `keep at`; judgement. */
export const warmerC = 20

export const times = (seen: Seen) => seen.figures.filter(({ kind }) => kind === 'time')
export const degrees = (seen: Seen) => seen.figures.filter(({ kind }) => kind === 'temperature')
/** Something that a record or the text's own table knows. */
export const isNamed = ({ of, listed }: Portion) => of.length > 0 || listed === true
export const measured = (seen: Seen) => seen.portions.filter(({ measure }) => measure)

export const field = (key: string, value: number | string, at: Span, inWords?: boolean): ReadField => ({
  key,
  value,
  from: at.from,
  to: at.to,
  ...(inWords ? { inWords: true as const } : {}),
})

/** The place of a pattern in the text of a clause. */
export function found(seen: Seen, pattern: RegExp): Span | undefined {
  const match = pattern.exec(seen.text)
  return match ? { from: seen.from + match.index, to: seen.from + match.index + match[0].length } : undefined
}
