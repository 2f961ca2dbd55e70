import type { OperationKey } from '../../operations/registry'
import { fieldsOf } from './conditions'
import { minutesOf, type Figure } from './figures'
import type { Portion } from './portions'
import { field, found, times, type Seen } from './seen'
import type { Span } from './span'
import type { ReadField, ReadStep } from './step'
import { untilWhen } from './words'

/** Where the work stands while the text goes on. */
export interface Place {
  /** What a wash without more words is about. */
  at: 'flask' | 'funnel' | 'filter'
  /** A condenser stands on the flask. */
  condenser: boolean
  steps: ReadStep[]
}

export const step = (
  operation: OperationKey,
  seen: Seen,
  portions: Portion[],
  fields = fieldsOf[operation]?.(seen) ?? [],
): ReadStep => {
  const until = untilOf(seen)
  const given = [...new Set(times(seen).map(minutesOf))]
  const [vessel] = seen.vessels
  return {
    operation,
    from: seen.from,
    to: seen.to,
    sentence: seen.sentence,
    ...(seen.verb ? { verb: { from: seen.verb.from, to: seen.verb.to } } : {}),
    portions,
    fields,
    ...(until ? { until } : {}),
    ...(vessel ? { vessel } : {}),
    ...(given.length > 1 ? { twoTimes: [given[0]!, given[1]!] as const } : {}),
    warnings: [],
    words: [],
  }
}

/** The sign that it is over, up to where the text goes on with something else. */
function untilOf(seen: Seen): Span | undefined {
  const until = found(seen, untilWhen)
  if (!until) return undefined
  const said = seen.text.slice(until.from - seen.from, until.to - seen.from)
  return {
    from: until.from,
    to: until.from + said.split(/,?\s+(?:and (?:then|finally)|then|finally)\b|\s\(/)[0]!.replace(/[\s,]+$/, '').length,
  }
}

/** One step for each thing that is measured out; the first has the vessel, the last the sign that it is over. */
export const charges = (seen: Seen, portions: readonly Portion[]): ReadStep[] =>
  portions.map((portion, index) => {
    const { until, vessel, ...rest } = step('charge', seen, [portion], [])
    return {
      ...rest,
      ...(vessel && index === 0 ? { vessel } : {}),
      ...(until && index === portions.length - 1 ? { until } : {}),
      ...(portions.length > 1 ? { of: { index, count: portions.length } } : {}),
    }
  })

/** One step for each thing that it is shaken with. */
export const shakings = (operation: 'wash' | 'extract', seen: Seen): ReadStep[] => {
  const taken = seen.portions.filter(({ measure }) => measure)
  const made = taken.map((portion) => {
    const { measure } = portion
    const fields = [
      field('portions', measure!.times ?? 1, measure!, measure!.times === undefined),
      ...(measure!.kind === 'volume' && measure!.times !== undefined ? [field('portionML', inML(measure!), measure!)] : []),
    ]
    return step(operation, seen, [portion], fields)
  })
  // The sign belongs to what it stands behind.
  return made.length === 0
    ? [step(operation, seen, seen.portions.slice(0, 1), [])]
    : made.map((each, index) => {
        const { until, ...rest } = each
        const next = taken[index + 1]?.from ?? seen.to
        const of = taken.length > 1 ? { of: { index, count: taken.length } } : {}
        return until && until.from > taken[index]!.from && until.from < next ? { ...rest, ...of, until } : { ...rest, ...of }
      })
}

const inML = ({ high, unit }: Figure) => (unit === 'L' ? 1000 * high : unit === 'µL' ? high / 1000 : high)

/** A rinse of what was filtered just before belongs to that step. */
export function rinsed(seen: Seen, place: Place): ReadStep[] {
  const last = place.steps.at(-1)
  const taken = seen.portions.filter(({ measure }) => measure)
  if (!last || last.operation !== 'filter' || last.fields.some(({ key }) => key === 'rinseML') || taken.length > 1)
    return taken.length > 0
      ? taken.map((portion) => step('rinse', seen, [portion], rinseFields(portion, false)))
      : last?.operation === 'filter'
        ? stay(last, seen)
        : [step('rinse', seen, [])]
  const [portion] = taken
  last.to = seen.to
  if (portion) {
    last.portions.push(portion)
    last.fields.push(...rinseFields(portion, true))
  }
  return []
}

/** What is said more of a step belongs to it. */
export function stay(last: ReadStep, { to }: Span): ReadStep[] {
  last.to = to
  return []
}

const rinseFields = ({ measure, of }: Portion, named: boolean): ReadField[] => [
  field('times', measure!.times ?? 1, measure!, measure!.times === undefined),
  field('rinseML', inML(measure!), measure!),
  ...(named && of[0] ? [field('rinseWith', of[0].name, measure!, true)] : []),
]
